import { useMutation } from "@tanstack/react-query";

import { ask, client, type Schemas } from "../../api";
import { newId, useKeepBench } from "../../shared/job";

export type Seeing = Omit<Schemas["Seeing"], "id" | "at">;

/** Writing down what was seen at the bench. */
export function useLooks(jobId: number) {
  const keep = useKeepBench();
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
  return { see };
}
