export { FileDrop } from "./FileDrop";
export { tableOf } from "./tableOf";
export { useDropped } from "./dropped";
export { isZip, sentAs } from "./upload";
export { MadeFile } from "./MadeFile";
