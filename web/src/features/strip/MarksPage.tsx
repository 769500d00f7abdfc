import { useState } from "react";
import { useOutletContext } from "react-router";

import { useStripReport } from "../../shared/door";
import { useFacts, WaitingNotice } from "../../shared/queue";
import { type Bench } from "../../shared/job";
import { PictureStrip } from "../../shared/pictures";
import { Chip, Faults, Page } from "../../shared/ui";
import { Findings } from "./Findings";
import { MarksGrid } from "./MarksGrid";
import { StripTabs } from "./StripTabs";

/** Every part by its position: what it bears and where it lies. */
export function MarksPage() {
  const bench = useOutletContext<Bench>();
  const jobId = bench.card.id;
  const strip = useStripReport(jobId);
  const facts = useFacts(jobId);
  const [kind, setKind] = useState("rod");
  const report = strip.data;
  const kinds = [...new Set(report?.positions.map((one) => one.kind))];
  const [hand, setHand] = useState("");
  const shown = report?.positions.filter((one) => one.kind === kind) ?? [];
  const inHand = shown.find((one) => one.id === hand) ?? shown[0];
  const closed = bench.card.signed || bench.card.stage === "handed over";
  return (
    <Page
      untitled
      title="Marks and places"
      note="By position in the engine, not by the order they came out. Press a dashed mark once it is struck."
      pages={<StripTabs jobId={jobId} />}
    >
      <WaitingNotice waiting={facts} />
      <Faults error={facts.tell.error ?? strip.error} />
      {report && <Findings findings={report.findings} />}
      <div role="group" aria-label="Kind of part" className="mb-3 flex flex-wrap gap-1.5">
        {kinds.map((one) => (
          <Chip key={one} chosen={one === kind} onClick={() => setKind(one)}>
            {one}
          </Chip>
        ))}
      </div>
      <MarksGrid positions={shown} disabled={closed} facts={facts} onHand={setHand} />
      {inHand && (
        <section aria-label={`Pictures of ${inHand.name}`} className="mt-4">
          <h2 className="mb-1 font-semibold text-quiet">{inHand.name}</h2>
          <PictureStrip jobId={jobId} on={inHand.id} name={inHand.name} />
        </section>
      )}
    </Page>
  );
}
