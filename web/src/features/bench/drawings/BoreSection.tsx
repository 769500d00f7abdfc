import type { Schemas } from "../../../api";
import { placeWords } from "../../../shared/job";
import { spotsOf } from "../targets";
import { LOW_FRAME, type SectionProps } from "./props";

type Spot = Schemas["Spot"];

const R = 66;
const CX = 86;
const CY = 106;
const LEFT = 228;
const WIDE = 92;
const DECK = 22;
const FOOT = 208;
/** So much larger than it is the wear is drawn. */
const TIMES = 200;
const MOST = 13;

/** A bore from the deck with its axes, and cut along it with the depths; its wear drawn many times larger. */
export function BoreSection({ desk, onSpot }: SectionProps) {
  const { spot, feature, part, bench, kind } = desk;
  const own = kind?.features.find((one) => one.plan !== null) ?? feature;
  const spots = spotsOf(bench, part, part.id, own);
  const planes = [...new Set(spots.map((one) => one.plane))];
  const words = placeWords(own, planes.length);
  const now = spots.find((one) => one.name === spot && feature.key === own.key);
  const plane = now?.plane ?? 1;
  const depths = depthsOf(planes.length);
  const said = describe(part.name, feature.key === own.key ? now : undefined, feature.name, spots);
  return (
    <figure>
      <svg {...LOW_FRAME} role="img" aria-label={said}>
        <Deck
          spots={spots.filter((one) => one.plane === plane)}
          all={spots}
          now={now}
          words={words.angle}
          onSpot={onSpot}
        />
        <Cut spots={spots} depths={depths} />
        {planes.map((one, n) => (
          <Depth
            key={one}
            y={depths[n] ?? DECK}
            name={words.plane(one)}
            now={one === now?.plane}
            read={spots.filter((each) => each.plane === one).every((each) => each.current)}
          />
        ))}
        {kind?.features
          .filter((one) => one.plan === null && one.purpose === own.purpose)
          .map((one) => (
            <Depth
              key={one.key}
              y={one.planned ? FOOT - 14 : DECK + 12}
              name={one.plane_names[0] ?? one.key}
              now={feature.key === one.key}
              read={spotsOf(bench, part, part.id, one).every((each) => each.current)}
            />
          ))}
        <text x={338} y={224} textAnchor="end" fontSize={14} className="fill-quiet">
          {feature.hold}
        </text>
      </svg>
      <figcaption className="sr-only">{said}</figcaption>
    </figure>
  );
}

const depthsOf = (planes: number): number[] =>
  Array.from({ length: planes }, (_, n) => DECK + 30 + (n * (FOOT - DECK - 66)) / Math.max(1, planes - 1));

const leastOf = (spots: readonly Spot[]): number | null => {
  const sizes = spots.flatMap((spot) => (spot.size ? [spot.size.nm] : []));
  return sizes.length > 0 ? Math.min(...sizes) : null;
};

/** How far the wall stands back at a spot in the drawing: its wear on the radius, many times larger. */
const away = (nm: number, least: number): number =>
  Math.min(MOST, ((nm - least) / 2 / 25_400) * (TIMES / 60));

interface DeckProps {
  spots: readonly Spot[];
  all: readonly Spot[];
  now: Spot | undefined;
  words: (letter: string, degrees: number) => string;
  onSpot: (spot: string) => void;
}

