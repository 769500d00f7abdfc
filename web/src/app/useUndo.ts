import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useState } from "react";

import { ask, client, stringOf } from "../api";
import { announce } from "../shared/announce";
import { newId } from "../shared/job";
import { drop, nameOf, useWaiting } from "../shared/queue";

interface Said {
  words: string;
  wrong: boolean;
  /** Whether it can be brought again. */
  again: boolean;
}
type SaidOf = Said & { jobId: number };

/** Alt+Z takes back the last thing this person did on a job and says what; Alt+Shift+Z brings it again. */
export function useUndo(jobId: number) {
  const queries = useQueryClient();
  const { facts } = useWaiting(jobId);
  const [said, setSaid] = useState<SaidOf | null>(null);
  const last = facts.findLast((one) => one.state === "waiting");
  const say = useCallback(
    (one: Said) => {
      setSaid({ ...one, jobId });
      announce(one.words);
    },
    [jobId],
  );
  const { mutate } = useMutation({
    mutationFn: (again: boolean) => {
      const body = { id: newId(), at: new Date().toISOString() };
      const params = { path: { job_id: jobId } };
      return ask(
        again
          ? client.POST("/api/jobs/{job_id}/redo", { params, body })
          : client.POST("/api/jobs/{job_id}/undo", { params, body }),
      );
    },
    onSuccess: ({ words }, again) => {
      say({ words, wrong: false, again: !again });
      return queries.invalidateQueries({ queryKey: ["bench", jobId] });
    },
    onError: (error) => say({ words: stringOf(error), wrong: true, again: false }),
  });
  const back = useCallback(() => {
    if (!last) {
      mutate(false);
      return;
    }
    // What has not gone out yet is the last thing: it never lands.
    drop(nameOf(last));
    say({ words: "Took back what waited to be sent.", wrong: false, again: false });
  }, [last, mutate, say]);
  const again = useCallback(() => mutate(true), [mutate]);
  const seen = useCallback(() => setSaid(null), []);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented || !event.altKey || event.ctrlKey || event.key.toLowerCase() !== "z") return;
      if (document.querySelector('[role="dialog"]')) return;
      event.preventDefault();
      if (event.shiftKey) again();
      else back();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [again, back]);
  // What was said of one job is not said of the next.
  return { said: said?.jobId === jobId ? said : null, back, again, seen };
}
