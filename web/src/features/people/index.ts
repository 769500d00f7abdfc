export { PeoplePage } from "./PeoplePage";
