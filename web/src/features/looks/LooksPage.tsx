import { useState } from "react";
import { useOutletContext } from "react-router";

import { DoorTabs, NO_STOP, StopForm, stopIn, useLooksReport, useTopics } from "../../shared/door";
import { useLeaveGuard } from "../../shared/forms";
import { useFacts, useShownQueue, waitingOf, WaitingNotice } from "../../shared/queue";
import type { Bench } from "../../shared/job";
import { Button, Faults, LinkButton, Page } from "../../shared/ui";
import { useMay } from "../session";
import { NextLook } from "./NextLook";
import { OrderList } from "./OrderList";
import { Stops } from "./Stops";
import { Taken } from "./Taken";

/** The looks: which one first, what it could end, what was spent, and where to stop. */
export function LooksPage() {
  const bench = useOutletContext<Bench>();
  const jobId = bench.card.id;
  const looks = useLooksReport(jobId);
  const topics = useTopics();
  const facts = useFacts(jobId);
  const may = useMay();
  const { tell } = facts;
  const report = looks.data;
  const closed = bench.card.signed || bench.card.stage === "handed over";
  const [stopDraft, setStopDraft] = useState(NO_STOP);
  const [begun, setBegun] = useState(false);
  useLeaveGuard(begun || (topics.data !== undefined && stopIn(stopDraft, topics.data) !== null));
  const waiting = waitingOf(facts.facts, "seen");
  const { away, signedOut } = useShownQueue();
  // The order is re-made when an answer lands: only where it cannot, the next of the old one is in hand.
  const stopped = away !== "" || signedOut;
  const next = report?.order.find(
    (look) => !(stopped && waiting.some((one) => one.look === look.key || one.look === look.look)),
  );
  // What has to be decided first stands first.
  const waits = report?.stops.some((stop) => stop.lit && !stop.decided) ?? false;
  const stops = report && (
    <Stops
      report={report}
      disabled={closed || !may("decide and sign")}
      onChoose={(given) => tell.mutate([given])}
    />
  );
  return (
    <Page
      untitled
      title="Which look first"
      pages={<DoorTabs jobId={jobId} />}
      note={
        report && report.kinds.length > 0
          ? `Complaint: ${report.kinds.join(", ")}. The cheapest look that is likeliest to end the job comes first.`
          : "The cheapest look that is likeliest to end the job comes first."
      }
      actions={
        <LinkButton to={`/jobs/${jobId}/strip`} kind="strong">
          On to the strip
        </LinkButton>
      }
    >
      <WaitingNotice waiting={facts} />
      <Faults error={tell.error ?? looks.error} />
      {report?.reasons.map((reason) => (
        <p key={reason.text} className="mb-2 border-l-4 border-blue bg-sheet px-4 py-2 text-lg">
          {reason.text}
        </p>
      ))}
      {report && (
        <div className="grid grid-cols-[minmax(0,5fr)_minmax(0,6fr)] gap-x-8 gap-y-4 max-[979px]:grid-cols-1">
          <div className="flex flex-col gap-4">
            {waits && stops}
            {next ? (
              <NextLook
                key={next.key}
                jobId={jobId}
                look={next}
                disabled={closed || tell.isPending}
                facts={facts}
                onBegun={setBegun}
              />
            ) : (
              <p className="text-xl">Every look is taken, or cannot be.</p>
            )}
            {!waits && stops}
            {topics.data && !closed && (
              <StopForm
                asked={topics.data}
                draft={stopDraft}
                onDraft={setStopDraft}
                onSet={(stop) => tell.mutate([{ fact: "stop point", ...stop }])}
              />
            )}
          </div>
          <div className="flex flex-col gap-4">
            <OrderList report={report} />
            <Taken
              jobId={jobId}
              report={report}
              waiting={waiting}
              onTakeBack={closed ? undefined : (of) => tell.mutate([{ fact: "withdrawal", of }])}
            />
          </div>
        </div>
      )}
      {looks.isError && <Button onClick={() => void looks.refetch()}>Try again</Button>}
    </Page>
  );
}
