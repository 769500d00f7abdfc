export { StoryPage } from "./StoryPage";
