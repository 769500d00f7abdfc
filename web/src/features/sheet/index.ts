export { GrindingPage } from "./GrindingPage";
export { SheetPage } from "./SheetPage";
export { WaysPage } from "./WaysPage";
