export { CausesKnownPage } from "./CausesKnownPage";
export { KeyPage } from "./KeyPage";
