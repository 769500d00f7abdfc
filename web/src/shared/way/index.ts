export { StopPages } from "./StopPages";
export { STOPS, Way } from "./Way";
