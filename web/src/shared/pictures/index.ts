export { PictureStrip, Small } from "./PictureStrip";
export { PictureView } from "./PictureView";
export { type Picture, usePictures } from "./usePictures";
