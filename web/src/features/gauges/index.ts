export { GaugePage } from "./GaugePage";
export { GaugesPage } from "./GaugesPage";
