export { type Fact, FactBox, type Kept } from "./factBox";
export { FactsNotice } from "./FactsNotice";
export { askedFirst, type Given, useFacts, usePersonName } from "./useFacts";
