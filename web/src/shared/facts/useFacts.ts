import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useEffect, useSyncExternalStore } from "react";

import { Refused, type Schemas, Unreachable } from "../../api";
import { announce } from "../announce";
import { newId, useReport } from "../job";
import { type Fact, FactBox } from "./factBox";

const box = new FactBox();
/** A fact as a page gives it: its name and time are made here. */
export type Given = Fact extends infer F ? (F extends Fact ? Omit<F, "id" | "at"> : never) : never;

/** The name of the person signed in, as the session says. */
export function usePersonName(): string {
  const session = useQueryClient().getQueryData<Schemas["SessionOut"]>(["session"]);
  return session?.person?.name ?? "";
}

/** Report facts of a job: sent at once; kept in this browser and sent later where the server is away. */
export function useFacts(jobId: number) {
  const queries = useQueryClient();
  const report = useReport(jobId);
  const person = usePersonName();
  const kept = useSyncExternalStore(box.subscribe, box.snapshot);
  useEffect(() => {
    box.person = person;
    box.onLanded = (id) => void queries.invalidateQueries({ queryKey: ["bench", id] });
    void box.send();
  }, [person, queries]);
  const tell = useMutation({
    mutationFn: async (given: readonly Given[]) => {
      for (const one of given) {
        const fact = { ...one, id: newId(), at: new Date().toISOString() } as Fact;
        if (box.waits(jobId)) {
          box.add(jobId, fact);
          continue;
        }
        try {
          await report(fact);
        } catch (error) {
          if (!(error instanceof Unreachable)) throw error;
          box.add(jobId, fact);
          announce("Kept here, and sent when the server is back.");
        }
      }
    },
    onSettled: () =>
      queries.invalidateQueries({
        predicate: ({ queryKey }) => queryKey[0] === "bench" && queryKey[1] === jobId && queryKey.length > 2,
      }),
  });
  const mine = kept.filter((one) => one.jobId === jobId && one.by === person);
  return { tell, kept: mine, putAway: (id: string) => box.drop(id) };
}

/** What a refusal asks for before it can be done: its code, and each thing in words. */
export function askedFirst(error: unknown): { code: string; what: readonly string[] } | null {
  if (!(error instanceof Refused) || !["mark-first", "look-first"].includes(error.code)) return null;
  return { code: error.code, what: error.faults.map((fault) => fault.what) };
}
