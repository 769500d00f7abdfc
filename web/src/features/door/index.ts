export { DoorPage } from "./DoorPage";
