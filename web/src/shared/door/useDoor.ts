import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";

import { ask, client, Unreachable } from "../../api";
import { keepForReload } from "../lastKnown";
import { type StripTold, withStripChanges } from "./stripChanges";

/** What is asked at the door of every engine. */
export function useTopics() {
  return useQuery({
    queryKey: ["door", "topics"],
    queryFn: () => ask(client.GET("/api/door")),
    staleTime: 60_000,
  });
}

/** What was said at the door of one job. */
export function useDoor(jobId: number) {
  return useQuery({
    queryKey: ["bench", jobId, "door"],
    queryFn: () => ask(client.GET("/api/jobs/{job_id}/door", { params: { path: { job_id: jobId } } })),
  });
}

/** How the looks of one job stand. */
export function useLooksReport(jobId: number) {
  return useQuery({
    queryKey: ["bench", jobId, "looks"],
    queryFn: () => ask(client.GET("/api/jobs/{job_id}/looks", { params: { path: { job_id: jobId } } })),
  });
}

const stripKey = (jobId: number) => ["bench", jobId, "strip"];

/** How the strip of one job stands. Only what changed since it was told last travels. */
export function useStripReport(jobId: number) {
  const queries = useQueryClient();
  const found = useQuery({
    queryKey: stripKey(jobId),
    queryFn: async () => {
      const path = { job_id: jobId };
      const known = queries.getQueryData<StripTold>(stripKey(jobId));
      if (!known?.state) return ask(client.GET("/api/jobs/{job_id}/strip", { params: { path } }));
      try {
        const query = { since: known.state };
        const changed = await ask(
          client.GET("/api/jobs/{job_id}/strip/changes", { params: { path, query } }),
        );
        return withStripChanges(known, changed);
      } catch (error) {
        if (!(error instanceof Unreachable)) throw error;
        return known;
      }
    },
  });
  const { data } = found;
  useEffect(() => (data ? keepForReload(`/api/jobs/${jobId}/strip`, data) : undefined), [data, jobId]);
  return found;
}
