import { memo, useEffect, useMemo, useRef } from "react";

import type { Schemas } from "../../api";
import { Waits } from "../../shared/queue";
import { Button } from "../../shared/ui";

interface Props {
  report: Schemas["StripTold"];
  /** Steps that were done here and have not landed yet. */
  waiting: ReadonlyMap<string, Schemas["DoingStep"]>;
  chosen: string;
  onChoose: (id: string) => void;
  /** To change the list, where that may be. */
  onChange: (() => void) | undefined;
}

interface Run {
  section: string;
  steps: Schemas["StripStepShown"][];
}

/** The list in runs of one section: a section may be left and taken up again. */
function runsOf(steps: readonly Schemas["StripStepShown"][]): Run[] {
  const runs: Run[] = [];
  for (const step of steps) {
    const last = runs.at(-1);
    if (last?.section === step.section) last.steps.push(step);
    else runs.push({ section: step.section, steps: [step] });
  }
  return runs;
}

const hours = (minutes: number): string => (minutes / 60).toFixed(1);

/** The whole list by sections; what is done is ticked. */
export function StepList({ report, waiting, chosen, onChoose, onChange }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const runs = useMemo(() => runsOf(report.steps), [report.steps]);
  useEffect(() => {
    const row = box.current?.querySelector<HTMLElement>("[aria-current='step']");
    if (box.current && row) box.current.scrollTop = row.offsetTop - box.current.clientHeight / 3;
  }, [chosen]);
  return (
    <section aria-label="Strip list" className="min-w-0">
      <div className="mb-1 flex flex-wrap items-center gap-x-4">
        <Progress done={report.done} all={report.steps.length} />
        <span>
          <span className="figure font-bold">{hours(report.minutes_left)}</span> h left
        </span>
        {onChange && (
          <Button kind="quiet" className="!px-0" onClick={onChange}>
            Change the list
          </Button>
        )}
      </div>
      <div
        ref={box}
        className="relative h-[306px] overflow-y-auto border-y border-line max-[979px]:h-[420px]"
      >
        {runs.map(({ section, steps }, nth) => (
          <div key={`${nth} ${section}`}>
            <h3 className="sticky top-0 border-b border-ink bg-paper py-1 font-semibold">{section}</h3>
            <ol>
              {steps.map((step) => (
                <Row
                  key={step.id}
                  step={step}
                  waiting={step.done ? undefined : waiting.get(step.id)}
                  chosen={step.id === chosen}
                  onChoose={onChoose}
                />
              ))}
            </ol>
          </div>
        ))}
      </div>
    </section>
  );
}

interface RowProps {
  step: Schemas["StripStepShown"];
  waiting: Schemas["DoingStep"] | undefined;
  chosen: boolean;
  onChoose: (id: string) => void;
}

/** How a step that has not to be done any more is read out. */
function saidOf(step: Schemas["StripStepShown"], there: boolean): string {
  if (step.too_late) return ", what it needs is off";
  if (step.came_off) return ", off already";
  return there ? ", done" : ", not on this engine";
}

const Row = memo(function Row({ step, waiting, chosen, onChoose }: RowProps) {
  const done = step.behind || waiting !== undefined;
  const there = waiting ? waiting.there : step.there;
  return (
    <li>
      <button
        type="button"
        aria-current={chosen ? "step" : undefined}
        onClick={() => onChoose(step.id)}
        className={`flex min-h-10 w-full scroll-mt-8 items-center gap-2 border-b border-line/60 px-2 text-left leading-tight ${chosen ? "bg-tint font-semibold" : "hover:bg-tint"}`}
      >
        <span aria-hidden="true" className="figure w-5 shrink-0 text-blue">
          {done ? (there ? "✓" : "–") : ""}
        </span>
        <span className={done ? "text-quiet" : ""}>
          {step.text}
          {step.own && <span className="ml-1 text-[15px] text-blue">ours</span>}
          {step.came_off && <span className="ml-1 text-[15px]">came so</span>}
          {step.too_late && <span className="ml-1 text-[15px]">too late</span>}
          {step.felt.length > 0 && <strong className="ml-1 text-ink">{step.felt.join(", ")}</strong>}
          {done && <span className="sr-only">{saidOf(step, there)}</span>}
          {waiting && <Waits />}
        </span>
      </button>
    </li>
  );
});

/** How far the strip is: a mark on a rule. */
function Progress({ done, all }: { done: number; all: number }) {
  const width = 150;
  const at = all === 0 ? 0 : (done / all) * width;
  return (
    <p className="flex flex-wrap items-center gap-3">
      <span className="figure text-2xl font-bold">{done}</span> of {all} steps
      <svg width={width + 10} height={18} aria-hidden="true">
        <line x1={4} x2={width + 4} y1={2} y2={2} className="stroke-ink" strokeWidth={1.5} />
        {Array.from({ length: 21 }, (_, n) => (
          <line
            key={n}
            x1={4 + (n * width) / 20}
            x2={4 + (n * width) / 20}
            y1={2}
            y2={n % 5 === 0 ? 11 : 7}
            className="stroke-ink"
          />
        ))}
        <path d={`M${4 + at} 9l5 8h-10z`} className="fill-blue" />
      </svg>
    </p>
  );
}
