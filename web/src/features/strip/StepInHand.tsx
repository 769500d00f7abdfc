import { useCallback, useEffect, useRef, useState } from "react";

import type { Schemas } from "../../api";
import { announce } from "../../shared/announce";
import { askedFirst, drop, useFacts, Waits } from "../../shared/queue";
import { PlaceLink } from "../../shared/job";
import { isTyping } from "../../shared/keys";
import { PictureStrip } from "../../shared/pictures";
import { Button, Chip, Choice, Faults, Field } from "../../shared/ui";
import { AskedFirst } from "./AskedFirst";
import { FoundMarks, foundOf, type Typed } from "./FoundMarks";
import { StampedMark } from "./StampedMark";

type Felt = Schemas["Felt"];
const FELT: readonly { key: string; felt: Felt }[] = [
  { key: "f", felt: "force needed" },
  { key: "s", felt: "came away stuck" },
  { key: "j", felt: "step at the joint" },
];

/** Why Enter does nothing more on a step. */
const WAITS = "It is kept here and goes when the server answers. The next step can be done meanwhile.";
const NOTHING_SAID = { mark: false, unseen: false, covers: "", because: "", note: "" } as const;

interface Props {
  jobId: number;
  step: Schemas["StripStepShown"];
  positions: readonly Schemas["PositionShown"][];
  /** What has to be done before it and is not, each with why. */
  first?: readonly string[];
  disabled: boolean;
  /** The step as it was done here, while that waits to be sent. */
  waiting?: Schemas["DoingStep"] | undefined;
  /** Presses of Enter that came before the answer to the last one. */
  ahead: Ahead;
  onDone: () => void;
  /** To the next step that is open, from one that is done. */
  onNext: () => void;
}

/** Enter struck faster than the replies come: each press counts, until something is asked. */
export class Ahead {
  private presses = 0;
  add(): void {
    this.presses += 1;
  }
  take(): boolean {
    if (this.presses === 0) return false;
    this.presses -= 1;
    return true;
  }
  forget(): void {
    this.presses = 0;
  }
}

