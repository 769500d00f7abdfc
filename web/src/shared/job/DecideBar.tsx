import { useState } from "react";

import { Button, Faults } from "../ui";
import { OverrideDialog } from "./OverrideDialog";
import { type Bench, setOf } from "./useBench";
import { useDecisions } from "./useDecisions";

interface Props {
  bench: Bench;
  set: string;
  mayDecide: boolean;
}

/** Accept a set's verdict, or decide otherwise; what was decided, and taking it back. */
export function DecideBar({ bench, set, mayDecide }: Props) {
  const [overriding, setOverriding] = useState(false);
  const { decide, takeBack, takeUp } = useDecisions(bench.card.id);
  const answer = setOf(bench.assessment, set);
  const own = (made: Bench["decisions"][number]) => made.set === set && !made.part;
  const decision = bench.decisions.find((made) => own(made) && !made.made_elsewhere);
  const elsewhere = bench.decisions.find((made) => own(made) && made.made_elsewhere);
  if (decision && (bench.card.signed || !decision.outdated)) {
    return (
      <div className="flex items-center justify-between gap-2 border-l-4 border-blue bg-sheet px-3 py-1">
        <p>
          <strong>{decision.kind === "accepted" ? "Accepted" : `Decided: ${decision.action}`}</strong> by{" "}
          {decision.by}
          {decision.reason && <span className="block text-sm">{decision.reason}</span>}
        </p>
        {mayDecide && !bench.card.signed && (
          <Button kind="quiet" className="whitespace-nowrap" onClick={() => takeBack.mutate({ set })}>
            Take back
          </Button>
        )}
      </div>
    );
  }
  const missing = answer.action === "replace" ? [] : answer.awaiting;
  const blocked = missing.length > 0 || !answer.can_be_accepted;
  return (
    <div>
      {decision?.outdated && (
        <p className="mb-2 font-semibold text-red">
          {decision.kind === "accepted"
            ? "The verdict has changed since it was accepted. Decide again."
            : `${decision.by} decided: ${decision.action}. Something was found since: decide again.`}
        </p>
      )}
      {elsewhere && (
        <p className="mb-2 border-l-4 border-line pl-3 leading-tight">
          {elsewhere.kind} elsewhere by {elsewhere.by}
          {elsewhere.action && `: ${elsewhere.action}`}. It decides nothing here.{" "}
          {mayDecide && (
            <Button kind="quiet" className="!px-1" onClick={() => takeUp.mutate(elsewhere.id)}>
              Take it up
            </Button>
          )}
        </p>
      )}
      <div className="grid grid-cols-2 gap-2">
        <Button
          kind="strong"
          className="!px-2"
          disabled={!mayDecide || blocked || decide.isPending}
          onClick={() => decide.mutate({ kind: "accepted", set })}
        >
          Accept for {set}
        </Button>
        <Button className="!px-2" disabled={!mayDecide} onClick={() => setOverriding(true)}>
          Decide otherwise
        </Button>
      </div>
      <p className="mt-1 text-sm text-quiet">{whyNot(mayDecide, missing.length, answer.can_be_accepted)}</p>
      <Faults error={decide.error ?? takeBack.error ?? takeUp.error} />
      <OverrideDialog bench={bench} set={set} open={overriding} onOpenChange={setOverriding} />
    </div>
  );
}

function whyNot(mayDecide: boolean, missing: number, settled: boolean): string {
  if (!mayDecide) return "A machinist or the owner decides.";
  if (missing > 0)
    return `${missing} ${missing === 1 ? "part is" : "parts are"} still to read, or to waive on the sheet.`;
  return settled ? "" : "Settle the doubt first, or decide otherwise.";
}
