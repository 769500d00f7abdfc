export { EnginePage } from "./EnginePage";
export { LabelsPage } from "./LabelsPage";
export { LeavePage } from "./LeavePage";
export { MarksPage } from "./MarksPage";
export { OpenPage } from "./OpenPage";
export { OtherWayPage } from "./OtherWayPage";
export { PicturesPage } from "./PicturesPage";
export { StripPage } from "./StripPage";
