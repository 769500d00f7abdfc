import { Refused, type Schemas } from "../../api";
import { SaidNotice, useServerForm } from "../forms";
import { Button, Dialog, Field, Pick, TextArea } from "../ui";
import { type Bench, setAnswerOf } from "./useBench";
import { useDecisions } from "./useDecisions";

type Action = Schemas["Action"];
const ACTIONS: readonly Action[] = ["reuse", "polish", "fit undersize", "regrind", "refer", "replace"];
const SIZED: readonly Action[] = ["regrind", "fit undersize", "reuse"];

interface Props {
  bench: Bench;
  set: "mains" | "rods";
  open: boolean;
  onOpenChange: (open: boolean) => void;
}

/** Decide otherwise than the verdict, with the reason that will stand beside it. */
export function OverrideDialog({ bench, set, open, onOpenChange }: Props) {
  const answer = setAnswerOf(bench, set);
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title={`${answer.name}: decide otherwise`}
      note={`The verdict is: ${answer.headline}. Both stand on the sheet; shells and sizes follow yours.`}
    >
      <OverrideForm bench={bench} set={set} onDone={() => onOpenChange(false)} />
    </Dialog>
  );
}

function OverrideForm({ bench, set, onDone }: Pick<Props, "bench" | "set"> & { onDone: () => void }) {
  const { decide } = useDecisions(bench.card.id);
  const start = { action: "regrind" as Action, undersize: "", reason: "", sure: false };
  const { form, field, said, submit, submitWith } = useServerForm(start, async (given) => {
    const undersize = SIZED.includes(given.action) ? given.undersize : "";
    await decide.mutateAsync({ ...given, undersize, kind: "overridden", set });
    onDone();
  });
  const warned = said?.error instanceof Refused && said.error.code === "no-shells";
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4">
      <Pick
        label="What is done instead"
        options={ACTIONS.map((value) => ({ value, label: value }))}
        {...field("action")}
      />
      {SIZED.includes(form.watch("action")) && (
        <Field
          label="At which undersize"
          placeholder={bench.card.entry_unit === "in" ? ".020" : "0.50"}
          {...field("undersize")}
        />
      )}
      <TextArea label="Why" {...field("reason")} />
      <SaidNotice said={said} />
      {warned && (
        <Button onClick={(event) => void submitWith((values) => ({ ...values, sure: true }))(event)}>
          Write it down all the same
        </Button>
      )}
      <Button kind="strong" type="submit" disabled={decide.isPending}>
        Write it down
      </Button>
    </form>
  );
}
