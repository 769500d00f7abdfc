import type { Schemas } from "../../api";
import type { Desk } from "./useDesk";

type Spot = Schemas["Spot"];

/** The readings of the part in hand, plane by plane. Those that wait to be sent stand as typed. */
export function ReadingTable({ desk, lit }: { desk: Desk; lit: readonly string[] }) {
  const { spots } = desk;
  const planes = [...new Set(spots.map((spot) => spot.plane))];
  const first = spots.filter((spot) => spot.plane === planes[0]);
  return (
    <>
      <table className="w-full table-fixed border-collapse">
        <caption className="sr-only">
          Readings of {desk.journal.name}, {desk.feature}
        </caption>
        <thead>
          <tr>
            <th className="w-6">
              <span className="sr-only">plane</span>
            </th>
            {first.map((spot) => (
              <th key={spot.angle} className="font-semibold text-quiet" scope="col">
                {desk.feature === "wall" ? (spot.angle === "a" ? "upper" : "lower") : spot.angle}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {planes.map((plane) => (
            <tr key={plane} className="border-t-2 border-line last:border-b-2">
              <th scope="row" className="font-semibold text-quiet">
                {plane}
              </th>
              {spots
                .filter((spot) => spot.plane === plane)
                .map((spot) => (
                  <Cell key={spot.name} spot={spot} desk={desk} lit={lit.includes(spot.name)} />
                ))}
            </tr>
          ))}
        </tbody>
      </table>
      {desk.journal.outside.map((spot) => (
        <p key={spot.name} className="text-[15px] leading-tight">
          Outside the plan, {spot.name}: <span className="figure font-bold">{spot.current?.size.text}</span>{" "}
          {spot.current && !desk.bench.card.signed && (
            <button
              type="button"
              className="min-h-8 font-semibold text-blue"
              onClick={() => spot.current && desk.withdrawing.mutate(spot.current.id)}
            >
              Take it back
            </button>
          )}
        </p>
      ))}
    </>
  );
}

function Cell({ spot, desk, lit }: { spot: Spot; desk: Desk; lit: boolean }) {
  const waiting = desk.mine.find(
    ({ landing }) =>
      landing.journal === desk.journal.id && landing.spot === spot.name && landing.feature === desk.feature,
  );
  const now = desk.spot === spot.name;
  const stale = !spot.current && spot.aside[0];
  const size = (spot.size ?? spot.current?.size)?.text;
  const said = waiting
    ? `${waiting.landing.typed}, waiting`
    : stale
      ? `${stale.size.text}, to read again`
      : `${size ?? "not read"}${spot.doubt ? ", asked about" : ""}`;
  return (
    <td className="p-0">
      <button
        type="button"
        title={history(spot)}
        aria-label={`${spot.name}: ${said}`}
        aria-current={now}
        onClick={() => desk.goTo(desk.journal.id, spot.name)}
        className={`figure relative flex h-10 w-full items-center justify-center border-2 text-[17px] ${now ? "border-blue" : spot.doubt?.holds ? "border-dashed border-ink" : "border-transparent"} ${lit ? "bg-tint" : ""} hover:bg-tint`}
      >
        {waiting ? (
          <span className="text-quiet">{waiting.landing.typed}…</span>
        ) : stale ? (
          <s className="text-quiet">{stale.size.text}</s>
        ) : (
          <>
            <span className={spot.doubt?.holds ? "text-quiet" : ""}>{size ?? ""}</span>
            <Note spot={spot} />
          </>
        )}
      </button>
    </td>
  );
}

/** Beside the figure: a question, so many readings in the mean, or others kept beside it. */
function Note({ spot }: { spot: Spot }) {
  if (spot.doubt)
    return <sup className="absolute -top-2 right-1 bg-paper px-0.5 text-sm font-bold text-blue">?</sup>;
  if (spot.times > 1)
    return <sup className="absolute right-0 top-1.5 text-[11px] text-quiet">×{spot.times}</sup>;
  if (spot.others.length > 0)
    return <sup className="absolute right-0.5 top-1.5 text-[11px] text-quiet">{spot.others.length + 1}</sup>;
  return null;
}

/** Who typed what, what it was before, and what no longer counts. */
function history(spot: Spot): string {
  const lines = [];
  if (spot.current) {
    const { typed, unit, by, read } = spot.current;
    lines.push(`typed ${typed} ${unit} by ${by}`);
    if (read) lines.push(`the gauge said ${read}`);
  }
  if (spot.times > 1) lines.push(`mean of ${spot.times}`);
  if (spot.others.length > 0) lines.push(`before: ${spot.others.map((other) => other.size.text).join(", ")}`);
  for (const aside of spot.aside)
    lines.push(`${aside.size.text} by ${aside.by} no longer counts: ${aside.why}`);
  return lines.join("; ");
}
