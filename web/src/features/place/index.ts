export { PlaceDialog } from "./PlaceDialog";
