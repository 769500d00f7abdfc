export { LabelsPage } from "./LabelsPage";
export { LeavePage } from "./LeavePage";
export { MarksPage } from "./MarksPage";
export { OpenPage } from "./OpenPage";
export { PicturesPage } from "./PicturesPage";
export { StripPage } from "./StripPage";
