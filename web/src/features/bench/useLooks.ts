import { useMutation } from "@tanstack/react-query";

import { newId, type Seen } from "../../shared/job";
import { useReport } from "../../shared/queue";

/** Writing down what was seen at the bench. */
export function useLooks(jobId: number) {
  const report = useReport(jobId);
  const see = useMutation({
    mutationFn: (seen: Seen) => report({ ...seen, id: newId(), at: new Date().toISOString() }),
  });
  return { see };
}
