export { LimitsPages } from "./LimitsPages";
