import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";

import { ask, client, Refused, type Schemas } from "../../api";
import type { Desk } from "./useDesk";

const PAUSE_MS = 160;

/** What the typed text would mean, asked of the server after a short pause. */
export function useDraft(desk: Desk): { data: Schemas["DraftOut"] | undefined; error: string } {
  const [typed, setTyped] = useState("");
  useEffect(() => {
    const timer = window.setTimeout(() => setTyped(desk.text.trim()), PAUSE_MS);
    return () => window.clearTimeout(timer);
  }, [desk.text]);
  const jobId = desk.bench.card.id;
  const { setup } = desk;
  const doubted = desk.again.doubted?.landing;
  const body = {
    part: doubted?.part ?? desk.stop?.part ?? desk.part.id,
    feature: doubted?.feature ?? desk.feature.key,
    spot: doubted?.spot ?? desk.spot ?? "",
    typed,
    unit: setup.unit,
    gauge: doubted?.gauge ?? desk.gauge,
  };
  const settled = typed !== "" && typed === desk.text.trim() && (doubted !== undefined || desk.spot !== null);
  const draft = useQuery({
    queryKey: ["draft", jobId, body],
    queryFn: () =>
      ask(client.POST("/api/jobs/{job_id}/draft", { params: { path: { job_id: jobId } }, body })),
    enabled: settled,
    gcTime: 10_000,
  });
  if (!settled) return { data: undefined, error: "" };
  return { data: draft.data, error: draft.error instanceof Refused ? draft.error.message : "" };
}
