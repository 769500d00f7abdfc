import { useState } from "react";

import { Refused } from "../../api";
import { seenAs } from "../../shared/job";
import { Button, Choice, Dialog, Field } from "../../shared/ui";
import type { Shown } from "./EvidenceFrame";

type Props = Pick<Shown, "board" | "facts"> & { disabled: boolean };

/** Heights of the deposit line in each bore, from the deck: the one that lies off the others is seen at once. */
export function DepositLines({ board, facts, disabled }: Props) {
  const crowns = board.looks.find((one) => one.key === "crown")?.places ?? [];
  const [on, setOn] = useState("");
  const [typed, setTyped] = useState("");
  const most = Math.max(1, ...board.deposits.map((one) => one.height_nm));
  const next =
    on || (crowns.find((one) => !board.deposits.some((line) => line.on === one.id)) ?? crowns[0])?.id || "";
  return (
    <section aria-label="Deposit lines" className="border-t border-line pt-2">
      <h2 className="text-xl font-semibold">Deposit line of each bore, from the deck</h2>
      <p className="text-quiet">
        A line is a band: it is known to about 0.3 mm, and only a larger difference counts.
      </p>
      {board.deposits.length > 0 && (
        <ul className="my-2">
          {board.deposits.map((one) => (
            <li key={one.on} className="grid grid-cols-[7rem_minmax(0,1fr)_7rem] items-center gap-2">
              <span>{one.name}</span>
              <span className="h-3 border border-line bg-sheet">
                <span className="block h-full bg-ink" style={{ width: `${(100 * one.height_nm) / most}%` }} />
              </span>
              <span className="figure text-right">{one.height}</span>
            </li>
          ))}
        </ul>
      )}
      {!disabled && crowns.length > 0 && (
        <form
          className="mt-1 flex flex-wrap items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            facts.tell.mutate([seenAs(next, "deposit line", "measured", { amount: typed })], {
              onSuccess: () => {
                setTyped("");
                setOn("");
              },
            });
          }}
        >
          <Choice
            label="Bore of"
            value={next}
            options={crowns.map((one) => ({ value: one.id, label: one.name }))}
            onChange={setOn}
          />
          <Field
            label="Height of its line"
            hint="6.3 mm"
            value={typed}
            maxLength={60}
            onChange={(event) => setTyped(event.target.value)}
          />
          <Button type="submit" disabled={!typed.trim()}>
            Keep it
          </Button>
        </form>
      )}
    </section>
  );
}

type Draft = Record<string, { value: string; unit: string; usual: string; sample: string }>;
const DRAWN = [
  "hot and running",
  "from the drain, mid-stream",
  "what was left after the strip",
  "not said",
] as const;

/** Oil reports: figures with their unit, and how the sample was drawn, which decides what it may prove. */
export function OilReports({ board, facts, disabled }: Props) {
  const [open, setOpen] = useState(false);
  const [sample, setSample] = useState("");
  const [drawn, setDrawn] = useState<(typeof DRAWN)[number]>("not said");
  const [lab, setLab] = useState("");
  const [draft, setDraft] = useState<Draft>({});
  const error = facts.tell.error;
  const faults = error instanceof Refused && error.code === "bad-report" ? error.faults : [];
  const fault = (key: string) => faults.find((one) => one.where === key)?.what;
  const set = (key: string, unit: string, change: Partial<Draft[string]>) =>
    setDraft({ ...draft, [key]: { value: "", unit, usual: "", sample: "", ...draft[key], ...change } });
  const keep = () => {
    const figures = Object.entries(draft)
      .filter(([, one]) => one.value.trim())
      .map(([key, one]) => ({ key, ...one }));
    facts.tell.mutate([{ fact: "oil report", sample, drawn, lab, figures }], {
      onSuccess: () => {
        setOpen(false);
        setDraft({});
      },
    });
  };
  return (
    <section aria-label="Oil reports" className="border-t border-line pt-2">
      <div className="flex items-center justify-between">
        <h2 className="text-xl font-semibold">Oil reports</h2>
        <Button kind="quiet" disabled={disabled} onClick={() => setOpen(true)}>
          Write a report down
        </Button>
      </div>
      {board.oil_reports.map((one) => (
        <div key={one.fact} className="mb-2">
          <p>
            <strong>Sample {one.sample}</strong>, drawn {one.drawn}
            {one.mistrusted && ", mistrusted"}
          </p>
          <ul className="leading-snug">
            {one.figures.map((figure) => (
              <li key={figure.name} className="flex flex-wrap gap-x-3">
                <span className={`w-36 ${figure.counts ? "" : "text-quiet line-through"}`}>
                  {figure.name}
                </span>
                <span className={`figure w-40 ${figure.counts ? "" : "text-quiet line-through"}`}>
                  {figure.words}
                </span>
                <span className="min-w-56 flex-1 text-quiet">{figure.says}</span>
              </li>
            ))}
          </ul>
        </div>
      ))}
      <Dialog
        open={open}
        onOpenChange={setOpen}
        title="Oil report"
        note="Only what the report says. One sample a report. “Usual” is what this engine shows as a rule, or the new oil."
        wide
      >
        <div className="mb-3 grid grid-cols-3 gap-3 max-sm:grid-cols-1">
          <Field
            label="Sample"
            hint="as the lab numbers it"
            value={sample}
            maxLength={60}
            onChange={(event) => setSample(event.target.value)}
          />
          <Choice
            label="How it was drawn"
            value={drawn}
            fault={fault("drawn")}
            options={DRAWN.map((one) => ({ value: one, label: one }))}
            onChange={setDrawn}
          />
          <Field label="Lab" value={lab} maxLength={200} onChange={(event) => setLab(event.target.value)} />
        </div>
        <table className="w-full">
          <thead>
            <tr className="text-left">
              <th>Figure</th>
              <th>Read</th>
              <th>Unit</th>
              <th>Usual</th>
            </tr>
          </thead>
          <tbody>
            {board.oil_known.map((one) => (
              <tr key={one.key} className="border-t border-line/60">
                <th scope="row" className="text-left font-normal">
                  {one.name}
                  {fault(one.key) && <span className="block font-semibold text-red">{fault(one.key)}</span>}
                </th>
                <td>
                  <Cell
                    label={`${one.name}, read`}
                    value={draft[one.key]?.value ?? ""}
                    onChange={(value) => set(one.key, one.units[0] ?? "", { value })}
                  />
                </td>
                <td>
                  <Cell
                    label={`${one.name}, unit`}
                    value={draft[one.key]?.unit ?? one.units[0] ?? ""}
                    onChange={(unit) => set(one.key, unit, { unit })}
                  />
                </td>
                <td>
                  <Cell
                    label={`${one.name}, usual`}
                    value={draft[one.key]?.usual ?? ""}
                    onChange={(usual) => set(one.key, one.units[0] ?? "", { usual })}
                  />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {fault("figures") && <p className="font-semibold text-red">{fault("figures")}</p>}
        <div className="mt-4">
          <Button kind="strong" onClick={keep}>
            Keep the report
          </Button>
        </div>
      </Dialog>
    </section>
  );
}

function Cell({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
}) {
  return (
    <input
      aria-label={label}
      className="figure min-h-11 w-28 border-2 border-line bg-sheet px-2 focus:border-blue"
      value={value}
      maxLength={40}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}
