export { CustomersPage } from "./CustomersPage";
