import { useState } from "react";

import type { Schemas } from "../../api";
import { Button, Dialog, Faults, Field } from "../../shared/ui";
import type { Desk } from "./useDesk";
import { useLooks } from "./useLooks";

type Look = Schemas["Look"];
const ON_JOURNAL: readonly Look[] = ["surface", "heat colour", "shell", "fillet", "crack test"];
const UNSEEN = "not looked at";

/** Seen on the bench: what eye, nail and crack test say of the journal in hand. */
export function Looks({ desk }: { desk: Desk }) {
  const { journal, bench } = desk;
  const { looks, see } = useLooks(bench.card.id);
  const [score, setScore] = useState(false);
  const [claim, setClaim] = useState(false);
  const answerOf = (look: Look) => journal.seen.find((seen) => seen.look === look)?.answer ?? UNSEEN;
  const write = (look: Look, answer: string) => {
    const on = look === "crack test" ? "crank" : journal.id;
    if (look === "surface" && answer === "nail catches") setScore(true);
    else see.mutate({ on, look, answer, depth: "", spot: "" });
  };
  const scored = journal.seen.find((seen) => seen.look === "surface" && seen.depth !== null);
  return (
    <section aria-label="Seen on the bench">
      <div className="grid grid-cols-3 gap-x-2 gap-y-1">
        {ON_JOURNAL.map((look) => (
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
          Score {scored.typed} deep{scored.spot ? ` at ${scored.spot}` : ""}.
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
  const { see } = useLooks(desk.bench.card.id);
  const [depth, setDepth] = useState("");
  const [spot, setSpot] = useState("");
  const write = () =>
    see.mutate(
      { on: desk.journal.id, look: "surface", answer: "nail catches", depth, spot },
      { onSuccess: () => onOpenChange(false) },
    );
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="A nail catches"
      note="How deep is the score below the surface around it, and where? Leave both empty if not measured."
    >
      <div className="flex flex-col gap-4">
        <Field
          label="Depth"
          placeholder={desk.bench.assessment.unit === "in" ? ".0008" : "0.02"}
          value={depth}
          onChange={(e) => setDepth(e.target.value)}
        />
        <Field
          label="Spot"
          placeholder="for example 1b; empty if all along"
          value={spot}
          onChange={(e) => setSpot(e.target.value)}
        />
        <Faults error={see.error} />
        <Button kind="strong" onClick={write}>
          Write it down
        </Button>
      </div>
    </Dialog>
  );
}

function ClaimDialog({ desk, open, onOpenChange }: DialogProps) {
  const { looks, see } = useLooks(desk.bench.card.id);
  const [size, setSize] = useState("");
  const answers = looks.find((one) => one.look === "claimed undersize")?.answers ?? [];
  const write = (answer: string) =>
    see.mutate(
      { on: desk.journal.set, look: "claimed undersize", answer, depth: size, spot: "" },
      { onSuccess: () => onOpenChange(false) },
    );
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title={`Size claimed for the ${desk.journal.set}`}
      note="A claim is kept apart from what is measured. The gauge is believed."
    >
      <div className="flex flex-col gap-4">
        <Field
          label="Undersize"
          placeholder="STD, 10 or 0.25"
          value={size}
          onChange={(e) => setSize(e.target.value)}
        />
        <p className="font-semibold">Who says so</p>
        <div className="flex flex-wrap gap-2">
          {answers.map((answer) => (
            <Button key={answer} onClick={() => write(answer)}>
              {answer}
            </Button>
          ))}
        </div>
        <Faults error={see.error} />
      </div>
    </Dialog>
  );
}
