export { Questions, type Said, type Topic } from "./Questions";
export { type Stop, StopForm } from "./StopForm";
export { useDoor, useLooksReport, useStripReport, useTopics } from "./useDoor";
