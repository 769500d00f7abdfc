import type { ReactNode } from "react";

import type { Schemas } from "../../api";
import {
  type Bench,
  DecideBar,
  type Part,
  setOf,
  type SetReport,
  useKinds,
  type Waiving,
} from "../../shared/job";
import { PunchMark } from "../../shared/marks";
import { MadeFile } from "../../shared/files";
import { LinkButton, PrintButton } from "../../shared/ui";
import { useMay } from "../session";
import { StepTable } from "./StepTable";
import { Waivers } from "./Waivers";

interface Props {
  bench: Bench;
  found: Schemas["Assessment"];
  set: string;
  onWaive: (waiving: Waiving) => void;
}

/** One set of the sheet: the decision, the reasons, each part, the steps and what is to be ordered. */
export function SetPart({ bench, found, set, onWaive }: Props) {
  const may = useMay();
  const report = setOf(found, set);
  const here = found.parts.filter((part) => part.set === set);
  const out = here.filter((part) => part.out);
  const only = here.filter((part) => part.place);
  const stepped = useKinds().find((one) => set in one.sets)?.stepped;
  return (
    <section aria-label={report.name} className="border-t-2 border-ink pb-5 pt-3">
      <h2 className="flex items-center gap-3 text-2xl font-semibold leading-tight">
        <PunchMark code={report.mark.code} size={28} label={report.mark.word} />
        <span>
          {report.name}: {report.headline}
        </span>
      </h2>
      <ul className="my-2 list-disc pl-5 text-[17px]">
        {report.reasons.map((reason) => (
          <li key={reason.text} title={reason.rule}>
            {reason.text}
          </li>
        ))}
        {report.not_judged && <li className="text-quiet">{report.not_judged}</li>}
      </ul>
      <div className="mb-3">
        <DecideBar bench={bench} set={set} mayDecide={may("decide and sign")} />
      </div>
      <PartTable
        parts={here.filter((part) => !part.out)}
        bench={bench}
        onWaive={may("decide and sign") ? onWaive : undefined}
      />
      {here
        .filter((part) => !part.out && part.found.length > 0)
        .map((part) => (
          <p key={part.id} className="mt-1">
            <strong>{part.short_name}</strong> {part.found.join("; ")}.
          </p>
        ))}
      {stepped && report.steps.some((step) => step.outlook) && (
        <StepTable steps={report.steps} words={stepped} />
      )}
      {report.ways.length > 0 && (
        <Part title="Other ways on">
          {report.ways.map((way) => (
            <p key={way.words} title={way.rule} className="mt-1">
              {way.words} <span className="text-quiet">{way.costs}</span>
            </p>
          ))}
        </Part>
      )}
      {stepped?.card && (report.rough_band ?? report.finished_band) && (
        <Part title="For the machine">
          <div className="flex gap-2">
            <PrintButton to={`/api/jobs/${bench.card.id}/boring.html`}>{stepped.card}</PrintButton>
            <MadeFile to={`/api/jobs/${bench.card.id}/boring.pdf`}>{stepped.card} as PDF</MadeFile>
            <LinkButton to={`/api/jobs/${bench.card.id}/boring.csv`} file>
              as CSV
            </LinkButton>
          </div>
        </Part>
      )}
      {out.length > 0 && (
        <p className="text-[15px] text-quiet">
          In no place: {out.map((part) => `${part.short_name} (${part.mark.word})`).join(", ")}
        </p>
      )}
      {only[0] && only.length === 1 && <FiguresPart part={only[0]} />}
      {report.tables
        .filter((table) => table.rows.length > 0)
        .map((table) => (
          <ListPart key={table.key} table={table} />
        ))}
      {report.card && (
        <Part title="To hang at the bench">
          <div className="flex gap-2">
            <PrintButton to={`/api/jobs/${bench.card.id}/filing.html`}>{report.card}</PrintButton>
            <MadeFile to={`/api/jobs/${bench.card.id}/filing.pdf`}>{report.card} as PDF</MadeFile>
            <LinkButton to={`/api/jobs/${bench.card.id}/filing.csv`} file>
              as CSV
            </LinkButton>
          </div>
        </Part>
      )}
      <ToOrder report={report} />
      {report.would_change.length > 0 && (
        <Part title="What would change it">
          {report.would_change.map((text) => (
            <p key={text}>{text}</p>
          ))}
        </Part>
      )}
      {report.cautions.length > 0 && (
        <Part title="Cautions">
          <ul className="text-[15px]">
            {report.cautions.map((caution) => (
              <li key={caution.work} className="mt-1">
                <strong>{caution.work}.</strong> {caution.say}{" "}
                <span className="text-quiet">{caution.defer_to}</span>
              </li>
            ))}
          </ul>
        </Part>
      )}
    </section>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <>
      <h3 className="mt-3 font-semibold">{title}</h3>
      {children}
    </>
  );
}

