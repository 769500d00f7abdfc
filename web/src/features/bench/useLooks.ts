import { useMutation, useQuery } from "@tanstack/react-query";

import { ask, client, type Schemas } from "../../api";
import { newId, useKeepBench } from "../../shared/job";

export type Seeing = Omit<Schemas["Seeing"], "id" | "at">;

/** What can be seen at the bench, and writing it down. */
export function useLooks(jobId: number) {
  const keep = useKeepBench();
  const key = useQuery({
    queryKey: ["key"],
    queryFn: () => ask(client.GET("/api/key")),
    staleTime: Infinity,
  });
  const see = useMutation({
    mutationFn: (seen: Seeing) =>
      ask(
        client.POST("/api/jobs/{job_id}/observations", {
          params: { path: { job_id: jobId } },
          body: { ...seen, id: newId(), at: new Date().toISOString() },
        }),
      ),
    onSuccess: keep,
  });
  return { looks: key.data?.looks ?? [], see };
}
