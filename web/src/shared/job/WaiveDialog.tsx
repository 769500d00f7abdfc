import { type SyntheticEvent, useState } from "react";

import { Refused } from "../../api";
import { Button, Dialog, Faults, TextArea } from "../ui";
import type { Bench, Journal } from "./useBench";
import { useDecisions } from "./useDecisions";

interface Props {
  bench: Bench;
  journal: Journal | undefined;
  onClose: () => void;
}

/** Waive a journal that will not be read, with the reason. */
export function WaiveDialog({ bench, journal, onClose }: Props) {
  const [reason, setReason] = useState("");
  const { decide } = useDecisions(bench.card.id);
  const refused = decide.error instanceof Refused ? decide.error : null;
  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    if (!journal) return;
    decide.mutate(
      { kind: "waived", set: journal.set, journal: journal.id, undersize: "", reason },
      {
        onSuccess: () => {
          setReason("");
          onClose();
        },
      },
    );
  };
  return (
    <Dialog
      open={journal !== undefined}
      onOpenChange={onClose}
      title={`Waive ${journal?.short_name ?? ""}`}
      note="It is not read, and the set is decided without it. The reason stands on the sheet."
    >
      <form onSubmit={submit} className="flex flex-col gap-4">
        <TextArea
          label="Why it is not read"
          value={reason}
          fault={refused?.at("reason")}
          onChange={(event) => setReason(event.target.value)}
        />
        {!refused?.faults.length && <Faults error={decide.error} />}
        <Button kind="strong" type="submit">
          Waive it
        </Button>
      </form>
    </Dialog>
  );
}
