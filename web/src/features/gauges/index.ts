export { GaugesPage } from "./GaugesPage";
