import { useMutation } from "@tanstack/react-query";
import { useRef, useState } from "react";

import { ask, client } from "../../api";
import { type Bench, useKeepBench } from "../../shared/job";
import { MadeFile, tableOf, useDropped } from "../../shared/files";
import { Button, Faults, LinkButton, Notice, PrintButton, Section } from "../../shared/ui";

/** The job as files: out whole, readings in and out, and the blank card for those who write first. */
export function FilePart({ bench }: { bench: Bench }) {
  const file = useRef<HTMLInputElement>(null);
  const keep = useKeepBench();
  const path = { job_id: bench.card.id };
  const gauge = bench.gauges.find((one) => one.purposes.includes("journals"))?.id ?? "";
  const [text, setText] = useState("");
  const compare = useMutation({
    mutationFn: (given: string) =>
      ask(
        client.POST("/api/jobs/{job_id}/readings.csv/compare", {
          params: { path },
          body: { text: given, gauge },
        }),
      ),
  });
  const takeIn = useMutation({
    mutationFn: () =>
      ask(client.POST("/api/jobs/{job_id}/readings.csv", { params: { path }, body: { text, gauge } })),
    onSuccess: (taken) => {
      keep(taken);
      compare.reset();
    },
  });
  const reading = useMutation({ mutationFn: tableOf });
  const read = async (chosen: File) => {
    takeIn.reset();
    const table = await reading.mutateAsync(chosen).catch(() => undefined);
    if (table === undefined) return;
    setText(table);
    compare.mutate(table);
  };
  useDropped("table", (dropped) => void read(dropped));
  const found = compare.data;
  const base = `/api/jobs/${bench.card.id}`;
  return (
    <Section title="Files and paper">
      <div className="flex flex-wrap gap-2">
        <LinkButton to={`${base}/job.json`} file>
          Whole job (JSON)
        </LinkButton>
        <MadeFile to={`${base}/job.zip`}>With its pictures (zip)</MadeFile>
        <LinkButton to={`${base}/readings.csv`} file>
          Readings (CSV)
        </LinkButton>
        <Button disabled={bench.card.signed} onClick={() => file.current?.click()}>
          Take in readings (CSV, xlsx)
        </Button>
        <PrintButton to={`${base}/card.html`}>Blank measuring card</PrintButton>
        <MadeFile to={`${base}/card.pdf`}>Card as PDF</MadeFile>
      </div>
      <input
        ref={file}
        type="file"
        accept=".csv,text/csv,.xlsx"
        aria-label="Readings file"
        className="hidden"
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          event.target.value = "";
          if (chosen) void read(chosen);
        }}
      />
      <div className="mt-2">
        <Faults error={reading.error ?? compare.error ?? takeIn.error} />
        {found && (
          <Notice>
            <p>{found.words}</p>
            {found.differs.map((line) => (
              <p key={line} className="text-red">
                {line}
              </p>
            ))}
            {found.new > 0 && found.differs.length === 0 && (
              <Button
                kind="strong"
                className="mt-2"
                disabled={takeIn.isPending}
                onClick={() => takeIn.mutate()}
              >
                Take {found.new} in
              </Button>
            )}
          </Notice>
        )}
        {takeIn.isSuccess && <Notice>The readings are taken in.</Notice>}
      </div>
    </Section>
  );
}
