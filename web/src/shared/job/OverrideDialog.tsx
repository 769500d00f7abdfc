import { type SyntheticEvent, useState } from "react";

import { Refused, type Schemas } from "../../api";
import { Button, Choice, Dialog, Faults, Field, TextArea } from "../ui";
import { type Bench, setAnswerOf } from "./useBench";
import { useDecisions } from "./useDecisions";

type Action = Schemas["Action"];
const ACTIONS: readonly Action[] = ["reuse", "polish", "fit undersize", "regrind", "refer", "replace"];

interface Props {
  bench: Bench;
  set: "mains" | "rods";
  open: boolean;
  onOpenChange: (open: boolean) => void;
}

/** Decide otherwise than the verdict, with the reason that will stand beside it. */
export function OverrideDialog({ bench, set, open, onOpenChange }: Props) {
  const [action, setAction] = useState<Action>("regrind");
  const [undersize, setUndersize] = useState("");
  const [reason, setReason] = useState("");
  const { decide } = useDecisions(bench.card.id);
  const answer = setAnswerOf(bench, set);
  const refused = decide.error instanceof Refused ? decide.error : null;
  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    decide.mutate(
      { kind: "overridden", set, journal: "", action, undersize, reason },
      { onSuccess: () => onOpenChange(false) },
    );
  };
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title={`${answer.name}: decide otherwise`}
      note={`The verdict is: ${answer.headline}. Both stand on the sheet.`}
    >
      <form onSubmit={submit} className="flex flex-col gap-4">
        <Choice
          label="What is done instead"
          value={action}
          options={ACTIONS.map((value) => ({ value, label: value }))}
          onChange={setAction}
          fault={refused?.at("action")}
        />
        {(action === "regrind" || action === "fit undersize") && (
          <Field
            label="To which undersize"
            placeholder={bench.card.entry_unit === "in" ? ".020" : "0.50"}
            value={undersize}
            fault={refused?.at("undersize")}
            onChange={(event) => setUndersize(event.target.value)}
          />
        )}
        <TextArea
          label="Why"
          value={reason}
          fault={refused?.at("reason")}
          onChange={(event) => setReason(event.target.value)}
        />
        {!refused?.faults.length && <Faults error={decide.error} />}
        <Button kind="strong" type="submit" disabled={decide.isPending}>
          Write it down
        </Button>
      </form>
    </Dialog>
  );
}
