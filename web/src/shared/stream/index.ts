export { listen } from "./listen";