/** Seen from the deck, front to the left: thrust across the engine, pin along it; where it is worn the bore stands out. */
function Deck({ spots, all, now, words, onSpot }: DeckProps) {
  const least = leastOf(all);
  const worn = (deg: number) => {
    const spot = spots.find((one) => one.angle_deg === deg);
    return spot?.size && least !== null ? away(spot.size.nm, least) : 0;
  };
  return (
    <g>
      <circle cx={CX} cy={CY} r={R} className="fill-sheet stroke-ink" strokeWidth={1.5} />
      {(worn(0) > 0.5 || worn(90) > 0.5) && (
        <ellipse
          cx={CX}
          cy={CY}
          rx={R + worn(90)}
          ry={R + worn(0)}
          fill="none"
          className="stroke-red"
          strokeDasharray="4 3"
        />
      )}
      {spots.map((spot) => {
        const t = (spot.angle_deg * Math.PI) / 180;
        const [x, y] = [Math.sin(t), -Math.cos(t)];
        const state = spot === now ? "now" : spot.current ? "read" : "open";
        const line = { now: "stroke-blue", read: "stroke-ink", open: "stroke-quiet" }[state];
        // Along the engine the name stands inside, where no line crosses it.
        const at = { x: spot.angle_deg === 90 ? CX + R - 8 : CX + x * (R + 20), y: CY + y * (R + 16) };
        return (
          <g key={spot.name} onClick={() => onSpot(spot.name)} className="cursor-pointer">
            <line
              x1={CX - x * (R + 9)}
              y1={CY - y * (R + 9)}
              x2={CX + x * (R + 9)}
              y2={CY + y * (R + 9)}
              className={line}
              strokeWidth={state === "now" ? 3.5 : 1.2}
              strokeDasharray={state === "open" ? "4 4" : undefined}
            />
            <text
              x={Math.min(at.x, CX + R + 4)}
              y={spot.angle_deg === 90 ? CY - 8 : at.y + 4}
              textAnchor={spot.angle_deg === 90 ? "end" : "middle"}
              fontSize={15}
              className={state === "now" ? "fill-blue font-semibold" : "fill-ink"}
            >
              {words(spot.angle, spot.angle_deg)}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** Cut along the thrust axis: deck, wall, and how the wear runs down it. */
function Cut({ spots, depths }: { spots: readonly Spot[]; depths: readonly number[] }) {
  const least = leastOf(spots);
  const worn = depths.map((y, n) => {
    const here = spots.find((one) => one.plane === n + 1 && one.angle_deg === 0 && one.size);
    return { y, far: here?.size && least !== null ? away(here.size.nm, least) : 0, read: Boolean(here) };
  });
  const shown = worn.filter((one) => one.read);
  const right = LEFT + WIDE;
  const line = (side: 1 | -1) => {
    const x = side === 1 ? right : LEFT;
    const start = `M${x} ${DECK + 22}`;
    return start + shown.map((one) => `L${x + side * one.far} ${one.y}`).join("") + `L${x} ${FOOT - 14}`;
  };
  return (
    <g>
      <path
        d={`M${LEFT - 16} ${DECK}H${LEFT}V${FOOT}M${right + 16} ${DECK}H${right}V${FOOT}`}
        fill="none"
        className="stroke-ink"
        strokeWidth={2}
      />
      {shown.length > 0 &&
        ([1, -1] as const).map((side) => (
          <path key={side} d={line(side)} fill="none" className="stroke-red" strokeWidth={1.5} />
        ))}
      <text x={LEFT + WIDE / 2} y={DECK - 8} textAnchor="middle" fontSize={14} className="fill-quiet">
        deck
      </text>
    </g>
  );
}

function Depth({ y, name, now, read }: { y: number; name: string; now: boolean; read: boolean }) {
  return (
    <g>
      <line
        x1={LEFT}
        x2={LEFT + WIDE}
        y1={y}
        y2={y}
        className={now ? "stroke-blue" : "stroke-ink"}
        strokeWidth={now ? 3.5 : 1.2}
        strokeDasharray={read || now ? undefined : "4 4"}
      />
      <text
        x={LEFT - 8}
        y={y + 5}
        textAnchor="end"
        fontSize={15}
        className={now ? "fill-blue font-semibold" : "fill-ink"}
      >
        {name}
      </text>
    </g>
  );
}

function describe(name: string, now: Spot | undefined, feature: string, spots: readonly Spot[]): string {
  const open = spots.filter((one) => !one.current).length;
  const next = now ? `Next: depth ${now.plane}, angle ${now.angle}. ` : `Next: ${feature}. `;
  return `${name}, from the deck and cut along it. ${next}${open === 0 ? "All spots read." : `${open} spots to read.`}`;
}
