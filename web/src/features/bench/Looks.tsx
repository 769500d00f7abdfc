import { type ReactNode, useState } from "react";

import type { Schemas } from "../../api";
import { SaidNotice, useServerForm } from "../../shared/forms";
import { seenAs } from "../../shared/job";
import { Button, Dialog, Faults, Field } from "../../shared/ui";
import { useWaiting, waitingOf, Waits } from "../../shared/queue";
import type { Desk } from "./useDesk";
import { useLooks } from "./useLooks";

type Look = Schemas["LookOut"];
const UNSEEN = "not looked at";

/** What a look is written down of, where a person says nothing else: the part, its set, or the whole it belongs to. */
function onOf(look: Look, desk: Desk): string {
  const [first] = look.on;
  if (first === "set") return desk.part.set;
  return first === undefined || first === "part" ? desk.part.id : first;
}

/** Columns the last row of so many cells leaves free; one alone is too narrow to use, so the next row is taken. */
const freeAfter = (cells: number) => (cells % 3 === 1 ? "col-span-2" : "col-span-3");

/** Seen on the bench: what eye, nail and tests say of the part in hand; its pictures stand after the last look. */
export function Looks({ desk, children }: { desk: Desk; children: ReactNode }) {
  const { part, bench, kind } = desk;
  const { see } = useLooks(bench.card.id);
  const [deep, setDeep] = useState<{ look: Look; answer: string } | null>(null);
  const [claim, setClaim] = useState(false);
  const [all, setAll] = useState(false);
  const first = kind?.looks_open || part.looks.length;
  const waiting = waitingOf(useWaiting(bench.card.id).facts, "seen");
  const waits = (look: Look) =>
    waiting.findLast((one) => one.look === look.look && one.on === onOf(look, desk))?.answer;
  const answerOf = (look: string) => part.seen.find((seen) => seen.look === look)?.answer ?? UNSEEN;
  const write = (look: Look, answer: string) => {
    if (look.depth_for.includes(answer) || look.measured.includes(answer)) setDeep({ look, answer });
    else see.mutate(seenAs(onOf(look, desk), look.look, answer));
  };
  const claimed = kind?.looks.find((look) => look.step_for.length > 0);
  const shown = all ? part.looks : part.looks.slice(0, first);
  const claims = claimed && (all || part.looks.length <= first) ? claimed : undefined;
  const scored = part.seen.find(
    (seen) => (seen.look === "surface" || seen.look === "bore wall") && seen.amount !== null,
  );
  return (
    <section aria-label="Seen on the bench">
      <div className="grid grid-cols-3 gap-x-2 gap-y-1">
        {shown.map((key) => {
          const look = kind?.looks.find((one) => one.look === key);
          return look ? (
            <LookChoice
              key={key}
              look={look}
              value={waits(look) ?? answerOf(key)}
              waits={waits(look) !== undefined}
              measured={part.seen.find((seen) => seen.look === key && look.measured.includes(seen.answer))}
              disabled={bench.card.signed}
              onChange={(answer) => write(look, answer)}
            />
          ) : null;
        })}
        {claims && (
          <div>
            <span className="block text-[15px] text-quiet">claimed size</span>
            <button
              type="button"
              disabled={bench.card.signed}
              className="h-10 w-full border-2 border-line bg-sheet px-2 text-left text-[15px] hover:bg-tint"
              onClick={() => setClaim(true)}
            >
              {saidOf(part.seen.find((seen) => seen.look === claims.look)) ?? "write down"}
            </button>
          </div>
        )}
        <div className={`${freeAfter(shown.length + (claims ? 1 : 0))} my-1 self-end`}>{children}</div>
      </div>
      {part.looks.length > first && (
        <button
          type="button"
          aria-expanded={all}
          className="min-h-9 text-[15px] font-semibold text-blue hover:bg-tint"
          onClick={() => setAll(!all)}
        >
          {all
            ? "Fewer looks"
            : `${part.looks.length - first} more ${part.looks.length - first === 1 ? "look" : "looks"}`}
        </button>
      )}
      {scored && (
        <p className="mt-1 text-[15px]">
          Depth of the score is written down{scored.spot ? `, at ${scored.spot}` : ""}.
        </p>
      )}
      <Faults error={see.error} />
      {deep && (
        <DepthDialog desk={desk} look={deep.look} answer={deep.answer} onClose={() => setDeep(null)} />
      )}
      {claim && claimed && <ClaimDialog desk={desk} look={claimed} onClose={() => setClaim(false)} />}
    </section>
  );
}

