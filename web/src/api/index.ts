export { ask, client, onAnswer, Refused, type Schemas, stringOf, Unreachable } from "./client";
