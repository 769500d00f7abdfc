import { useQuery } from "@tanstack/react-query";
import { useSearchParams } from "react-router";

import { ask, client } from "../../api";
import { Dialog, Faults } from "../../shared/ui";
import { Card } from "./Card";

/** The card of a place, laid over whichever page its name was pressed on. Its address names it, so that it can be
 * sent to somebody. */
export function PlaceDialog({ jobId, disabled }: { jobId: number; disabled: boolean }) {
  const [params, setParams] = useSearchParams();
  const place = params.get("place") ?? "";
  const close = () =>
    setParams(
      (before) => {
        before.delete("place");
        return before;
      },
      { preventScrollReset: true },
    );
  const card = useQuery({
    queryKey: ["bench", jobId, "place", place],
    queryFn: () =>
      ask(client.GET("/api/jobs/{job_id}/places/{place}", { params: { path: { job_id: jobId, place } } })),
    enabled: place !== "",
  });
  return (
    <Dialog
      open={place !== ""}
      onOpenChange={(open) => !open && close()}
      title={card.data?.name ?? "Card"}
      wide
    >
      <Faults error={card.error} />
      {card.data && <Card jobId={jobId} card={card.data} disabled={disabled} />}
    </Dialog>
  );
}
