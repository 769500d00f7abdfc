import { useEffect, useMemo, useState } from "react";
import { useOutletContext } from "react-router";

import type { Schemas } from "../../api";
import { useStripReport } from "../../shared/door";
import { useFacts, waitingOf, WaitingNotice } from "../../shared/queue";
import type { Bench } from "../../shared/job";
import { Faults, LinkButton, Page } from "../../shared/ui";
import { Findings } from "./Findings";
import { StepInHand } from "./StepInHand";
import { StepList } from "./StepList";
import { StripTabs } from "./StripTabs";

type Step = Schemas["StripStepShown"];

/** The step that comes after one that is done: the next of the list that is open, "" where none is left behind it. */
const after = (steps: readonly Step[], done: string, isOpen: (step: Step) => boolean): string =>
  steps.slice(steps.findIndex((one) => one.id === done) + 1).find(isOpen)?.id ?? "";

/** The strip: the step in hand, large, and the list it comes from. */
export function StripPage() {
  const bench = useOutletContext<Bench>();
  const jobId = bench.card.id;
  const strip = useStripReport(jobId);
  const facts = useFacts(jobId);
  const [chosen, setChosen] = useState("");
  const report = strip.data;
  const steps = useMemo(() => report?.steps ?? [], [report]);
  // Done here and not landed yet: it counts as done on this page, and says that it waits.
  const waiting = useMemo(
    () => new Map(waitingOf(facts.facts, "step").map((one) => [one.step, one])),
    [facts.facts],
  );
  const isOpen = (one: Step) => !one.done && !waiting.has(one.id);
  const next = steps.findIndex((one) => one.id === report?.next);
  const step =
    steps.find((one) => one.id === chosen) ?? (next < 0 ? undefined : steps.slice(next).find(isOpen));
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
      setChosen(next.id);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [steps, step]);
  if (!bench.card.identified) {
    return (
      <Page untitled title="Strip">
        <p className="mb-3 text-lg">The strip list follows the engine. Say at the door which engine it is.</p>
        <LinkButton to={`/jobs/${jobId}/door`} kind="strong">
          To the door
        </LinkButton>
      </Page>
    );
  }
  return (
    <Page untitled title="Strip" actions={<StripTabs jobId={jobId} />}>
      <WaitingNotice waiting={facts} />
      <Faults error={strip.error} />
      {report && (
        <>
          <Findings findings={report.findings} />
          <div className="grid grid-cols-[minmax(0,6fr)_minmax(0,5fr)] gap-x-8 gap-y-4 max-[979px]:grid-cols-1">
            {step ? (
              <StepInHand
                key={step.id}
                jobId={jobId}
                step={step}
                positions={report.positions}
                disabled={closed}
                waiting={waiting.get(step.id)}
                onDone={() => setChosen(after(steps, step.id, isOpen))}
              />
            ) : (
              <p className="text-xl">
                The list is done. What stands open is under Fasteners and removed parts.
              </p>
            )}
            <StepList report={report} waiting={waiting} chosen={step?.id ?? ""} onChoose={setChosen} />
          </div>
        </>
      )}
    </Page>
  );
}
