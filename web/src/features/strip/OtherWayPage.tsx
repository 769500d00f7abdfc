import { useQuery } from "@tanstack/react-query";
import { useOutletContext } from "react-router";

import { ask, client } from "../../api";
import { MadeFile } from "../../shared/files";
import type { Bench } from "../../shared/job";
import { Faults, Page, PrintButton } from "../../shared/ui";
import { StripTabs } from "./StripTabs";

/** The list the other way round: what must be on before what, with what is used once and the marks that must agree. */
export function OtherWayPage() {
  const bench = useOutletContext<Bench>();
  const jobId = bench.card.id;
  const found = useQuery({
    queryKey: ["bench", jobId, "other-way"],
    queryFn: () =>
      ask(client.GET("/api/jobs/{job_id}/strip/other-way", { params: { path: { job_id: jobId } } })),
  });
  const steps = found.data ?? [];
  const address = `/api/jobs/${jobId}/strip/other-way`;
  return (
    <Page
      untitled
      title="The other way"
      note="The same rules, turned round. The maker's manual and its torques come first."
      pages={<StripTabs jobId={jobId} />}
      actions={
        <>
          <PrintButton to={`${address}.html`}>Print</PrintButton>
          <MadeFile to={`${address}.pdf`}>PDF</MadeFile>
        </>
      }
    >
      <Faults error={found.error} />
      <ol className="max-w-4xl">
        {steps.map((step, nth) => (
          <li key={step.id} className="border-b border-line/60 py-1.5 leading-snug">
            {step.section !== steps[nth - 1]?.section && (
              <h2 className="mt-3 border-b border-ink font-semibold">{step.section}</h2>
            )}
            <span className="figure mr-3 inline-block w-8 text-right text-quiet">{nth + 1}</span>
            {step.text}
            {step.marks.length > 0 && (
              <span className="ml-2 text-[15px] text-quiet">{step.marks.join(", ")}</span>
            )}
            {step.once && <strong className="ml-2 text-[15px]">new: {step.once}</strong>}
          </li>
        ))}
      </ol>
    </Page>
  );
}
