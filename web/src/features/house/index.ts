export { LookTablePage } from "./LookTablePage";
export { HousePage } from "./HousePage";
