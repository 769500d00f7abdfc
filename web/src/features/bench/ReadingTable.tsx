import type { Schemas } from "../../api";
import { type FeatureKind, placeWords } from "../../shared/job";
import { namedOf, spotsOf } from "./targets";
import type { Desk } from "./useDesk";

type Spot = Schemas["Spot"];

interface Props {
  desk: Desk;
  lit: readonly string[];
}

/** The readings of the part in hand, plane by plane. Those that wait to be sent stand as typed. */
export function ReadingTable({ desk, lit }: Props) {
  const outside = desk.part.features.flatMap((one) => one.outside);
  return (
    <>
      {desk.kind?.loose && <Features desk={desk} />}
      {tablesOf(desk).map((table) => (
        <FeatureTable key={table.feature.key} desk={desk} lit={lit} {...table} />
      ))}
      {outside.map((spot) => (
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

/** What is read of a loose piece, each with how far it is; one in hand. */
function Features({ desk }: { desk: Desk }) {
  const { bench, part, kind } = desk;
  const asked = new Set(part.to_read.map((one) => one.feature));
  const shown = (kind?.features ?? []).filter(
    (one) => asked.has(one.key) || part.features.some((read) => read.feature === one.key) || one.planned,
  );
  if (shown.length < 2) return null;
  return (
    <div className="flex flex-wrap gap-1">
      {shown.map((feature) => {
        const spots = spotsOf(bench, part, part.id, feature);
        const read = spots.filter((spot) => spot.current).length;
        const next = spots.find((spot) => !spot.current) ?? spots[0];
        const here = feature.key === desk.feature.key;
        return (
          <button
            key={feature.key}
            type="button"
            aria-current={here}
            onClick={() => next && desk.goToSpot(next.name, feature.key)}
            className={`min-h-9 border px-1.5 text-[14px] ${here ? "border-blue bg-tint font-semibold text-blue" : read === spots.length ? "border-line text-ink hover:bg-tint" : "border-ink font-semibold hover:bg-tint"}`}
          >
            {feature.key} {read === spots.length ? "✓" : `${read}/${spots.length}`}
          </button>
        );
      })}
    </div>
  );
}

interface Table {
  feature: FeatureKind;
  spots: readonly Spot[];
}

/** What stands in the table: everything of the plan, or what is measured beside it. */
function tablesOf(desk: Desk): Table[] {
  const { bench, part, kind, target } = desk;
  if (!desk.byPlan) return [{ feature: target.feature, spots: desk.spots }];
  const own = kind?.features ?? [];
  if (kind?.loose) return [{ feature: desk.feature, spots: desk.spots }];
  const asked = new Set(part.to_read.map((one) => one.feature));
  return own
    .filter(
      (one) => one.planned || asked.has(one.key) || part.features.some((read) => read.feature === one.key),
    )
    .filter((one) => one.planned || one.spots.length <= 2)
    .map((feature) => ({ feature, spots: spotsOf(bench, part, part.id, feature) }));
}

function FeatureTable({ desk, lit, feature, spots }: Props & Table) {
  const planes = [...new Set(spots.map((spot) => spot.plane))];
  const words = placeWords(feature, planes.length);
  const first = spots.filter((spot) => spot.plane === planes[0]);
  const single = spots.length === 1;
  const named = namedOf(spots);
  const unnamed =
    first.every((spot) => words.angle(spot.angle, spot.angle_deg) === spot.angle) && words.named;
  return (
    <table className="w-full table-fixed border-collapse">
      <caption className="sr-only">
        Readings of {desk.part.name}, {feature.name}
      </caption>
      {!named && (
        <thead className={single || unnamed ? "sr-only" : ""}>
          <tr>
            <th className={words.named ? "w-16" : "w-6"}>
              <span className="sr-only">plane</span>
            </th>
            {first.map((spot) => (
              <th key={spot.angle} className="font-semibold text-quiet" scope="col">
                {short(words.angle(spot.angle, spot.angle_deg), spot.angle)}
              </th>
            ))}
            {single && <th aria-hidden />}
          </tr>
        </thead>
      )}
      <tbody>
        {planes.map((plane) => (
          <tr key={plane} className="border-t-2 border-line last:border-b-2">
            {!named && (
              <th scope="row" className={`font-semibold text-quiet ${words.named ? "text-left" : ""}`}>
                {words.plane(plane)}
              </th>
            )}
            {spots
              .filter((spot) => spot.plane === plane)
              .map((spot) => (
                <Cell
                  key={spot.name}
                  spot={spot}
                  desk={desk}
                  feature={feature}
                  lit={lit.includes(single ? feature.key : spot.name)}
                  named={named && !single}
                />
              ))}
            {single && <td aria-hidden />}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Long names of angles belong to the entry; over a column a letter serves. */
const short = (name: string, letter: string): string => (name.length > 13 ? letter : name);

interface CellProps {
  spot: Spot;
  desk: Desk;
  feature: FeatureKind;
  lit: boolean;
  /** Whether its name stands in it, since none stands over its column. */
  named: boolean;
}

function Cell({ spot, desk, feature, lit, named }: CellProps) {
  const waiting = desk.mine.find(
    ({ landing }) =>
      landing.part === desk.target.part && landing.spot === spot.name && landing.feature === feature.key,
  );
  const now = desk.spot === spot.name && desk.feature.key === feature.key;
  const stale = !spot.current && spot.aside[0];
  const size = (spot.size ?? spot.current?.size)?.text;
  const said = waiting
    ? `${waiting.landing.typed}, ${waiting.state === "waiting" ? "waiting" : "asked about"}`
    : stale
      ? `${stale.size.text}, to read again`
      : `${size ?? "not read"}${spot.doubt ? ", asked about" : ""}`;
  return (
    <td className="p-0">
      <button
        type="button"
        title={history(spot)}
        aria-label={`${feature.planned && feature.spots.length === 1 ? `${feature.key} ` : ""}${spot.name}: ${said}`}
        aria-current={now}
        onClick={() => desk.goToSpot(spot.name, feature.key)}
        className={`figure relative flex h-10 min-[1280px]:[@media(max-height:820px)]:h-[34px] w-full items-center justify-center border-2 text-[17px] ${now ? "border-blue" : waiting || spot.doubt?.holds ? "border-dashed border-ink" : "border-transparent"} ${lit ? "bg-tint" : ""} ${named ? "pt-3" : ""} hover:bg-tint`}
      >
        {named && (
          <span className="absolute left-1 top-0 text-[11px] leading-tight text-quiet">{spot.name}</span>
        )}
        {waiting ? (
          <>
            <span className="text-quiet">{waiting.landing.typed}</span>
            {waiting.state !== "waiting" && <Asked />}
          </>
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

const Asked = () => (
  <sup className="absolute -top-2 right-1 bg-paper px-0.5 text-sm font-bold text-blue">?</sup>
);

/** Beside the figure: a question, so many readings in the mean, or others kept beside it. */
function Note({ spot }: { spot: Spot }) {
  if (spot.doubt) return <Asked />;
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
