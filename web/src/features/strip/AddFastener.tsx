import type { Schemas } from "../../api";
import type { useFacts } from "../../shared/queue";
import { SaidNotice, useServerForm } from "../../shared/forms";
import { Button, Field, Pick } from "../../shared/ui";

const KINDS: readonly Schemas["FastenerKind"][] = ["reusable", "one use", "stretch bolt"];
const STATES: readonly Schemas["FastenerState"][] = [
  "right",
  "hole found empty",
  "broken",
  "wrong length",
  "thread or shank damaged",
];
const START = {
  place: "",
  kind: "reusable",
  state: "right",
  count: "1",
  uses: "",
  new_length: "",
  length: "",
  gauge: "",
};

interface Props {
  gauges: readonly Schemas["BenchGauge"][];
  facts: ReturnType<typeof useFacts>;
}

/** A fastener, or a group alike, by its place: how often it may be used, and how it was found. */
export function AddFastener({ gauges, facts }: Props) {
  const { form, field, said, submit } = useServerForm(
    START,
    async (given) => {
      await facts.tell.mutateAsync([
        {
          fact: "fastener",
          place: given.place,
          kind: KINDS.find((one) => one === given.kind) ?? "reusable",
          state: STATES.find((one) => one === given.state) ?? "right",
          count: Number(given.count) || 1,
          uses: given.uses === "" ? null : Number(given.uses),
          new_length: given.new_length,
          length: given.length,
          gauge: given.gauge,
          note: "",
        },
      ]);
    },
    { next: () => START },
  );
  const kind = form.watch("kind");
  const empty = form.watch("state") === "hole found empty";
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-2">
      <Field label="Place" placeholder="bell housing, lower left" {...field("place")} />
      <Pick
        label="How it was found"
        options={STATES.map((value) => ({ value, label: value }))}
        {...field("state")}
      />
      {!empty && (
        <div className="grid grid-cols-3 gap-2 max-sm:grid-cols-1">
          <Pick label="Kind" options={KINDS.map((value) => ({ value, label: value }))} {...field("kind")} />
          <Field label="How many alike" type="number" min={1} max={200} {...field("count")} />
          <Field
            label="Tightened so often"
            type="number"
            min={0}
            max={100}
            placeholder="not known"
            {...field("uses")}
          />
        </div>
      )}
      {kind === "stretch bolt" && !empty && (
        <div className="grid grid-cols-3 gap-2 max-sm:grid-cols-1">
          <Field label="Free length new" placeholder="2.2500" {...field("new_length")} />
          <Field label="Free length now" placeholder="2.2504" {...field("length")} />
          <Pick
            label="Read with"
            options={[
              { value: "", label: "no gauge named" },
              ...gauges.map((one) => ({ value: one.id, label: one.name })),
            ]}
            {...field("gauge")}
          />
        </div>
      )}
      <SaidNotice said={said} />
      <Button kind="strong" type="submit">
        Write it down
      </Button>
    </form>
  );
}
