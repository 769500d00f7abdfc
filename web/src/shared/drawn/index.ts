export { OverTime } from "./OverTime";
export { SideBySide } from "./SideBySide";
