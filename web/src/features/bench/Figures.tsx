import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client } from "../../api";
import type { Bench, Part } from "../../shared/job";
import { Dialog, Faults } from "../../shared/ui";

/** Told with the bearing, not with the part. */
const BEARING: readonly string[] = ["clearance least", "clearance most", "housing least", "housing most"];
const DIFFERENCES: readonly string[] = ["out-of-round", "taper", "barrel"];
const CALLED = { within: "", beyond: "beyond", "too close": "too close", "not read": "" } as const;

/** What the readings come to: each figure against its limit, and how sure it is. */
export function Figures({ bench, part, drawn = false }: { bench: Bench; part: Part; drawn?: boolean }) {
  const [open, setOpen] = useState(false);
  const figures = part.figures.filter((figure) => !BEARING.includes(figure.key));
  if (figures.length === 0) {
    return <p className="text-quiet">Figures come with the readings they are worked out from.</p>;
  }
  const size = figures.find((figure) => figure.of_size);
  const form = figures.find((figure) => DIFFERENCES.includes(figure.key));
  return (
    <>
      <table className={drawn ? "sr-only" : "w-full max-w-full border-collapse"}>
        <caption className="sr-only">Figures of {part.name}</caption>
        <tbody>
          {figures.map((figure) => (
            <tr key={figure.key} className="h-8 align-baseline">
              <th scope="row" className="whitespace-nowrap pr-1 text-left text-[16px] font-normal">
                {figure.name}
              </th>
              <td
                className={`figure whitespace-nowrap pr-2 text-right text-[19px] font-bold ${figure.called === "beyond" ? "text-red" : ""}`}
              >
                {Boolean(figure.words) && figure.words !== figure.value.text ? (
                  <Worded words={figure.words} />
                ) : (
                  figure.value.text
                )}
              </td>
              <td className="text-[15px] leading-tight text-quiet">
                {figure.limit_is_least ? "least" : "most"} {figure.limit}
                {CALLED[figure.called] && <strong className="ml-1 text-ink">{CALLED[figure.called]}</strong>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-[15px] leading-tight text-quiet">
        {part.fitted && `Two-point ${part.two_point ?? ""}, fitted ${part.fitted}. `}
        {size && `Sure within ±${size.guard.text}`}
        {size && form && `, differences ±${form.guard.text}`}
        {size && ". "}
        <button type="button" className="min-h-8 font-semibold text-blue" onClick={() => setOpen(true)}>
          What that consists of
        </button>
      </p>
      <BudgetDialog bench={bench} part={part} open={open} onOpenChange={setOpen} />
    </>
  );
}

/** A figure with words before it, as "at most": they are small, the figure is what is read from afar. */
function Worded({ words }: { words: string }) {
  const at = words.lastIndexOf(" ");
  return (
    <>
      <span className="font-sans text-[15px] font-semibold">{words.slice(0, at + 1)}</span>
      {words.slice(at + 1)}
    </>
  );
}

interface BudgetProps {
  bench: Bench;
  part: Part;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}

/** The uncertainty budget, laid open: every source with its share. */
function BudgetDialog({ bench, part, open, onOpenChange }: BudgetProps) {
  const path = { job_id: bench.card.id, part: part.id };
  const budgets = useQuery({
    queryKey: ["bench", bench.card.id, "budgets", part.id],
    queryFn: () => ask(client.GET("/api/jobs/{job_id}/budgets/{part}", { params: { path } })),
    enabled: open,
  });
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      wide
      title={`How sure: ${part.name}`}
      note={budgets.data?.[0]?.rule ?? "Every source of doubt, as a standard uncertainty u."}
    >
      <Faults error={budgets.error} />
      <div className="grid grid-cols-2 gap-x-8 gap-y-5">
        {budgets.data?.map((budget) => (
          <section key={budget.key}>
            <h3 className="flex items-baseline justify-between border-b-2 border-ink pb-1 text-lg font-semibold">
              <span>{budget.figure}</span>
              <span className="figure">
                {budget.value} <span className="text-base font-normal text-quiet">limit {budget.limit}</span>
              </span>
            </h3>
            <table className="w-full text-[15px]">
              <caption className="sr-only">Sources of doubt in {budget.figure}</caption>
              <tbody>
                {budget.lines.map((line) => (
                  <tr key={line.source} className="border-b border-line/60">
                    <th scope="row" className="py-1 text-left font-normal leading-tight">
                      {line.source}
                    </th>
                    <td className="figure px-2 text-right">{line.u}</td>
                    <td className="w-28">
                      <span className="flex items-center gap-1">
                        <span className="h-2.5 bg-blue" style={{ width: `${line.share_percent * 0.6}px` }} />
                        <span className="figure text-xs text-quiet">{line.share_percent} %</span>
                      </span>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            <p className="mt-1 text-[15px] leading-tight">
              u <span className="figure">{budget.u}</span>, U = 2u{" "}
              <span className="figure">{budget.expanded}</span>, guard band{" "}
              <span className="figure">{budget.guard}</span>
              {budget.beyond_guard !== budget.guard && (
                <>
                  , to be called beyond <span className="figure">{budget.beyond_guard}</span>
                </>
              )}
              {budget.freedom && `, effective degrees of freedom ${budget.freedom}`}. The chance that it is
              within: <span className="figure">{budget.chance}</span>.
            </p>
            {budget.cancelled && <p className="text-sm leading-tight text-quiet">{budget.cancelled}</p>}
          </section>
        ))}
      </div>
    </Dialog>
  );
}
