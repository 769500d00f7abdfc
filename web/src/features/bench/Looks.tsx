import { useState } from "react";

import type { Schemas } from "../../api";
import { SaidNotice, useServerForm } from "../../shared/forms";
import type { Journal } from "../../shared/job";
import { Button, Dialog, Faults, Field } from "../../shared/ui";
import type { Desk } from "./useDesk";
import { useLooks } from "./useLooks";

type Look = Schemas["Look"];
const ON_JOURNAL: readonly Look[] = ["surface", "heat colour", "shell", "fillet", "crack test"];
const OF_CRANK: readonly Look[] = ["crack test", "straightness", "hardening after grinding"];
/** Asked for only where they matter: a crank that got hot, or one whose hard skin was ground. */
const asked = (journal: Journal): Look[] => {
  const hot = journal.seen.some((seen) => seen.look === "heat colour" && seen.answer !== "none");
  const known = (look: Look) => journal.seen.some((seen) => seen.look === look);
  const skin = journal.reasons.some((reason) => reason.rule === "verdicts.journal.treatment");
  const found: Look[] = [];
  if (hot || known("hardness")) found.push("hardness");
  if (hot || known("straightness")) found.push("straightness");
  if (skin || known("hardening after grinding")) found.push("hardening after grinding");
  return found;
};
const UNSEEN = "not looked at";

/** Seen on the bench: what eye, nail and crack test say of the journal in hand. */
export function Looks({ desk }: { desk: Desk }) {
  const { journal, bench } = desk;
  const { looks, see } = useLooks(bench.card.id);
  const [score, setScore] = useState(false);
  const [claim, setClaim] = useState(false);
  const answerOf = (look: Look) => journal.seen.find((seen) => seen.look === look)?.answer ?? UNSEEN;
  const write = (look: Look, answer: string) => {
    const on = OF_CRANK.includes(look) ? "crank" : journal.id;
    if (look === "surface" && answer === "nail catches") setScore(true);
    else see.mutate({ on, look, answer, depth: "", spot: "" });
  };
  const scored = journal.seen.find((seen) => seen.look === "surface" && seen.depth !== null);
  return (
    <section aria-label="Seen on the bench">
      <div className="grid grid-cols-3 gap-x-2 gap-y-1">
        {[...ON_JOURNAL, ...asked(journal)].map((look) => (
          <LookChoice
            key={look}
            look={look}
            answers={looks.find((one) => one.look === look)?.answers ?? []}
            value={answerOf(look)}
            disabled={bench.card.signed}
            onChange={(answer) => write(look, answer)}
          />
        ))}
        <div>
          <span className="block text-[15px] text-quiet">claimed size</span>
          <button
            type="button"
            disabled={bench.card.signed}
            className="h-10 w-full border-2 border-line bg-sheet px-2 text-left text-[15px] hover:bg-tint"
            onClick={() => setClaim(true)}
          >
            write down
          </button>
        </div>
      </div>
      {scored && (
        <p className="mt-1 text-[15px]">
          Depth of the score is written down{scored.spot ? `, at ${scored.spot}` : ""}.
        </p>
      )}
      <Faults error={see.error} />
      <ScoreDialog desk={desk} open={score} onOpenChange={setScore} />
      <ClaimDialog desk={desk} open={claim} onOpenChange={setClaim} />
    </section>
  );
}

interface ChoiceProps {
  look: Look;
  answers: readonly string[];
  value: string;
  disabled: boolean;
  onChange: (answer: string) => void;
}

function LookChoice({ look, answers, value, disabled, onChange }: ChoiceProps) {
  return (
    <label className="block">
      <span className="block text-[15px] text-quiet">{look}</span>
      <select
        className={`h-10 w-full border-2 bg-sheet px-1 text-[15px] ${value === UNSEEN ? "border-line text-quiet" : "border-ink font-semibold"}`}
        value={value}
        disabled={disabled}
        onChange={(event) => onChange(event.target.value)}
      >
        <option value={UNSEEN}>not looked</option>
        {answers.map((answer) => (
          <option key={answer} value={answer}>
            {answer}
          </option>
        ))}
      </select>
    </label>
  );
}

interface DialogProps {
  desk: Desk;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}

function ScoreDialog({ desk, open, onOpenChange }: DialogProps) {
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="A nail catches"
      note="How deep is the score below the surface around it, and where? Without its depth no size is sure."
    >
      <ScoreForm desk={desk} onDone={() => onOpenChange(false)} />
    </Dialog>
  );
}

function ScoreForm({ desk, onDone }: { desk: Desk; onDone: () => void }) {
  const { see } = useLooks(desk.bench.card.id);
  const { field, said, submit } = useServerForm({ depth: "", spot: "" }, async (given) => {
    await see.mutateAsync({ on: desk.journal.id, look: "surface", answer: "nail catches", ...given });
    onDone();
  });
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4">
      <Field
        label={`Depth, ${desk.bench.assessment.unit}`}
        placeholder={desk.bench.assessment.unit === "in" ? ".0008" : "0.02"}
        hint="Left empty it is written down as not measured, and asked for."
        {...field("depth")}
      />
      <Field label="Spot" placeholder="for example 1b; empty if all along" {...field("spot")} />
      <SaidNotice said={said} />
      <Button kind="strong" type="submit">
        Write it down
      </Button>
    </form>
  );
}

function ClaimDialog({ desk, open, onOpenChange }: DialogProps) {
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title={`Size claimed for the ${desk.journal.set}`}
      note="A claim is kept apart from what is measured. The gauge is believed."
    >
      <ClaimForm desk={desk} onDone={() => onOpenChange(false)} />
    </Dialog>
  );
}

function ClaimForm({ desk, onDone }: { desk: Desk; onDone: () => void }) {
  const { looks, see } = useLooks(desk.bench.card.id);
  const answers = looks.find((one) => one.look === "claimed undersize")?.answers ?? [];
  const { field, said, submitWith } = useServerForm({ depth: "", answer: "" }, async (given) => {
    await see.mutateAsync({ on: desk.journal.set, look: "claimed undersize", spot: "", ...given });
    onDone();
  });
  return (
    <form className="flex flex-col gap-4" onSubmit={(event) => event.preventDefault()}>
      <Field label="Undersize" placeholder="STD, 10 or 0.25" {...field("depth")} />
      <p className="font-semibold">Who says so</p>
      <div className="flex flex-wrap gap-2">
        {answers.map((answer) => (
          <Button key={answer} onClick={() => void submitWith((values) => ({ ...values, answer }))()}>
            {answer}
          </Button>
        ))}
      </div>
      <SaidNotice said={said} />
    </form>
  );
}
