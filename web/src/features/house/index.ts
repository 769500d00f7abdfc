export { LookTablePage } from "./LookTablePage";
export { ShopPage } from "./ShopPage";
export { HousePage } from "./HousePage";
