import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client, Refused, type Schemas } from "../../api";
import { useKeepBench } from "../../shared/job";
import { Button, Chip, Choice, Dialog, Faults, Field, Notice } from "../../shared/ui";

type Edits = Schemas["StripEdits"];
type Reach = Schemas["ForWhom"];
const OF: Record<Reach, "engine" | "description" | "all"> = {
  "this engine": "engine",
  "every engine of this description": "description",
  "every engine": "all",
};
const NONE: Edits = { own: [], moved: [], texts: {}, minutes: {} };

interface Props {
  jobId: number;
  report: Schemas["StripTold"];
  /** The step in hand: it is the one that is changed. */
  at: string;
  onClose: () => void;
}

/** Changes in the strip list: other words, other minutes, another place for the step in hand, a step of one's own. */
export function ChangeListDialog({ jobId, report, at, onClose }: Props) {
  const path = { path: { job_id: jobId } };
  const found = useQuery({
    queryKey: ["bench", jobId, "strip-edits"],
    queryFn: () => ask(client.GET("/api/jobs/{job_id}/strip/edits", { params: path })),
  });
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Change the list" wide>
      <Faults error={found.error} />
      {found.data && (
        <Changes key={at} jobId={jobId} report={report} at={at} known={found.data} onClose={onClose} />
      )}
    </Dialog>
  );
}

function Changes({ jobId, report, at, known, onClose }: Props & { known: Schemas["EditsOut"] }) {
  const step = report.steps.find((one) => one.id === at) ?? report.steps[0];
  const [reach, setReach] = useState<Reach>(known.may[0] ?? "this engine");
  const before = known[OF[reach]];
  const [text, setText] = useState(step?.text ?? "");
  const [minutes, setMinutes] = useState(String(step?.minutes ?? 5));
  const [after, setAfter] = useState("");
  const [own, setOwn] = useState("");
  const [ownMinutes, setOwnMinutes] = useState("5");
  const keep = useKeepBench();
  const queries = useQueryClient();
  const change = useMutation({
    mutationFn: (body: Schemas["EditingStrip"]) =>
      ask(client.PUT("/api/jobs/{job_id}/strip/edits", { params: { path: { job_id: jobId } }, body })),
    onSuccess: (bench) => {
      keep(bench);
      void queries.invalidateQueries({ queryKey: ["bench", jobId] });
      onClose();
    },
  });
  if (!step) return null;
  if (known.may.length === 0)
    return <Notice>Only a machinist or an owner changes the list. Ask one to, or change person.</Notice>;
  const next = (): Edits => {
    const words = text.trim() && text.trim() !== step.text ? { [step.id]: text.trim() } : {};
    const time = Number(minutes) !== step.minutes && minutes !== "" ? { [step.id]: Number(minutes) } : {};
    const moved = after ? [{ step: step.id, after }] : [];
    const added = own.trim()
      ? [
          {
            id: ownName(own, report),
            text: own.trim(),
            minutes: Number(ownMinutes) || 0,
            after: step.id,
            before: null,
            hint: "",
            tools: "",
          },
        ]
      : [];
    return {
      own: [...before.own, ...added],
      moved: [...before.moved.filter((one) => !after || one.step !== step.id), ...moved],
      texts: { ...before.texts, ...words },
      minutes: { ...before.minutes, ...time },
    };
  };
  const without = (): Edits => ({
    own: before.own.filter((one) => one.id !== step.id),
    moved: before.moved.filter((one) => one.step !== step.id),
    texts: Object.fromEntries(Object.entries(before.texts).filter(([id]) => id !== step.id)),
    minutes: Object.fromEntries(Object.entries(before.minutes).filter(([id]) => id !== step.id)),
  });
  const changed = JSON.stringify(without()) !== JSON.stringify({ ...NONE, ...before });
  const spoils = change.error instanceof Refused && change.error.code === "would-spoil" ? change.error : null;
  const places = report.steps.filter((one) => one.id !== step.id);
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        change.mutate({ reach, edits: next(), sure: spoils !== null });
      }}
    >
      <div role="group" aria-label="For whom" className="flex flex-wrap gap-2">
        {known.may.map((one) => (
          <Chip key={one} chosen={reach === one} onClick={() => setReach(one)}>
            {OF[one] === "description" ? `every ${known.described_as.replace(/ revision \d+$/, "")}` : one}
          </Chip>
        ))}
      </div>
      <div className="grid grid-cols-[1fr_8rem] gap-3">
        <Field
          label="The step, in your own words"
          value={text}
          maxLength={200}
          onChange={(event) => setText(event.target.value)}
        />
        <Field
          label="Minutes"
          type="number"
          min={0}
          max={3000}
          className="figure"
          value={minutes}
          onChange={(event) => setMinutes(event.target.value)}
        />
      </div>
      <Choice
        label="Do it right after"
        value={after}
        options={[
          { value: "", label: "as the rules have it" },
          ...places.map((one) => ({ value: one.id, label: one.text })),
        ]}
        onChange={setAfter}
      />
      <div className="grid grid-cols-[1fr_8rem] gap-3 border-t border-line pt-3">
        <Field
          label="A step of your own, right after this one"
          value={own}
          maxLength={200}
          onChange={(event) => setOwn(event.target.value)}
        />
        <Field
          label="Minutes of it"
          type="number"
          min={0}
          max={3000}
          className="figure"
          value={ownMinutes}
          onChange={(event) => setOwnMinutes(event.target.value)}
        />
      </div>
      <Faults error={change.error} />
      <div className="flex flex-wrap gap-3">
        <Button kind="strong" type="submit" disabled={change.isPending}>
          {spoils ? "Keep it all the same" : "Keep"}
        </Button>
        {changed && (
          <Button onClick={() => change.mutate({ reach, edits: without(), sure: true })}>
            {step.own ? "Take this step out" : "As the program has it"}
          </Button>
        )}
      </div>
    </form>
  );
}

/** A name for a step of one's own, from its words; one that stands already gets a number. */
function ownName(words: string, report: Schemas["StripTold"]): string {
  const plain = words
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 40);
  const taken = new Set(report.steps.map((one) => one.id));
  const name = `own-${plain || "step"}`;
  let nth = 2;
  let free = name;
  while (taken.has(free)) free = `${name}-${nth++}`;
  return free;
}
