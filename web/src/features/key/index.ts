export { KeyPage } from "./KeyPage";
