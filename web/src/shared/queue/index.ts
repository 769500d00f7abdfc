export { type Shown } from "./queue";
export { type Fact, type Kept, type KeptFact, nameOf } from "./record";
export {
  askedFirst,
  drop,
  type Given,
  isBeside,
  putAway,
  queue,
  sendAgain,
  useAdd,
  useFacts,
  usePersonName,
  useQueueOf,
  useReport,
  useShownQueue,
  useWaiting,
  type Waiting,
  waitingOf,
} from "./useQueue";
export { Waits } from "./Waits";
export { OfOthers, QueueLine, WaitingNotice, WaitsHere } from "./WaitingNotice";
