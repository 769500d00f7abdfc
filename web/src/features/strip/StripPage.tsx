import { useCallback, useEffect, useMemo, useState } from "react";
import { Link, useOutletContext } from "react-router";

import type { Schemas } from "../../api";
import { useStripReport } from "../../shared/door";
import { useFacts, waitingOf, WaitingNotice } from "../../shared/queue";
import type { Bench } from "../../shared/job";
import { Faults, LinkButton, Page } from "../../shared/ui";
import { ChangeListDialog } from "./ChangeListDialog";
import { EngineStands } from "./EngineStands";
import { Findings } from "./Findings";
import { Ahead, StepInHand } from "./StepInHand";
import { StepList } from "./StepList";
import { StripTabs } from "./StripTabs";

type Step = Schemas["StripStepShown"];

/** The step that comes after one that is done: the next of the list that is open, "" where none is left behind it. */
const after = (steps: readonly Step[], done: string, isOpen: (step: Step) => boolean): string =>
  steps.slice(steps.findIndex((one) => one.id === done) + 1).find(isOpen)?.id ?? "";

/** What nobody has said of the engine and matters, and what of it is not judged yet. */
function AskedOfEngine({ jobId, report }: { jobId: number; report: Schemas["StripTold"] }) {
  const [first] = report.asked;
  if (!first && !report.not_judged.length && !report.stray.length && !report.left_out.length) return null;
  return (
    <div
      aria-label="Asked of the engine"
      role="note"
      className="mb-3 border-l-4 border-blue px-3 text-[15px]"
    >
      {first && (
        <p>
          <strong>{first.question}</strong> Taken for: {first.taken_for}.{" "}
          {report.asked.length > 1 && `${report.asked.length - 1} more not known. `}
          <Link
            to={`/jobs/${jobId}/strip/engine`}
            className="inline-flex min-h-11 items-center px-2 font-semibold text-blue"
          >
            The engine
          </Link>
        </p>
      )}
      {report.not_judged.map((words) => (
        <p key={words}>{words}</p>
      ))}
      {report.left_out.length > 0 && (
        <p>
          Of the house&apos;s changes this does not fit this engine and is left out:{" "}
          {report.left_out.join("; ")}.
        </p>
      )}
      {report.stray.length > 0 && (
        <p>Done, and not on this list any more: {report.stray.join("; ")}. It stays on record.</p>
      )}
    </div>
  );
}

/** What of a step's holders is not behind yet, each with why. */
function firstOf(step: Step, steps: readonly Step[]): string[] {
  const known = new Map(steps.map((one) => [one.id, one]));
  return step.held.flatMap(({ step: id, why }) => {
    const one = known.get(id);
    return one && !one.behind ? [`${one.text}: ${why}`] : [];
  });
}

/** The strip: the step in hand, large, and the list it comes from. */
export function StripPage() {
  const bench = useOutletContext<Bench>();
  const jobId = bench.card.id;
  const strip = useStripReport(jobId);
  const facts = useFacts(jobId);
  const [chosen, setChosen] = useState("");
  const [ahead] = useState(() => new Ahead());
  const report = strip.data;
  const steps = useMemo(() => report?.steps ?? [], [report]);
  // Done here and not landed yet: it counts as done on this page, and says that it waits.
  const waiting = useMemo(
    () => new Map(waitingOf(facts.facts, "step").map((one) => [one.step, one])),
    [facts.facts],
  );
  const isOpen = useCallback((one: Step) => !one.behind && !waiting.has(one.id), [waiting]);
  const [changing, setChanging] = useState(false);
  const next = steps.findIndex((one) => one.id === report?.next);
  const step =
    steps.find((one) => one.id === chosen) ?? (next < 0 ? undefined : steps.slice(next).find(isOpen));
  // The step in hand stays in hand until it is done: one that waits to be sent does not slip away under the next key.
  const inHand = step?.id ?? "";
  useEffect(() => setChosen((before) => before || inHand), [inHand]);
  const goOn = useCallback(() => setChosen(after(steps, step?.id ?? "", isOpen)), [steps, step, isOpen]);
  const choose = (id: string) => {
    ahead.forget();
    setChosen(id);
  };
  const closed = bench.card.signed || bench.card.stage === "handed over";
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing =
        event.target instanceof HTMLElement && /INPUT|SELECT|TEXTAREA/.test(event.target.tagName);
      if (typing || (event.key !== "ArrowDown" && event.key !== "ArrowUp")) return;
      const at = steps.findIndex((one) => one.id === step?.id);
      const next = steps[at + (event.key === "ArrowDown" ? 1 : -1)];
      if (!next) return;
      event.preventDefault();
      ahead.forget();
      setChosen(next.id);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [steps, step, ahead]);
  // What was struck beyond the last step is no press for another one.
  useEffect(() => (step ? undefined : ahead.forget()), [step, ahead]);
  // An engine that is described is stripped before its limits are known.
  if (!bench.card.identified && (!report || report.asked.some((one) => one.field === "built"))) {
    return (
      <Page untitled title="Strip">
        <p className="mb-3 text-lg">
          The strip list follows the engine. Say at the door which engine it is, or how it is built.
        </p>
        <div className="flex flex-wrap gap-2">
          <LinkButton to={`/jobs/${jobId}/door`} kind="strong">
            To the door
          </LinkButton>
          <LinkButton to={`/jobs/${jobId}/strip/engine`}>Say how it is built</LinkButton>
        </div>
      </Page>
    );
  }
  return (
    <Page untitled title="Strip" pages={<StripTabs jobId={jobId} />}>
      <WaitingNotice waiting={facts} />
      <Faults error={strip.error} />
      {report && (
        <>
          <Findings findings={report.findings} />
          <AskedOfEngine jobId={jobId} report={report} />
          <div className="grid grid-cols-[minmax(0,6fr)_minmax(0,5fr)] gap-x-8 gap-y-4 max-[979px]:grid-cols-1">
            {step ? (
              <StepInHand
                key={step.id}
                jobId={jobId}
                step={step}
                positions={report.positions}
                first={firstOf(step, steps)}
                disabled={closed}
                waiting={waiting.get(step.id)}
                ahead={ahead}
                onDone={goOn}
                onNext={goOn}
              />
            ) : (
              <div className="flex flex-col gap-3">
                <p className="text-xl">The list is done: the engine is apart.</p>
                <div className="flex flex-wrap gap-2">
                  <LinkButton to={`/jobs/${jobId}/evidence`} kind="strong">
                    Read the evidence
                  </LinkButton>
                  <LinkButton to={`/jobs/${jobId}`}>Measure at the bench</LinkButton>
                  <LinkButton to={`/jobs/${jobId}/strip/open`}>What stands open</LinkButton>
                </div>
              </div>
            )}
            <div className="flex min-w-0 flex-col gap-2">
              <EngineStands drawn={report} />
              <StepList
                report={report}
                waiting={waiting}
                chosen={step?.id ?? ""}
                onChoose={choose}
                onChange={closed ? undefined : () => setChanging(true)}
              />
            </div>
            {changing && (
              <ChangeListDialog
                jobId={jobId}
                report={report}
                at={step?.id ?? ""}
                onClose={() => setChanging(false)}
              />
            )}
          </div>
        </>
      )}
    </Page>
  );
}
