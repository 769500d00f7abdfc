import { type QueryClient, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect } from "react";

import { ask, client, type Schemas, Unreachable } from "../../api";
import { heard } from "../away";
import { keepForReload } from "../lastKnown";
import { withChanges } from "./changes";

export type Bench = Schemas["BenchOut"];
export type Part = Schemas["PartReport"];
export type SetReport = Schemas["SetReport"];
export type Changed = Schemas["ChangedOut"];

const keyOf = (jobId: number) => ["bench", jobId];
export const knownBench = (queries: QueryClient, jobId: number) => queries.getQueryData<Bench>(keyOf(jobId));

/** The bench of a job, fresh every few seconds: another bench may be reading the same engine. Only what changed since
 * it was told last travels. */
export function useBench(jobId: number) {
  const queries = useQueryClient();
  const found = useQuery({
    queryKey: keyOf(jobId),
    queryFn: async () => {
      const path = { job_id: jobId };
      const known = knownBench(queries, jobId);
      if (!known) return ask(client.GET("/api/jobs/{job_id}", { params: { path } }));
      try {
        const query = { since: known.state };
        const changed = await ask(client.GET("/api/jobs/{job_id}/changes", { params: { path, query } }));
        return withChanges(knownBench(queries, jobId) ?? known, changed);
      } catch (error) {
        if (!(error instanceof Unreachable)) throw error;
        const since = queries.getQueryState(keyOf(jobId))?.dataUpdatedAt ?? Date.now();
        heard(new Date(since).toUTCString());
        return known;
      }
    },
    refetchInterval: 5_000,
  });
  const { data } = found;
  useEffect(() => (data ? keepForReload(`/api/jobs/${data.card.id}`, data) : undefined), [data]);
  return found;
}

/** Keep a bench that a change has just answered with. */
export function useKeepBench(): (bench: Bench) => void {
  const queries = useQueryClient();
  return useCallback(
    (bench) => {
      void queries.cancelQueries({ queryKey: keyOf(bench.card.id) });
      queries.setQueryData(keyOf(bench.card.id), bench);
    },
    [queries],
  );
}

/** Keep what changed of a bench, as facts that landed were answered with. */
export function useKeepChanges(): (jobId: number, changed: Changed) => void {
  const queries = useQueryClient();
  return useCallback(
    (jobId, changed) => {
      void queries.cancelQueries({ queryKey: keyOf(jobId) });
      const known = knownBench(queries, jobId);
      if (known ?? changed.whole) queries.setQueryData(keyOf(jobId), withChanges(known, changed));
    },
    [queries],
  );
}

/** What is said of one set. Every part in scope has its set there. */
export function setOf(found: Schemas["Assessment"], set: string): SetReport {
  const report = found.sets.find((one) => one.set === set);
  if (!report) throw new Error(`nothing is said of the ${set}`);
  return report;
}