/** One step, large: what to do, what it must bear, what was felt; Enter writes it down. */
export function StepInHand({
  jobId,
  step,
  positions,
  first = [],
  disabled,
  waiting,
  ahead,
  onDone,
  onNext,
}: Props) {
  const [felt, setFelt] = useState<readonly Felt[]>([]);
  const [typed, setTyped] = useState<Typed>({});
  // Its own: what one step was refused is not said of the next.
  const { tell } = useFacts(jobId);
  const asked = askedFirst(tell.error);
  const [amounts, setAmounts] = useState<Record<string, string>>({});
  // What was asked and answered stays answered when the next thing is asked.
  const [answered, setAnswered] = useState<Partial<Schemas["DoingStep"]>>({});
  const done = useCallback(
    (more: Partial<Schemas["DoingStep"]>) => {
      const one = { fact: "step", step: step.id, there: true, ...NOTHING_SAID } as const;
      // What was typed as found on it goes along: nothing typed is lost by Enter.
      tell.mutate(
        [...foundOf(typed), ...readOf(step, amounts), { ...one, felt: [...felt], ...answered, ...more }],
        {
          onSuccess: onDone,
          onError: () => ahead.forget(),
        },
      );
    },
    [tell, step, felt, typed, amounts, answered, onDone, ahead],
  );
  const toggle = (one: Felt) =>
    setFelt((before) => (before.includes(one) ? before.filter((other) => other !== one) : [...before, one]));
  const closed = disabled || step.behind || waiting !== undefined || tell.isPending;
  const begun = useRef(false);
  useEffect(() => {
    if (begun.current || closed) return;
    begun.current = true;
    if (ahead.take()) done({});
  }, [ahead, closed, done]);
  const isPending = tell.isPending;
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const onButton = event.target instanceof HTMLElement && /^(BUTTON|A)$/.test(event.target.tagName);
      if (onButton || disabled || isTyping(event)) return;
      const key = event.key.toLowerCase();
      // A key held down is one press.
      if (event.repeat) return;
      if (closed) {
        if (key !== "enter") return;
        event.preventDefault();
        if (isPending) ahead.add();
        else if (waiting) announce(WAITS);
        else onNext();
        return;
      }
      const one = FELT.find((other) => other.key === key && (other.key !== "j" || step.joint));
      if (one) toggle(one.felt);
      else if (key === "enter") done({});
      else if (key === "n") done({ there: false });
      else return;
      event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [closed, done, step.joint, disabled, isPending, waiting, ahead, onNext]);
  const bear = positions.filter(
    (one) => one.mark && (step.marks.includes(one.id) || step.takes.includes(one.id)),
  );
  return (
    <section aria-label="The step in hand" className="border-2 border-ink bg-sheet p-4">
      <p className="text-[15px] text-quiet">{step.section}</p>
      <h2 className="text-3xl font-semibold leading-tight">{step.text}</h2>
      {step.hint && <p className="mt-1 text-lg">{step.hint}</p>}
      {first.length > 0 && !step.behind && asked?.code !== "held" && asked?.code !== "do-first" && (
        <p className="mt-2 border-l-4 border-blue px-3">
          <strong>First: {first[0]}.</strong>
          {first.length > 1 && ` And ${first.length - 1} more.`}
        </p>
      )}
      {step.unseen.length > 0 && !asked && (
        <p className="mt-2 border-l-4 border-red px-3 font-semibold text-red">
          It destroys what has not been looked at: {step.unseen.join("; ")}.
        </p>
      )}
      {step.goes_back && (
        <p className="mt-1 text-[15px]">Goes on the list of what must be back: {step.goes_back}.</p>
      )}
      {step.tools && <p className="mt-1 text-[15px] text-quiet">Tools: {step.tools}.</p>}
      {bear.length > 0 && (
        <ul aria-label="Marks" className="mt-3 flex flex-wrap gap-x-6 gap-y-2">
          {bear.map((one) => (
            <li key={one.id} className="flex items-center gap-2">
              <StampedMark text={one.given || one.mark} bare={!one.given} />
              <span className="leading-tight">
                <PlaceLink place={one.id}>{one.short}</PlaceLink>
                <span className="block text-[15px] text-quiet">
                  {one.given ? "marked" : one.found ? `found ${one.found}` : "not marked yet"}
                </span>
              </span>
            </li>
          ))}
        </ul>
      )}
      <Cautions cautions={step.cautions} />
      {step.marks.length > 0 && (
        <FoundMarks
          positions={bear}
          typed={typed}
          disabled={closed}
          onType={setTyped}
          onWrite={() => tell.mutate(foundOf(typed), { onSuccess: () => setTyped({}) })}
        />
      )}
      {step.reads.length > 0 && !closed && (
        <div className="mt-3 grid grid-cols-2 gap-3 max-sm:grid-cols-1">
          {step.reads.map((one) =>
            one.answers.length > 0 ? (
              <Choice
                key={one.look}
                label={one.name}
                hint={one.how}
                value={amounts[one.look] ?? ""}
                options={[
                  { value: "", label: "not read" },
                  ...one.answers.map((value) => ({ value, label: value })),
                ]}
                onChange={(value) => setAmounts({ ...amounts, [one.look]: value })}
              />
            ) : (
              <Field
                key={one.look}
                label={one.name}
                hint={one.how}
                className="figure"
                value={amounts[one.look] ?? ""}
                onChange={(event) => setAmounts({ ...amounts, [one.look]: event.target.value })}
              />
            ),
          )}
        </div>
      )}
      {asked ? (
        <AskedFirst
          jobId={jobId}
          asked={asked}
          onDo={(more) => {
            const reasons = [answered.because, more.because].filter(Boolean);
            const all = { ...answered, ...more, because: [...new Set(reasons)].join("; ") };
            setAnswered(all);
            done(all);
          }}
        />
      ) : (
        <Faults error={tell.error} />
      )}
      {waiting && !step.done ? (
        <p className="mt-3 flex flex-wrap items-center gap-x-3 text-lg">
          <strong>{waiting.there ? "Done" : "Not on this engine"}</strong>
          <Waits />
          <span className="text-[15px]">{WAITS}</span>
          <Button kind="quiet" onClick={() => drop(waiting.id)}>
            Take back
          </Button>
        </p>
      ) : step.behind ? (
        <Done
          step={step}
          onTakeBack={
            disabled || !step.done ? undefined : () => tell.mutate([{ fact: "withdrawal", of: step.done }])
          }
        />
      ) : (
        <div className="mt-3 flex flex-wrap gap-2">
          <Button kind="strong" className="!px-8 text-lg" disabled={closed} onClick={() => done({})}>
            Done <kbd className="figure text-sm">Enter</kbd>
          </Button>
          {FELT.filter(({ key }) => key !== "j" || step.joint).map((one) => (
            <Chip
              key={one.key}
              letter={one.key.toUpperCase()}
              chosen={felt.includes(one.felt)}
              disabled={closed}
              onClick={() => toggle(one.felt)}
            >
              {one.felt}
            </Chip>
          ))}
          <Button disabled={closed} onClick={() => done({ there: false })}>
            Not on this engine <kbd className="figure text-sm text-quiet">N</kbd>
          </Button>
        </div>
      )}
      <div className="mt-3">
        <PictureStrip jobId={jobId} on={`step:${step.id}`} name={step.text} />
      </div>
    </section>
  );
}

const PLAIN = { note: "", spot: "", cleaned: false, ends: false, by_one_key: false } as const;

/** What was read by a step, as looks of the engine: nothing typed, nothing told. */
function readOf(step: Schemas["StripStepShown"], amounts: Record<string, string>) {
  return step.reads.flatMap(({ look, answers }) => {
    const said = (amounts[look] ?? "").trim();
    if (!said) return [];
    const given = answers.length > 0 ? { answer: said, amount: "" } : { answer: "measured", amount: said };
    return [{ fact: "seen" as const, on: "engine", look, ...PLAIN, ...given }];
  });
}

function Cautions({ cautions }: { cautions: readonly Schemas["Caution"][] }) {
  return (
    <ul className="mt-2 text-[15px] text-quiet">
      {cautions.map((caution) => (
        <li key={caution.work}>
          <strong className="text-ink">{caution.work}.</strong> {caution.say} {caution.defer_to}
        </li>
      ))}
    </ul>
  );
}

function wordOf(step: Schemas["StripStepShown"]): string {
  if (step.off_already || step.came_off) return "It was off already";
  if (step.too_late) return "Too late: what it needs is off. Nothing is left to do here.";
  if (!step.done) return "Behind: nothing is left to do there";
  return step.there ? "Done" : "Not on this engine";
}

function Done({
  step,
  onTakeBack,
}: {
  step: Schemas["StripStepShown"];
  onTakeBack: (() => void) | undefined;
}) {
  return (
    <p className="mt-3 flex flex-wrap items-center gap-x-3 text-lg">
      <strong>{wordOf(step)}</strong> {step.came_off ? "said at the door" : ""}
      {step.by}
      {step.felt.length > 0 && <span>, {step.felt.join(", ")}</span>}
      {step.because && <span className="basis-full text-[15px]">All the same, because: {step.because}</span>}
      {onTakeBack && (
        <Button kind="quiet" onClick={onTakeBack}>
          Take back
        </Button>
      )}
    </p>
  );
}
