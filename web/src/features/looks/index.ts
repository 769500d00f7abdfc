export { LooksPage } from "./LooksPage";
