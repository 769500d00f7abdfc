export { type Drafts, Questions, type Said, toldIn, type Topic } from "./Questions";
export { NO_STOP, type Stop, type StopDraft, StopForm, stopIn } from "./StopForm";
export { useDoor, useLooksReport, useStripReport, useTopics } from "./useDoor";
