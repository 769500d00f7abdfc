import { useQuery } from "@tanstack/react-query";

import { ask, client } from "../../api";

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

/** How the strip of one job stands. */
export function useStripReport(jobId: number) {
  return useQuery({
    queryKey: ["bench", jobId, "strip"],
    queryFn: () => ask(client.GET("/api/jobs/{job_id}/strip", { params: { path: { job_id: jobId } } })),
  });
}
