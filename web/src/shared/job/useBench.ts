import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback } from "react";

import { ask, client, type Schemas } from "../../api";

export type Bench = Schemas["BenchOut"];
export type Part = Schemas["PartReport"];
export type SetReport = Schemas["SetReport"];

/** The bench of a job, fresh every few seconds: another bench may be reading the same engine. */
export function useBench(jobId: number) {
  return useQuery({
    queryKey: ["bench", jobId],
    queryFn: () => ask(client.GET("/api/jobs/{job_id}", { params: { path: { job_id: jobId } } })),
    refetchInterval: 5_000,
  });
}

/** Keep a bench that a change has just answered with. */
export function useKeepBench(): (bench: Bench) => void {
  const queries = useQueryClient();
  return useCallback(
    (bench) => {
      void queries.cancelQueries({ queryKey: ["bench", bench.card.id] });
      queries.setQueryData(["bench", bench.card.id], bench);
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
