import { useQuery } from "@tanstack/react-query";

import { ask, client } from "../../api";

/** The job as a story, oldest line first. */
export function useStory(jobId: number) {
  return useQuery({
    queryKey: ["bench", jobId, "story"],
    queryFn: () => ask(client.GET("/api/jobs/{job_id}/story", { params: { path: { job_id: jobId } } })),
  });
}
