export { MAKER_FIRST } from "./cautions";
export { DecideBar } from "./DecideBar";
export { OverrideDialog, type Picked } from "./OverrideDialog";
export { PlanChoice, planOf, plansFor, planValue } from "./PlanChoice";
export { useAskedPart, useToBench } from "./askedPart";
export { PlaceLink } from "./PlaceLink";
export { ScopeChoice } from "./ScopeChoice";
export {
  type Bench,
  type Changed,
  knownBench,
  type Part,
  setOf,
  type SetReport,
  useBench,
  useKeepBench,
  useKeepChanges,
} from "./useBench";
export { type FeatureKind, type Kind, placeWords, setName, useKinds, type Words } from "./useKinds";
export { newId, useDecisions } from "./useDecisions";
export { type Seen, seenAs } from "./seenAs";
export { Notices } from "./Notices";
export { useStandings } from "./useStandings";
export { WaiveDialog, type Waiving } from "./WaiveDialog";
export { useStory } from "./useStory";
