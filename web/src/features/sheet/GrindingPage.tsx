import { keepPreviousData, useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { useOutletContext } from "react-router";

import { ask, client, Refused, type Schemas } from "../../api";
import { MadeFile } from "../../shared/files";
import type { Bench } from "../../shared/job";
import { PunchMark } from "../../shared/marks";
import { Faults, LinkButton, Page, PrintButton } from "../../shared/ui";
import { SheetTabs } from "./SheetTabs";

type Line = Schemas["CardLine"];

/** The grinder's card: what to take off which journal, in which order, and how what came back stands to it. */
export function GrindingPage() {
  const bench = useOutletContext<Bench>();
  const jobId = bench.card.id;
  const found = useQuery({
    queryKey: ["bench", jobId, "grinding", bench.state],
    placeholderData: keepPreviousData,
    queryFn: () => ask(client.GET("/api/jobs/{job_id}/grinding", { params: { path: { job_id: jobId } } })),
    retry: false,
  });
  const card = found.data;
  const address = `/api/jobs/${jobId}/grinding`;
  const none = found.error instanceof Refused && found.error.code === "no-card" ? found.error.message : "";
  return (
    <Page
      untitled
      title="Grinder’s card"
      pages={<SheetTabs bench={bench} />}
      actions={
        card && (
          <>
            <PrintButton to={`${address}.html`}>Print</PrintButton>
            <MadeFile to={`${address}.pdf`}>PDF</MadeFile>
            <LinkButton to={`${address}.csv`} file>
              CSV
            </LinkButton>
          </>
        )
      }
    >
      {none ? <p className="text-lg">{none}</p> : <Faults error={found.error} />}
      {card && <CardBody card={card} />}
    </Page>
  );
}

function CardBody({ card }: { card: Schemas["GrindingCard"] }) {
  const back = card.lines.some((line) => line.hit);
  return (
    <>
      <h2 className="text-3xl font-semibold leading-tight">{card.headline}</h2>
      {card.first.map((words) => (
        <p key={words} className="mb-2 border-l-4 border-red pl-3 text-lg font-semibold">
          {words}
        </p>
      ))}
      <div role="table" aria-label="Journals on the card">
        <div role="row" className={`${ROW} border-b border-ink py-1 text-quiet max-lg:hidden`}>
          {[
            "Journal",
            "Work",
            "Now, least",
            "To come off",
            "Grind to",
            "After polish",
            back ? "Came out" : "",
          ].map((head) => (
            <span key={head} role="columnheader">
              {head}
            </span>
          ))}
        </div>
        {card.lines.map((line) => (
          <LineRow key={line.journal} line={line} />
        ))}
      </div>
      <p className="mt-1 text-[15px] text-quiet">
        What comes off is on diameter, to the top and to the bottom of the band.
      </p>
      <div className="mt-5 grid grid-cols-2 gap-x-10 gap-y-5 max-lg:grid-cols-1">
        <section>
          <h2 className="border-b border-ink text-xl font-semibold">In this order</h2>
          <ol>
            {card.order.map((step, nth) => (
              <li
                key={`${nth} ${step.words}`}
                className="flex items-baseline gap-3 border-b border-line/60 py-1.5 text-lg leading-snug"
              >
                <span className="figure w-7 shrink-0 text-right text-quiet">{nth + 1}</span>
                <span className={step.done ? "text-quiet" : ""}>{step.words}</span>
                {step.done && <strong className="ml-auto text-[15px]">done</strong>}
              </li>
            ))}
          </ol>
        </section>
        <div className="flex flex-col gap-5">
          <section>
            <h2 className="border-b border-ink text-xl font-semibold">Keep</h2>
            <dl>
              {card.keep.map(({ what, words }) => (
                <div
                  key={what}
                  className="grid grid-cols-[9rem_1fr] gap-3 border-b border-line/60 py-1.5 leading-snug"
                >
                  <dt className="font-semibold">{what}</dt>
                  <dd>{words}</dd>
                </div>
              ))}
            </dl>
          </section>
          <Listed title="Half bearings" lines={card.shells} />
          <Listed title="Still asked, now that it is back" lines={card.asked} />
        </div>
      </div>
      <section className="mt-5 text-[15px]">
        <h2 className="font-semibold">Cautions</h2>
        {card.cautions.map((caution) => (
          <p key={caution.work} className="mt-1">
            <strong>{caution.work}.</strong> {caution.say}{" "}
            <span className="text-quiet">{caution.defer_to}</span>
          </p>
        ))}
      </section>
    </>
  );
}

const ROW =
  "grid grid-cols-[minmax(10rem,1.5fr)_minmax(6.5rem,1.1fr)_4.5rem_8.5rem_8.5rem_8.5rem_minmax(6rem,1.2fr)] gap-x-3 xl:grid-cols-[minmax(12rem,1.3fr)_minmax(8rem,0.9fr)_5rem_9.5rem_9.5rem_9.5rem_minmax(9rem,1.2fr)] max-lg:grid-cols-3 max-sm:grid-cols-2";

function LineRow({ line }: { line: Line }) {
  return (
    <div role="row" className={`${ROW} items-center border-b border-line py-2`}>
      <div role="cell" className="flex items-center gap-2 font-semibold max-lg:col-span-full">
        <PunchMark code={line.mark.code} size={20} label={line.mark.word} />
        {line.journal}
      </div>
      <Cell label="Work">{line.work}</Cell>
      <Cell label="Now" figure>
        {line.present}
      </Cell>
      <Cell label="To come off" figure>
        {line.stock}
      </Cell>
      <Cell label="Grind to" figure>
        {line.grind_to && <strong>{line.grind_to}</strong>}
      </Cell>
      <Cell label="After polish" figure empty={!line.finish_to}>
        {line.finish_to}
        {line.aim && <span className="block">aim {line.aim}</span>}
      </Cell>
      <Cell label="Came out" empty={!line.hit}>
        {line.hit && (
          <span className={line.called === "beyond" ? "font-semibold text-red" : "font-semibold"}>
            {line.hit}
          </span>
        )}
        {line.now && <span className="block text-[15px] leading-snug">{line.now}</span>}
      </Cell>
    </div>
  );
}

function Cell({
  label,
  figure = false,
  empty = false,
  children,
}: {
  label: string;
  figure?: boolean;
  /** Nothing is known here: on a narrow screen it is left out. */
  empty?: boolean;
  children: ReactNode;
}) {
  return (
    <div
      role="cell"
      className={`${figure ? "figure max-xl:text-[15px]" : ""} ${empty || !children ? "max-lg:hidden" : ""}`}
    >
      <span className="block text-sm text-quiet lg:hidden">{label}</span>
      {children}
    </div>
  );
}

function Listed({ title, lines }: { title: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <section>
      <h2 className="border-b border-ink text-xl font-semibold">{title}</h2>
      {lines.map((words) => (
        <p key={words} className="border-b border-line/60 py-1.5 leading-snug">
          {words}
        </p>
      ))}
    </section>
  );
}