/** A list the set brings: which piston lies where, what is filed from each ring, what is checked before closing. */
function ListPart({ table }: { table: Schemas["TableShown"] }) {
  return (
    <Part title={table.title}>
      <div className="overflow-x-auto">
        <table className="w-full border-collapse text-left text-[15px]">
          <caption className="sr-only">{table.title}</caption>
          <thead className="text-quiet">
            <tr className="border-b border-ink">
              {table.columns.map((column) => (
                <th key={column} scope="col" className="pr-3 font-normal">
                  {column}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {table.rows.map((row) => (
              <tr key={row.join()} className="border-b border-line">
                {row.map((cell, n) => (
                  <td
                    key={table.columns[n]}
                    className={`py-1 pr-3 ${/^[\d.-]+$/.test(cell) ? "figure" : ""}`}
                  >
                    {cell}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {table.note && <p className="text-[15px] text-quiet">{table.note}</p>}
    </Part>
  );
}

/** The figures of a set that is one piece, as the pump: they stand on the sheet themselves. */
function FiguresPart({ part }: { part: Part }) {
  if (part.figures.length === 0) return null;
  return (
    <table className="mt-2 w-full border-collapse text-left text-[15px]">
      <caption className="sr-only">Figures of {part.name}</caption>
      <tbody>
        {part.figures.map((figure) => (
          <tr key={figure.key} className="border-b border-line">
            <th scope="row" className="py-1 font-normal">
              {figure.name}
            </th>
            <td className="figure pr-3 text-right text-[17px] font-bold">{figure.value.text}</td>
            <td className="text-quiet">
              {figure.limit_is_least ? "least" : "most"} {figure.limit}
              {figure.called !== "within" && <strong className="ml-1 text-ink">{figure.called}</strong>}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

interface PartsProps {
  parts: readonly Part[];
  bench: Bench;
  onWaive: ((waiving: Waiving) => void) | undefined;
}

function PartTable({ parts, bench, onWaive }: PartsProps) {
  const spare = parts.some((part) => part.clean_up?.to_spare);
  return (
    <table className="w-full border-collapse text-left">
      <thead className="text-quiet">
        <tr className="border-b border-ink">
          <th className="font-normal">Part</th>
          <th className="pr-3 text-right font-normal">Size</th>
          {spare && <th className="pr-3 text-right font-normal">To spare</th>}
          <th className="font-normal">{parts[0]?.station === "crank" ? "Oil clearance" : "Says"}</th>
        </tr>
      </thead>
      <tbody>
        {parts.map((part) => (
          <tr key={part.id} className="border-b border-line align-middle">
            <td className="py-1 pr-1">
              <span className="flex items-center gap-2">
                <PunchMark code={part.mark.code} size={18} label={part.mark.word} />
                <span className="whitespace-nowrap font-semibold">{part.short_name}</span> {part.mark.letter}
              </span>
            </td>
            <td className="figure px-3 text-right text-[17px] font-bold">{part.size_words || "–"}</td>
            {spare && <td className="figure pr-3 text-right">{part.clean_up?.to_spare ?? ""}</td>}
            <td className="text-[15px]">
              {saysOf(part)}
              <Waivers part={part} bench={bench} onWaive={onWaive} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A journal is told by its bearing's clearance, any other part by its own verdict. */
const saysOf = (part: Part): string =>
  part.station === "crank" && part.clearance.words
    ? part.clearance.words
    : [part.under_headline || part.headline, part.place ? part.clearance.words : "", part.lies]
        .filter((words, n, all) => words && all.indexOf(words) === n)
        .join("; ");

/** What the verdict asks the shop to buy. */
function ToOrder({ report }: { report: SetReport }) {
  if (report.to_order.length === 0) return null;
  return (
    <Part title={report.to_order.some((order) => order.ask_first) ? "Can it be had? Ask now" : "To order"}>
      {report.to_order.map((order) => (
        <p key={`${order.what} ${order.words}`}>
          <span className="figure">
            {[`${order.count} ${order.what}`, order.words].filter(Boolean).join(", ")}
          </span>
          {order.part_number && <span className="figure ml-2 text-quiet">{order.part_number}</span>}
          <span className="ml-2">for {order.parts.join(", ")}</span>
          {order.ask_first && <span className="ml-2 text-quiet">order when it is ground and read</span>}
          {!order.can_be_bought && <strong className="ml-2">not to be bought by the sheet</strong>}
        </p>
      ))}
    </Part>
  );
}
