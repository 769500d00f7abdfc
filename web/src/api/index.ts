export { ask, client, Refused, type Schemas, stringOf, Unreachable } from "./client";
