import { useQuery } from "@tanstack/react-query";
import { useOutletContext } from "react-router";

import { ask, client } from "../../api";
import { useStripReport } from "../../shared/door";
import type { Bench } from "../../shared/job";
import { MadeFile } from "../../shared/files";
import { Button, Chip, Faults, Page } from "../../shared/ui";
import { useKept } from "../../shared/useKept";
import { LabelSheet } from "./LabelSheet";
import { StripTabs } from "./StripTabs";

export interface Form {
  roll: boolean;
  width: string;
  height: string;
  columns: string;
  rows: string;
  skip: string;
  kinds: readonly string[];
}

const SHEETS: readonly { name: string; form: Omit<Form, "kinds" | "skip"> }[] = [
  { name: "A4, 3 by 8", form: { roll: false, width: "63.5", height: "33.9", columns: "3", rows: "8" } },
  { name: "A4, 2 by 5", form: { roll: false, width: "99", height: "57", columns: "2", rows: "5" } },
  { name: "Roll, 57 by 32 mm", form: { roll: true, width: "57", height: "32", columns: "1", rows: "1" } },
  { name: "Roll, 40 by 20 mm", form: { roll: true, width: "40", height: "20", columns: "1", rows: "1" } },
];
const START: Form = {
  ...(SHEETS[0]?.form ?? { roll: true, width: "57", height: "32", columns: "1", rows: "1" }),
  skip: "0",
  kinds: ["rod", "rod cap", "half bearing", "piston", "main cap"],
};
const isForm = (kept: unknown): kept is Form =>
  typeof kept === "object" && kept !== null && "kinds" in kept && "skip" in kept;

/** Labels for trays and bags: which parts, on which paper. */
export function LabelsPage() {
  const bench = useOutletContext<Bench>();
  const jobId = bench.card.id;
  const strip = useStripReport(jobId);
  const [form, setForm] = useKept<Form>("labels", () => START, isForm);
  const query = {
    roll: form.roll,
    width: Number(form.width) || 0,
    height: Number(form.height) || 0,
    columns: Number(form.columns) || 0,
    rows: Number(form.rows) || 0,
    skip: Number(form.skip) || 0,
    kinds: form.kinds.join(","),
  };
  const check = useQuery({
    queryKey: ["bench", jobId, "labels", query],
    queryFn: () =>
      ask(client.GET("/api/jobs/{job_id}/labels/check", { params: { path: { job_id: jobId }, query } })),
    enabled: form.kinds.length > 0,
    placeholderData: (before) => before,
  });
  const address = `/api/jobs/${jobId}/labels.pdf?${new URLSearchParams(Object.entries(query).map(([name, value]) => [name, String(value)])).toString()}`;
  const kinds = [...new Set(strip.data?.positions.map((one) => one.kind))];
  const toggle = (kind: string) =>
    setForm({
      ...form,
      kinds: form.kinds.includes(kind) ? form.kinds.filter((one) => one !== kind) : [...form.kinds, kind],
    });
  return (
    <Page
      untitled
      title="Labels"
      note="For trays and bags: position, mark, and a code that says the same."
      pages={<StripTabs jobId={jobId} />}
    >
      <div className="grid grid-cols-2 gap-x-8 gap-y-4 max-[979px]:grid-cols-1">
        <div className="flex flex-col gap-4">
          <section aria-label="Which parts">
            <h2 className="mb-1 text-xl font-semibold">Which parts</h2>
            <div className="flex flex-wrap gap-1.5">
              {kinds.map((kind) => (
                <Chip key={kind} chosen={form.kinds.includes(kind)} onClick={() => toggle(kind)}>
                  {kind}
                </Chip>
              ))}
            </div>
          </section>
          <section aria-label="Paper">
            <h2 className="mb-1 text-xl font-semibold">Paper</h2>
            <div className="mb-2 flex flex-wrap gap-1.5">
              {SHEETS.map((sheet) => (
                <Chip
                  key={sheet.name}
                  chosen={Object.entries(sheet.form).every(
                    ([name, value]) => form[name as keyof Form] === value,
                  )}
                  onClick={() => setForm({ ...form, ...sheet.form })}
                >
                  {sheet.name}
                </Chip>
              ))}
            </div>
            <div className="grid grid-cols-5 gap-2 max-sm:grid-cols-2">
              {(["width", "height", "columns", "rows", "skip"] as const).map((name) => (
                <label
                  key={name}
                  className={form.roll && !["width", "height"].includes(name) ? "hidden" : ""}
                >
                  <span className="block text-[15px] text-quiet">{WORDS[name]}</span>
                  <input
                    className="h-11 w-full border-2 border-line bg-sheet px-2 focus:border-blue"
                    inputMode="decimal"
                    value={form[name]}
                    onChange={(event) => setForm({ ...form, [name]: event.target.value })}
                  />
                </label>
              ))}
            </div>
            <p className="mt-1 text-[15px] text-quiet">
              {form.roll
                ? "The size as your printer cuts it."
                : "The size as the sheet is cut; it is centred on the paper."}
            </p>
          </section>
          <Faults error={check.error} />
          {form.kinds.length === 0 && <p className="font-semibold">Choose what is to be labelled.</p>}
          {check.data && !check.isError && form.kinds.length > 0 && (
            <div className="flex flex-wrap items-center gap-3">
              <MadeFile to={address} kind="strong">
                Print {check.data.count} labels
              </MadeFile>
            </div>
          )}
          {check.isError && <Button onClick={() => setForm(START)}>Back to A4, 3 by 8</Button>}
        </div>
        {check.data && !check.isError && form.kinds.length > 0 && (
          <LabelSheet form={query} first={check.data} job={`${bench.card.number}, ${bench.card.title}`} />
        )}
      </div>
    </Page>
  );
}

const WORDS = {
  width: "width, mm",
  height: "height, mm",
  columns: "side by side",
  rows: "rows",
  skip: "used already",
} as const;
