export { MAKER_FIRST } from "./cautions";
export { DecideBar } from "./DecideBar";
export { PlanChoice, planOf, PLANS, planValue } from "./PlanChoice";
export { type Bench, type Journal, setAnswerOf, useBench, useKeepBench } from "./useBench";
export { newId, useDecisions } from "./useDecisions";
export { useStandings } from "./useStandings";
export { WaiveDialog, type Waiving } from "./WaiveDialog";
