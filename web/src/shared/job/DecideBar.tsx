import { useState } from "react";

import { Button, Faults } from "../ui";
import { OverrideDialog } from "./OverrideDialog";
import { type Bench, setAnswerOf } from "./useBench";
import { useDecisions } from "./useDecisions";

interface Props {
  bench: Bench;
  set: "mains" | "rods";
  mayDecide: boolean;
}

/** Accept a set's verdict, or decide otherwise; what was decided, and taking it back. */
export function DecideBar({ bench, set, mayDecide }: Props) {
  const [overriding, setOverriding] = useState(false);
  const { decide, takeBack } = useDecisions(bench.card.id);
  const answer = setAnswerOf(bench, set);
  const decision = bench.decisions.find((made) => made.set === set && !made.journal);
  if (decision && (bench.card.signed || !decision.outdated)) {
    return (
      <div className="flex items-center justify-between gap-2 border-l-4 border-blue bg-sheet px-3 py-1">
        <p>
          <strong>{decision.kind === "accepted" ? "Accepted" : `Decided: ${decision.action}`}</strong> by{" "}
          {decision.by}
          {decision.reason && <span className="block text-sm">{decision.reason}</span>}
        </p>
        {mayDecide && !bench.card.signed && (
          <Button
            kind="quiet"
            className="whitespace-nowrap"
            onClick={() => takeBack.mutate({ set, journal: "" })}
          >
            Take back
          </Button>
        )}
      </div>
    );
  }
  const waived = bench.decisions
    .filter((made) => made.set === set && made.journal)
    .map((made) => made.journal);
  const missing = answer.awaiting.filter((journal) => !waived.includes(journal));
  const blocked = missing.length > 0 || !answer.can_be_accepted;
  return (
    <div>
      {decision?.outdated && (
        <p className="mb-2 font-semibold text-red">
          The verdict has changed since it was accepted. Decide again.
        </p>
      )}
      <div className="grid grid-cols-2 gap-2">
        <Button
          kind="strong"
          className="!px-2"
          disabled={!mayDecide || blocked || decide.isPending}
          onClick={() => decide.mutate({ kind: "accepted", set, journal: "", undersize: "", reason: "" })}
        >
          Accept for {set}
        </Button>
        <Button className="!px-2" disabled={!mayDecide} onClick={() => setOverriding(true)}>
          Decide otherwise
        </Button>
      </div>
      <p className="mt-1 text-sm text-quiet">{whyNot(mayDecide, missing.length, answer.can_be_accepted)}</p>
      <Faults error={decide.error ?? takeBack.error} />
      <OverrideDialog bench={bench} set={set} open={overriding} onOpenChange={setOverriding} />
    </div>
  );
}

function whyNot(mayDecide: boolean, missing: number, settled: boolean): string {
  if (!mayDecide) return "A machinist or the owner decides.";
  if (missing > 0)
    return `${missing} ${missing === 1 ? "journal is" : "journals are"} still to read, or to waive on the sheet.`;
  return settled ? "" : "Settle the doubt first, or decide otherwise.";
}
