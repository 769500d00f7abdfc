export { BearingsPage } from "./BearingsPage";
export { CausePage } from "./CausePage";
export { EvidenceLooksPage } from "./EvidenceLooksPage";
export { MetalPage } from "./MetalPage";
export { ReportPage } from "./ReportPage";
