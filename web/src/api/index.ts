export { ask, client, csrfToken, onAnswer, Refused, type Schemas, stringOf, Unreachable } from "./client";
