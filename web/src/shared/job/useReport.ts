import { useQueryClient } from "@tanstack/react-query";
import { useCallback } from "react";

import { ask, client, Refused, type Schemas } from "../../api";
import { knownBench, useKeepChanges } from "./useBench";

export type Fact = Schemas["FactsIn"]["facts"][number];

/** Report one fact of a job, and keep what changed by it. Refused, with the server's words, where it is. */
export function useReport(jobId: number): (fact: Fact) => Promise<void> {
  const queries = useQueryClient();
  const keep = useKeepChanges();
  return useCallback(
    async (fact) => {
      const answer = await ask(
        client.POST("/api/jobs/{job_id}/facts", {
          params: { path: { job_id: jobId } },
          body: { have: knownBench(queries, jobId)?.state ?? "", facts: [fact] },
        }),
      );
      keep(jobId, answer.changed);
      const [became] = answer.results;
      if (became?.refused) throw new Refused(422, became.code, became.refused, became.faults);
    },
    [jobId, keep, queries],
  );
}
