export {
  ask,
  client,
  csrfToken,
  drawFor,
  onAnswer,
  onSessionEnded,
  Refused,
  type Schemas,
  stringOf,
  Unreachable,
} from "./client";
export { readTelling, telling } from "./telling";
