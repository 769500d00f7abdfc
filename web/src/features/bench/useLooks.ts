import { useMutation } from "@tanstack/react-query";

import type { Schemas } from "../../api";
import { newId } from "../../shared/job";
import { useReport } from "../../shared/queue";

export type Seeing = Omit<Schemas["Seeing"], "fact" | "id" | "at">;

/** Writing down what was seen at the bench. */
export function useLooks(jobId: number) {
  const report = useReport(jobId);
  const see = useMutation({
    mutationFn: (seen: Seeing) =>
      report({ fact: "observation", ...seen, id: newId(), at: new Date().toISOString() }),
  });
  return { see };
}
