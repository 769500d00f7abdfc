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
  const looks = (kind?.looks ?? []).filter(
    ({ look, sound_by_eye }) =>
      sound_by_eye !== "" &&
      part.unseen.includes(look) &&
      !waiting.some((one) => one.look === look && one.on === part.id),
  );
  const say = () => {
    for (const { look, sound_by_eye } of bench.card.signed ? [] : looks) {
      see.mutate(seenAs(part.id, look, sound_by_eye, { by_one_key: true }));
    }
  };
  return { looks, say, error: see.error };
}
