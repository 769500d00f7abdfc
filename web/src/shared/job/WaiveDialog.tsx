import type { Schemas } from "../../api";
import { SaidNotice, useServerForm } from "../forms";
import { Button, Dialog, TextArea } from "../ui";
import type { Bench, Part } from "./useBench";
import { useDecisions } from "./useDecisions";

/** What is waived: the readings of a part, or what else it waits for. */
export interface Waiving {
  part: Part;
  about: Schemas["Waived"];
}

interface Props {
  bench: Bench;
  waiving: Waiving | undefined;
  onClose: () => void;
}

const NOTES: Record<Schemas["Waived"], string> = {
  readings:
    "It is not read, stays in the engine and goes the way of its set. The reason stands on the sheet.",
  housing: "Its housing is not measured. The reason stands on the sheet.",
  "piston clearance": "Its piston is not measured. The reason stands on the sheet.",
};
const WHAT: Record<Schemas["Waived"], string> = {
  readings: "",
  housing: "the housing of ",
  "piston clearance": "the piston clearance of ",
};

/** Waive what will not be measured, with the reason. */
export function WaiveDialog({ bench, waiving, onClose }: Props) {
  return (
    <Dialog
      open={waiving !== undefined}
      onOpenChange={onClose}
      title={`Waive ${WHAT[waiving?.about ?? "readings"]}${waiving?.part.short_name ?? ""}`}
      note={NOTES[waiving?.about ?? "readings"]}
    >
      {waiving && <WaiveForm bench={bench} waiving={waiving} onDone={onClose} />}
    </Dialog>
  );
}

function WaiveForm({ bench, waiving, onDone }: { bench: Bench; waiving: Waiving; onDone: () => void }) {
  const { decide } = useDecisions(bench.card.id);
  const { field, said, submit } = useServerForm({ reason: "" }, async ({ reason }) => {
    const { part, about } = waiving;
    await decide.mutateAsync({ kind: "waived", set: part.set, part: part.id, about, reason });
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
