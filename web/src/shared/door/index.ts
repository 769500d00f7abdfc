export { type Drafts, Questions, type Said, toldIn, type Topic } from "./Questions";
export { DoorTabs } from "./DoorTabs";
export { NO_STOP, type Stop, type StopDraft, StopForm, stopIn } from "./StopForm";
export { useDoor, useLooksReport, useStripReport, useTopics } from "./useDoor";
