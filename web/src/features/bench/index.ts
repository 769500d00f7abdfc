export { BenchPage } from "./Page";
