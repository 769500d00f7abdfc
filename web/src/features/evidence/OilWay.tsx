import type { Schemas } from "../../api";

type Station = Schemas["StationShown"];
const STEP = 74;
/** The supply in its order; what is not on this engine is left out. */
const SUPPLY = ["tank", "pan", "screen", "pickup", "pump", "cooler", "filter", "gallery"] as const;
/** What hangs beside the supply: a relief valve under the pump, a bypass round the filter. */
const BESIDE: Record<string, string> = { relief: "pump", bypass: "filter" };

interface Placed {
  station: Station;
  x: number;
  y: number;
  /** Where its name stands. */
  low: boolean;
}

/** Where each station is drawn: supply and mains on one line, rods and the rest under what feeds them. */
function place(stations: readonly Station[]): readonly Placed[] {
  const known = new Map(stations.map((one) => [one.key, one]));
  const line = SUPPLY.flatMap((key) => known.get(key) ?? []);
  const mains = stations.filter((one) => /^M\d+$/.test(one.key));
  const placed: Placed[] = [...line, ...mains].map((station, nth) => ({
    station,
    x: 40 + nth * STEP,
    y: 46,
    low: !/^M/.test(station.key),
  }));
  const spot = (key: string) => placed.find((one) => one.station.key === key);
  for (const [key, above] of Object.entries(BESIDE)) {
    const station = known.get(key);
    const host = spot(above);
    if (station && host) placed.push({ station, x: host.x + 28, y: 112, low: false });
  }
  const hanging = new Map<string, number>();
  const hang = (station: Station, above: string | undefined) => {
    const host = above ? spot(above) : undefined;
    if (!host) return;
    const nth = hanging.get(host.station.key) ?? 0;
    hanging.set(host.station.key, nth + 1);
    placed.push({ station, x: host.x + 18, y: 96 + nth * 34, low: false });
  };
  const pins = new Map(stations.filter((one) => /^R\d+$/.test(one.key)).map((one) => [one.key, one]));
  for (const rod of stations.filter((one) => one.key.startsWith("rod-")))
    hang(rod, pins.get(rod.fed_by[0] ?? "")?.fed_by[0]);
  return placed;
}

/** The oil's way from the pan to the last rod: every station wears its damage, so that "everything below here" is seen. */
export function OilWay({ way }: { way: Schemas["OilWayShown"] }) {
  const placed = place(way.stations);
  const spot = (key: string) => placed.find((one) => one.station.key === key);
  const line = placed.filter((one) => one.y === 46);
  const drawn = new Set(placed.map((one) => one.station.key));
  const others = way.stations.filter((one) => !drawn.has(one.key) && !/^R\d+$/.test(one.key));
  const height = Math.max(140, ...placed.map((one) => one.y + 26));
  const width = 60 + line.length * STEP;
  return (
    <div>
      <div className="overflow-x-auto">
        <svg
          viewBox={`0 0 ${width} ${height}`}
          className="w-full"
          style={{ minWidth: Math.min(width, 760) }}
          role="img"
          aria-label={`The oil's way: ${way.stations.map((one) => `${one.name} ${one.words || "not seen"}`).join("; ")}`}
        >
          <line
            x1={line[0]?.x ?? 0}
            x2={line.at(-1)?.x ?? 0}
            y1="46"
            y2="46"
            stroke="var(--color-ink)"
            strokeWidth="2"
          />
          {placed
            .filter((one) => one.y !== 46)
            .map((one) => {
              const host = spot(BESIDE[one.station.key] ?? "") ?? line.find((main) => main.x === one.x - 18);
              if (!host) return null;
              const d = `M ${host.x + (host.low ? 9 : 0)} ${host.y} ${host.low ? `H ${one.x}` : ""} V ${one.y} H ${one.x}`;
              return (
                <path key={one.station.key} d={d} fill="none" stroke="var(--color-ink)" strokeWidth="1.5" />
              );
            })}
          {placed.map((one) => (
            <Spot key={one.station.key} {...one} />
          ))}
        </svg>
      </div>
      <ul className="border-l-4 border-blue bg-sheet px-3">
        {way.readings.map((one) => (
          <li key={one.text} className="py-0.5 font-semibold leading-snug">
            {one.text}
          </li>
        ))}
      </ul>
      <p className="text-[15px] leading-snug text-quiet">
        {others.length > 0 &&
          `From the gallery also: ${others.map((one) => (one.words ? `${one.name} (${one.words})` : one.name)).join(", ")}. `}
        Feeds: {way.source}.
      </p>
    </div>
  );
}

/** Strokes across a bearing's circle, one after the other as it gets worse; @ goes back to its middle. */
const HATCH = [
  "M 0 0 @ m -5 5 l 10 -10",
  "M 0 0 @ m -7 0 l 7 -7",
  "M 0 0 @ m 0 7 l 7 -7",
  "M 0 0 @ m -5 -5 l 10 10",
];

function Spot({ station, x, y, low }: Placed) {
  const { harm } = station;
  const bearing = /^(M\d|rod-)/.test(station.key);
  const bad = harm !== null && harm >= 3;
  const fill =
    harm === null
      ? "var(--color-paper)"
      : bad && !bearing
        ? "var(--color-red)"
        : harm === 4
          ? "var(--color-ink)"
          : "var(--color-sheet)";
  const lines = bearing && harm !== null && harm < 4 ? ([0, 1, 2, 4][harm] ?? 0) : 0;
  return (
    <g>
      <circle
        cx={x}
        cy={y}
        r="9"
        fill={fill}
        stroke="var(--color-ink)"
        strokeWidth="2"
        strokeDasharray={harm === null ? "3 2" : undefined}
      />
      {lines > 0 && (
        <path
          d={HATCH.slice(0, lines).join(" ").replaceAll("@", `m ${x} ${y}`)}
          stroke="var(--color-ink)"
          strokeWidth="1.5"
          fill="none"
        />
      )}
      {low ? (
        <>
          <text x={x} y={y + 24} textAnchor="middle" fontSize="15" fill="var(--color-ink)">
            {station.short}
          </text>
          <text
            x={x}
            y={y + 39}
            textAnchor="middle"
            fontSize="13"
            fill={bad ? "var(--color-red)" : "var(--color-quiet)"}
          >
            {station.words ? shorten(station.words) : harm === null ? "?" : ""}
          </text>
        </>
      ) : y === 46 ? (
        <text x={x} y={y - 16} textAnchor="middle" fontSize="14" className="figure" fill="var(--color-ink)">
          {station.short}
        </text>
      ) : (
        <text x={x + 14} y={y + 5} fontSize="14" className="figure" fill="var(--color-ink)">
          {station.short}
          {!bearing && station.words && (
            <tspan x={x + 14} dy="16" fontSize="13" fill={bad ? "var(--color-red)" : "var(--color-quiet)"}>
              {shorten(station.words)}
            </tspan>
          )}
        </text>
      )}
    </g>
  );
}

function shorten(words: string): string {
  const first = words.split(",")[0] ?? words;
  return first.length > 13 ? `${first.slice(0, 12)}…` : first;
}
