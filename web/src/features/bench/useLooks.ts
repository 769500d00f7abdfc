import { useMutation } from "@tanstack/react-query";

import { newId, type Seen, seenAs } from "../../shared/job";
import { useReport, useWaiting, waitingOf } from "../../shared/queue";
import type { Desk } from "./useDesk";

/** Writing down what was seen at the bench. */
export function useLooks(jobId: number) {
  const report = useReport(jobId);
  const see = useMutation({
    mutationFn: (seen: Seen) => report({ ...seen, id: newId(), at: new Date().toISOString() }),
  });
  return { see };
}

/** One key: eye and nail find nothing on the part in hand, of those looks that nobody has taken. */
export function useOneKey({ part, kind, bench }: Pick<Desk, "part" | "kind" | "bench">) {
  const { see } = useLooks(bench.card.id);
  const waiting = waitingOf(useWaiting(bench.card.id).facts, "seen");
  const looks = part.one_key.filter((key) => !waiting.some((one) => one.look === key && one.on === part.id));
  const say = () => {
    for (const look of bench.card.signed ? [] : looks) {
      const answer = kind?.looks.find((one) => one.look === look)?.sound_by_eye;
      if (answer) see.mutate(seenAs(part.id, look, answer, { by_one_key: true }));
    }
  };
  return { looks, say, error: see.error };
}
