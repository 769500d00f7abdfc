import type { Schemas } from "../../api";
import { SaidNotice, useServerForm } from "../forms";
import { Button, Dialog, TextArea } from "../ui";
import type { Bench, Journal } from "./useBench";
import { useDecisions } from "./useDecisions";

/** What is waived: the readings of a journal, or the housing of a shell that turned. */
export interface Waiving {
  journal: Journal;
  about: Schemas["Waived"];
}

interface Props {
  bench: Bench;
  waiving: Waiving | undefined;
  onClose: () => void;
}

const NOTES: Record<Schemas["Waived"], string> = {
  readings:
    "It is not read, stays in the engine and gets shells with its set. The reason stands on the sheet.",
  housing: "Its housing is not measured. The reason stands on the sheet.",
};

/** Waive what will not be measured, with the reason. */
export function WaiveDialog({ bench, waiving, onClose }: Props) {
  return (
    <Dialog
      open={waiving !== undefined}
      onOpenChange={onClose}
      title={`Waive ${waiving?.about === "housing" ? "the housing of " : ""}${waiving?.journal.short_name ?? ""}`}
      note={NOTES[waiving?.about ?? "readings"]}
    >
      {waiving && <WaiveForm bench={bench} waiving={waiving} onDone={onClose} />}
    </Dialog>
  );
}

function WaiveForm({ bench, waiving, onDone }: { bench: Bench; waiving: Waiving; onDone: () => void }) {
  const { decide } = useDecisions(bench.card.id);
  const { field, said, submit } = useServerForm({ reason: "" }, async ({ reason }) => {
    const { journal, about } = waiving;
    await decide.mutateAsync({ kind: "waived", set: journal.set, journal: journal.id, about, reason });
    onDone();
  });
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4">
      <TextArea label="Why it is not measured" {...field("reason")} />
      <SaidNotice said={said} />
      <Button kind="strong" type="submit">
        Waive it
      </Button>
    </form>
  );
}
