import { useMemo } from "react";

import type { Schemas } from "../../api";
import { drop, type KeptFact, queue, useAdd, useShownQueue, useWaiting } from "../../shared/queue";

export type Landing = Omit<Schemas["Landing"], "fact">;

/** A reading on its way: waiting to be sent, asked about, or refused. It stays until it has landed. */
export interface Parcel {
  landing: Landing;
  state: "waiting" | "asked" | "refused";
  question: Schemas["AskedOut"] | null;
  message: string;
}

const parcels = (facts: readonly KeptFact[]): readonly Parcel[] =>
  facts.flatMap(({ fact, state, question, message }) =>
    fact.fact === "reading" && state !== "recalled" ? [{ landing: fact, state, question, message }] : [],
  );

/** The readings of one job that wait in this browser, and what is done with them. */
export function useReadings(jobId: number) {
  const { facts } = useWaiting(jobId);
  const { conflicts } = useShownQueue();
  const add = useAdd(jobId);
  const mine = useMemo(() => parcels(facts), [facts]);
  return {
    mine,
    conflicts,
    /** What waits at this moment, also what was added since the page was drawn. */
    now: (): readonly Parcel[] => parcels(queue.factsOf(jobId)),
    add: (...landings: readonly Landing[]) =>
      add(...landings.map((landing) => ({ fact: { fact: "reading" as const, ...landing } }))),
    choose: (id: string, nm: number) => queue.choose(id, nm),
    drop,
    putConflictsAway: () => queue.putConflictsAway(),
  };
}
