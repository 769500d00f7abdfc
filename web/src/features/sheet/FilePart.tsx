import { useMutation } from "@tanstack/react-query";
import { useRef } from "react";

import { ask, client } from "../../api";
import { type Bench, useKeepBench } from "../../shared/job";
import { Button, Faults, LinkButton, Notice, Section } from "../../shared/ui";

/** The job as files: out whole, readings in and out, and the blank card for those who write first. */
export function FilePart({ bench }: { bench: Bench }) {
  const file = useRef<HTMLInputElement>(null);
  const keep = useKeepBench();
  const path = { job_id: bench.card.id };
  const gauge = bench.gauges[0]?.id ?? "";
  const takeIn = useMutation({
    mutationFn: (text: string) =>
      ask(client.POST("/api/jobs/{job_id}/readings.csv", { params: { path }, body: { text, gauge } })),
    onSuccess: keep,
  });
  const base = `/api/jobs/${bench.card.id}`;
  return (
    <Section title="Files and paper">
      <div className="flex flex-wrap gap-2">
        <LinkButton to={`${base}/job.json`} file>
          Whole job (JSON)
        </LinkButton>
        <LinkButton to={`${base}/readings.csv`} file>
          Readings (CSV)
        </LinkButton>
        <Button disabled={bench.card.signed} onClick={() => file.current?.click()}>
          Take in readings (CSV)
        </Button>
        <LinkButton to={`${base}/card.html`} file>
          Blank measuring card
        </LinkButton>
        <LinkButton to={`${base}/card.pdf`} file>
          Card as PDF
        </LinkButton>
      </div>
      <input
        ref={file}
        type="file"
        accept=".csv,text/csv"
        aria-label="Readings file"
        className="hidden"
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          event.target.value = "";
          void chosen?.text().then((text) => takeIn.mutate(text));
        }}
      />
      <div className="mt-2">
        <Faults error={takeIn.error} />
        {takeIn.isSuccess && <Notice>The readings are taken in.</Notice>}
      </div>
    </Section>
  );
}
