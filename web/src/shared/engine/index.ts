export { EngineAlong } from "./EngineAlong";
export { EngineFront } from "./EngineFront";
export { type Group, type Shape, StandsKey } from "./groups";
