import type { ReactNode } from "react";
import { Link } from "react-router";

import type { Schemas } from "../../api";
import { momentText } from "../../shared/dates";
import { PlaceLink, useBench, useToBench } from "../../shared/job";
import { OverTime, SideBySide } from "../../shared/drawn";
import { PunchMark } from "../../shared/marks";
import { PictureStrip } from "../../shared/pictures";

type PlaceCard = Schemas["PlaceCard"];

/** What is known of one part: what it waits for first, then what it bears, where it lies, what was measured and seen,
 * and what lies with it. */
export function Card({ jobId, card, disabled }: { jobId: number; card: PlaceCard; disabled: boolean }) {
  const toBench = useToBench(jobId);
  return (
    <>
      <div className="mb-4 flex flex-wrap items-center gap-x-6 gap-y-3 border-b-2 border-line pb-4 empty:hidden">
        {card.mark && card.mark.ought && <Tag card={card} />}
        <div className="min-w-0">
          {liesWords(card) && (
            <p className="text-lg">
              <strong>{liesWords(card)}</strong>
            </p>
          )}
          {card.verdict && (
            <p className="flex items-center gap-2 text-lg">
              <PunchMark code={card.verdict.code} size={24} />
              {card.headline}
            </p>
          )}
        </div>
      </div>
      <div className="columns-2 gap-8 max-md:columns-1">
        {card.waits.length > 0 && (
          <Part title="Waits for">
            <ul className="text-lg font-semibold">
              {card.waits.map((one) => (
                <li key={one}>{one}</li>
              ))}
            </ul>
            <p className="mt-1 flex flex-wrap gap-x-5">
              {card.set && !disabled && (
                <button
                  type="button"
                  className="min-h-11 font-semibold text-blue hover:underline"
                  onClick={() => toBench(card.piece || card.id)}
                >
                  Measure
                </button>
              )}
              {card.mark?.ought && !card.mark.given && !disabled && (
                <To to={`/jobs/${jobId}/strip/marks`}>Mark</To>
              )}
              {card.kind === "half bearing" && <To to={`/jobs/${jobId}/evidence`}>Grade</To>}
            </p>
          </Part>
        )}
        {card.mark && (
          <Part title="Mark">
            <p>
              {[card.mark.found && `found ${card.mark.found}`, card.mark.given && `marked ${card.mark.given}`]
                .filter(Boolean)
                .join("; ") || "Bears none yet."}
            </p>
            {!card.mark.given && <p className="text-quiet">{card.mark.how}</p>}
          </Part>
        )}
        {card.figures.length > 0 && <FiguresPart jobId={jobId} card={card} />}
        {card.sizes.length > 1 && (
          <Part title="Read over time">
            <OverTime lines={card.sizes} />
          </Part>
        )}
        <Part title="Seen">
          <Said lines={card.seen} none="Nobody has looked." />
        </Part>
        <Part title="Lies with">
          <ul>
            {card.beside.map((one) => (
              <li key={one.id} className="flex justify-between gap-4 border-b border-line/60">
                <PlaceLink place={one.id} className="inline-flex min-h-11 items-center">
                  {one.name}
                </PlaceLink>
                <span className="self-center text-right">{one.stands}</span>
              </li>
            ))}
          </ul>
        </Part>
        <Part title="Pictures">
          <PictureStrip jobId={jobId} on={card.piece || card.id} name={card.name} disabled={disabled} />
        </Part>
        {card.told.length > 0 && (
          <Part title="What happened to it">
            <Said lines={card.told} none="" />
          </Part>
        )}
      </div>
    </>
  );
}

function liesWords(card: PlaceCard): string {
  const lies = `${card.lies[0]?.toUpperCase() ?? ""}${card.lies.slice(1)}`;
  return card.piece_name ? `${card.piece_name} lies here` : lies;
}

/** The tag that hangs on the part: a hole for the wire, and the mark as it is struck. */
function Tag({ card }: { card: PlaceCard }) {
  const text = card.mark?.given || card.mark?.ought || "";
  const struck = Boolean(card.mark?.given);
  return (
    <svg
      viewBox="0 0 132 60"
      width={132}
      height={60}
      role="img"
      aria-label={`${struck ? "marked" : "to mark"}: ${text}`}
    >
      <path
        d="M20 2H130V58H20L2 40V20Z"
        className={struck ? "fill-tint stroke-ink" : "fill-none stroke-line"}
        strokeWidth={2}
        strokeDasharray={struck ? undefined : "6 4"}
      />
      <circle cx={20} cy={30} r={6} className="fill-sheet stroke-ink" strokeWidth={2} />
      <text x={78} y={42} textAnchor="middle" fontSize={34} fontWeight={700} className="fill-ink font-figure">
        {text}
      </text>
    </svg>
  );
}

function FiguresPart({ jobId, card }: { jobId: number; card: PlaceCard }) {
  const parts = useBench(jobId).data?.assessment.parts ?? [];
  const of = parts.find((part) => part.name === card.figures_of);
  const own = card.figures_of === card.name;
  return (
    <Part title={own ? `Measured, ${card.readings}` : `Measured of ${card.figures_of}`}>
      <table className="w-full">
        <tbody>
          {card.figures.map((one) => (
            <tr key={one.name} className="border-b border-line/60">
              <th scope="row" className="whitespace-nowrap py-1 text-left font-normal">
                {one.name}
              </th>
              <td className="figure pl-2 text-right font-semibold">{one.said}</td>
              <td className="figure pl-2 text-right text-quiet">{one.limit}</td>
              <td className="pl-2">{of && <SideBySide parts={parts} own={of} figure={one.name} />}</td>
              <td className={`pl-2 text-right ${one.called === "beyond" ? "font-bold text-red" : ""}`}>
                {one.called}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Part>
  );
}

function Said({ lines, none }: { lines: PlaceCard["seen"]; none: string }) {
  if (lines.length === 0) return <p className="text-quiet">{none}</p>;
  return (
    <ul>
      {lines.map((one) => (
        <li key={one.fact} className="border-b border-line/60 py-1">
          <span className={one.taken_back ? "text-quiet line-through" : ""}>{one.words}</span>
          {one.aside && <strong> {one.aside}</strong>}
          <span className="block text-[15px] text-quiet">
            {one.by}, {momentText(one.at)}
          </span>
        </li>
      ))}
    </ul>
  );
}

function To({ to, children }: { to: string; children: ReactNode }) {
  return (
    <Link to={to} className="inline-flex min-h-11 items-center font-semibold text-blue hover:underline">
      {children}
    </Link>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="mb-5 break-inside-avoid">
      <h3 className="mb-1 border-b border-line font-semibold text-quiet">{title}</h3>
      {children}
    </section>
  );
}