/** A claim of this part in a word, where one stands. */
const saidOf = (seen: Schemas["SeenHere"] | undefined): string | undefined =>
  seen ? `${seen.typed}, ${seen.answer}` : undefined;

interface ChoiceProps {
  look: Look;
  value: string;
  /** The answer has not landed yet. */
  waits: boolean;
  /** What was measured where it was not only looked at. */
  measured?: Schemas["SeenHere"] | undefined;
  disabled: boolean;
  onChange: (answer: string) => void;
}

function LookChoice({ look, value, waits, measured, disabled, onChange }: ChoiceProps) {
  return (
    <label className="block">
      <span className="block text-[15px] text-quiet">
        {look.look} {waits && <Waits />}
        {measured && <strong className="figure text-ink">{measured.typed}</strong>}
      </span>
      <select
        className={`h-10 w-full border-2 bg-sheet px-1 text-[15px] ${value === UNSEEN ? "border-line text-quiet" : "border-ink font-semibold"}`}
        value={value}
        disabled={disabled}
        onChange={(event) => onChange(event.target.value)}
      >
        <option value={UNSEEN}>not looked</option>
        {look.answers.map((answer) => (
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
  look: Look;
  onClose: () => void;
}

function titleOf(look: Look, answer: string): string {
  if (answer === "nail catches") return "A nail catches";
  const said = look.measured.includes(answer) ? `${look.look}: ${answer}` : answer;
  return said.charAt(0).toUpperCase() + said.slice(1);
}

function DepthDialog({ desk, look, answer, onClose }: DialogProps & { answer: string }) {
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title={titleOf(look, answer)}
      note={
        look.measured.includes(answer)
          ? look.how
          : "How deep is it below the surface around it, or how proud, and where? Without the depth of a score or a pit no size is sure."
      }
    >
      <DepthForm desk={desk} look={look} answer={answer} onClose={onClose} />
    </Dialog>
  );
}

function DepthForm({ desk, look, answer, onClose }: DialogProps & { answer: string }) {
  const { see } = useLooks(desk.bench.card.id);
  const { field, said, submit } = useServerForm({ amount: "", spot: "" }, async (given) => {
    await see.mutateAsync(seenAs(onOf(look, desk), look.look, answer, given));
    onClose();
  });
  const { unit } = desk.bench.assessment;
  const measured = look.measured.includes(answer);
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4">
      <Field
        label={`${measured ? look.amount : "Depth"}, ${unit}`}
        placeholder={unit === "in" ? (measured ? ".0015" : ".0008") : measured ? "0.04" : "0.02"}
        hint={
          measured
            ? "Left empty it is not written down."
            : "Left empty it is written down as not measured, and asked for."
        }
        {...field("amount")}
      />
      {!measured && (
        <Field label="Spot" placeholder="for example 1b; empty if all along" {...field("spot")} />
      )}
      <SaidNotice said={said} />
      <Button kind="strong" type="submit">
        Write it down
      </Button>
    </form>
  );
}

function ClaimDialog({ desk, look, onClose }: DialogProps) {
  const whole = look.on[0] === "set";
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title={`Size claimed for ${whole ? `the ${desk.part.set}` : desk.part.short_name}`}
      note="A claim is kept apart from what is measured. The gauge is believed."
    >
      <ClaimForm desk={desk} look={look} onClose={onClose} />
    </Dialog>
  );
}

function ClaimForm({ desk, look, onClose }: DialogProps) {
  const { see } = useLooks(desk.bench.card.id);
  const { field, said, submitWith } = useServerForm({ amount: "", answer: "" }, async (given) => {
    await see.mutateAsync(seenAs(onOf(look, desk), look.look, given.answer, { amount: given.amount }));
    onClose();
  });
  return (
    <form className="flex flex-col gap-4" onSubmit={(event) => event.preventDefault()}>
      <Field
        label={look.look === "claimed undersize" ? "Undersize" : "Oversize"}
        placeholder="STD, 10 or 0.25"
        {...field("amount")}
      />
      <p className="font-semibold">Who says so</p>
      <div className="flex flex-wrap gap-2">
        {look.answers.map((answer) => (
          <Button key={answer} onClick={() => void submitWith((values) => ({ ...values, answer }))()}>
            {answer}
          </Button>
        ))}
      </div>
      <SaidNotice said={said} />
    </form>
  );
}
