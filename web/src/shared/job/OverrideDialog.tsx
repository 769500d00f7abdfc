import { Refused, type Schemas } from "../../api";
import { SaidNotice, useServerForm } from "../forms";
import { Button, Dialog, Field, Pick, TextArea } from "../ui";
import { type Bench, setOf } from "./useBench";
import { useDecisions } from "./useDecisions";
import { useKinds } from "./useKinds";

type Action = Schemas["Action"];

/** A way on that was picked, by its name. */
export interface Picked {
  way: string;
  words: string;
  moves: readonly string[];
}

interface Props {
  bench: Bench;
  set: string;
  open: boolean;
  /** What was picked elsewhere, filled in already. */
  picked?: Picked | undefined;
  onOpenChange: (open: boolean) => void;
}

/** Decide otherwise than the verdict, with the reason that will stand beside it. */
export function OverrideDialog({ bench, set, open, picked, onOpenChange }: Props) {
  const answer = setOf(bench.assessment, set);
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title={picked ? `${answer.name}: ${picked.words.toLowerCase()}` : `${answer.name}: decide otherwise`}
      note={`The verdict is: ${answer.headline}. Both stand on the sheet; what is ordered and the sizes follow yours.`}
    >
      <OverrideForm bench={bench} set={set} picked={picked} onDone={() => onOpenChange(false)} />
    </Dialog>
  );
}

function OverrideForm({
  bench,
  set,
  picked,
  onDone,
}: Pick<Props, "bench" | "set" | "picked"> & { onDone: () => void }) {
  const { decide } = useDecisions(bench.card.id);
  const kind = useKinds().find((one) => set in one.sets);
  const actions = (kind?.actions ?? []) as readonly Action[];
  const sized = (kind?.sized ?? []) as readonly Action[];
  const start: { action: Action | ""; step: string; reason: string; sure: boolean } = {
    action: "",
    step: "",
    reason: "",
    sure: false,
  };
  const { form, field, said, submit, submitWith } = useServerForm(start, async (given) => {
    const action = given.action || null;
    const step = action && sized.includes(action) ? given.step : "";
    const what = picked ? { reason: given.reason, way: picked.way } : { ...given, action, step };
    await decide.mutateAsync({ ...what, kind: "overridden", set });
    onDone();
  });
  const warned = said?.error instanceof Refused && said.error.code === "no-shells";
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4">
      {picked?.moves.map((line) => (
        <p key={line}>{line}.</p>
      ))}
      {!picked && (
        <Pick
          label="What is done instead"
          options={[{ value: "", label: "choose" }, ...actions.map((value) => ({ value, label: value }))]}
          {...field("action")}
        />
      )}
      {sized.includes(form.watch("action") as Action) && (
        <Field
          label={`At which ${(kind?.stepped?.step ?? "size").toLowerCase()}`}
          placeholder={bench.card.entry_unit === "in" ? ".020" : "0.50"}
          {...field("step")}
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
