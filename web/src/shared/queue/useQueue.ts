import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useSyncExternalStore } from "react";

import { Refused, type Schemas } from "../../api";
import { announce } from "../announce";
import { knownBench, newId, useKeepChanges } from "../job";
import { Queue, type Shown } from "./queue";
import { type Fact, isFact, isPicture, type Kept, type KeptFact, type KeptPicture, nameOf } from "./record";
import { openWays } from "./ways";

const queue = new Queue(() => openWays(newId()));

/** A fact as a page gives it: its name and time are made here. */
export type Given = Fact extends infer F ? (F extends Fact ? Omit<F, "id" | "at"> : never) : never;

/** The name of the person signed in, as the session says. */
export function usePersonName(): string {
  const session = useQueryClient().getQueryData<Schemas["SessionOut"]>(["session"]);
  return session?.person?.name ?? "";
}

/** The queue as it stands, over all jobs and persons. */
export const useShownQueue = (): Shown => useSyncExternalStore(queue.subscribe, queue.snapshot);

/** The queue follows the session: once, where pages begin. */
export function useQueueOf(person: string, onSessionEnded: () => void): void {
  const queries = useQueryClient();
  const keep = useKeepChanges();
  useEffect(() => {
    queue.heard = {
      landed: (jobId, changed, readings) => {
        if (changed) keep(jobId, changed);
        else void queries.invalidateQueries({ queryKey: ["bench", jobId], exact: true });
        // What is asked for beside the bench may be other now; readings alone change none of it. Where the bench came
        // along, the page asks by what it says.
        if (!readings && !changed)
          void queries.invalidateQueries({ predicate: ({ queryKey }) => isBeside(queryKey, jobId) });
      },
      pictureLanded: (jobId) => void queries.invalidateQueries({ queryKey: ["bench", jobId, "pictures"] }),
      signedOut: onSessionEnded,
      say: announce,
      stateOf: (jobId) => knownBench(queries, jobId)?.state ?? "",
    };
  }, [queries, keep, onSessionEnded]);
  useEffect(() => {
    queue.signedInAs(person);
  }, [person]);
  useEffect(() => {
    const again = () => queue.send();
    window.addEventListener("online", again);
    return () => window.removeEventListener("online", again);
  }, []);
}

/** Whether what is kept under a key is asked for beside the bench of a job. */
export const isBeside = (key: readonly unknown[], jobId: number): boolean =>
  key[0] === "bench" && key[1] === jobId && key.length > 2;

/** For whom and of which job something is made. */
function useMaking(jobId: number): () => { jobId: number; job: string } {
  const queries = useQueryClient();
  return useCallback(() => ({ jobId, job: knownBench(queries, jobId)?.card.number ?? "" }), [queries, jobId]);
}

/** Keep and send without waiting for what becomes of it. */
export function useAdd(jobId: number) {
  const making = useMaking(jobId);
  return useCallback(
    (...made: readonly ({ fact: Fact } | Pick<KeptPicture, "picture" | "file">)[]) =>
      queue.add(making(), ...made),
    [making],
  );
}

/** Report one fact of a job: it lands, or is kept here until it can. Refused, with the server's words, where it is. */
export function useReport(jobId: number): (fact: Fact) => Promise<void> {
  const making = useMaking(jobId);
  return useCallback(
    async (fact) => {
      if ((await queue.tell(making(), fact)) === "kept") announce("Kept here, and sent when it can be.");
    },
    [making],
  );
}

export interface Waiting {
  /** What this person made for this job and the server does not have yet, oldest first. */
  facts: readonly KeptFact[];
  pictures: readonly KeptPicture[];
  /** What each waits behind, by its name. */
  held: ReadonlyMap<string, Kept>;
}

/** What of a person waits for one job. */
export function useWaiting(jobId: number): Waiting {
  const { records, held } = useShownQueue();
  const person = usePersonName();
  return useMemo(() => {
    const mine = records.filter(
      (one) => one.jobId === jobId && one.by === person && one.state !== "recalled",
    );
    return { facts: mine.filter(isFact), pictures: mine.filter(isPicture), held };
  }, [records, held, jobId, person]);
}

/** Facts of one kind that wait to be sent, not those that were refused. */
export function waitingOf<K extends Fact["fact"]>(
  facts: readonly KeptFact[],
  kind: K,
): readonly Extract<Fact, { fact: K }>[] {
  return facts
    .filter((one) => one.fact.fact === kind && one.state !== "refused")
    .map((one) => one.fact as Extract<Fact, { fact: K }>);
}

/** Report facts of a job, one after the other: each lands, or is kept here and sent later. */
export function useFacts(jobId: number) {
  const report = useReport(jobId);
  const waiting = useWaiting(jobId);
  const queries = useQueryClient();
  const tell = useMutation({
    mutationFn: async (given: readonly Given[]) => {
      for (const one of given) await report({ ...one, id: newId(), at: new Date().toISOString() } as Fact);
    },
    // It is told when the page knows what came of it; what is asked for already is not asked for again.
    onSettled: () =>
      queries.invalidateQueries(
        { predicate: ({ queryKey }) => isBeside(queryKey, jobId) && queryKey[2] !== "pictures" },
        { cancelRefetch: false },
      ),
  });
  return { tell, ...waiting, drop, putAway, sendAgain };
}

export const drop = (name: string): void => void queue.drop(name);
export const putAway = (name: string): void => void queue.putAway(name);
export const sendAgain = (name: string): void => queue.sendAgain(name);

/** What a refusal asks for before it can be done: its code, what it says, and each thing in words. */
export function askedFirst(error: unknown): { code: string; says: string; what: readonly string[] } | null {
  if (
    !(error instanceof Refused) ||
    !["mark-first", "look-first", "held", "do-first", "say-why"].includes(error.code)
  )
    return null;
  return { code: error.code, says: error.message, what: error.faults.map((fault) => fault.what) };
}

export { nameOf, queue };
