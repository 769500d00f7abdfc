import { useQuery } from "@tanstack/react-query";

import { ask, client } from "../../api";

export type Board = NonNullable<ReturnType<typeof useEvidence>["data"]>;
export type Half = Board["halves"][number];
export type Grade = Board["grades"][number];
export type BoardLook = Board["looks"][number];
export type CauseRow = Board["causes"][number];

/** The evidence of one job: the map, the oil's way, looks, causes, what metal went through. */
export function useEvidence(jobId: number) {
  return useQuery({
    queryKey: ["bench", jobId, "evidence"],
    queryFn: () => ask(client.GET("/api/jobs/{job_id}/evidence", { params: { path: { job_id: jobId } } })),
  });
}

/** The strip report as it stands, and those that were sent. */
export function useReports(jobId: number) {
  return useQuery({
    queryKey: ["bench", jobId, "report"],
    queryFn: () => ask(client.GET("/api/jobs/{job_id}/report", { params: { path: { job_id: jobId } } })),
  });
}
