export { BookInPage } from "./BookInPage";
