import type { Bench } from "../../shared/job";
import { StopPages } from "../../shared/way";

/** The pages of the sheet of a job that judges a crank: the sheet itself, the ways on, the grinder's card. */
export function SheetTabs({ bench }: { bench: Bench }) {
  const at = (end: string) => `/jobs/${bench.card.id}/sheet${end}`;
  return (
    <StopPages
      name="Sheet"
      pages={[
        { to: at(""), name: "Decision sheet" },
        { to: at("/ways"), name: "Ways on" },
        { to: at("/grinding"), name: "Grinder’s card" },
      ]}
    />
  );
}

/** Whether a job judges journals: only then are there ways on for them, and a card. */
export const hasJournals = (bench: Bench): boolean =>
  bench.assessment.sets.some((one) => one.kind === "journal");
