import { placeWords } from "../../../shared/job";
import { OpenPump } from "./OpenPump";
import { Hold } from "./Hold";
import { FRAME, type SectionProps } from "./props";

/** Where on a piston each feature is read, in the drawing. */
const PISTON_AT: Record<string, { y: number; words: string; from: number; to: number }> = {
  skirt: { y: 168, words: "gauge point", from: 62, to: 226 },
  "skirt foot": { y: 200, words: "foot", from: 58, to: 230 },
  "groove 1": { y: 44, words: "groove 1", from: 70, to: 218 },
  "groove 2": { y: 60, words: "groove 2", from: 69, to: 219 },
  "groove 3": { y: 76, words: "groove 3", from: 69, to: 219 },
  "crown height": { y: 26, words: "crown", from: 72, to: 216 },
};
const INNER = ["pin", "pin bore", "small end"];

/** A piston from its pin's end and its pin cut along: where the gauge stands is marked. Oval and taper are made so. */
export function PistonSection({ desk, onSpot }: SectionProps) {
  const { feature, part, bench, spot, spots } = desk;
  const at = PISTON_AT[feature.key];
  const made = bench.hints[part.set]?.made ?? {};
  const datum = made["datum"] ?? "";
  const height = made["gauge height"];
  const said = `${part.name}: ${feature.name}. ${feature.hold}.`;
  return (
    <figure>
      <svg {...FRAME} role="img" aria-label={said}>
        <path
          d="M72 26h144l3 62c3 40 8 80 12 118h-52q-35-34-70 0H57c4-38 9-78 12-118z"
          className="fill-sheet stroke-ink"
          strokeWidth={1.5}
        />
        <path d="M71 40h146v8H71zM70 56h148v8H70zM69 72h150v9H69z" className="fill-paper stroke-ink" />
        <circle cx={144} cy={120} r={19} className="fill-paper stroke-ink" strokeWidth={1.5} />
        {INNER.includes(feature.key) && (
          <circle cx={144} cy={120} r={19} fill="none" className="stroke-blue" strokeWidth={4} />
        )}
        {at && <Reach {...at} />}
        {feature.key === "skirt" && (
          <text x={338} y={14} textAnchor="end" fontSize={13} className="fill-quiet">
            {height
              ? `${height} from the ${datum || "datum"}`
              : "height of the gauge point: not on the sheet"}
          </text>
        )}
        {feature.key === "weight" && (
          <path d="M96 214h96M144 206v8" className="stroke-blue" strokeWidth={3} />
        )}
        <SpotKeys spots={spots} now={spot} words={placeWords(feature, planesOf(spots))} onSpot={onSpot} />
        <Hold words={feature.hold} />
      </svg>
      <figcaption className="sr-only">
        {said} Oval, wider at the foot and small at the lands: made so.
      </figcaption>
    </figure>
  );
}

function Reach({ y, words, from, to }: { y: number; words: string; from: number; to: number }) {
  return (
    <g className="stroke-blue fill-blue">
      <line x1={from - 16} x2={to + 16} y1={y} y2={y} strokeWidth={2.5} strokeDasharray="6 4" />
      <path d={`M${from} ${y}l-14 -6v12zM${to} ${y}l14 -6v12z`} stroke="none" />
      <text x={to + 20} y={y - 8} fontSize={15} stroke="none" className="font-semibold">
        {words}
      </text>
    </g>
  );
}

const planesOf = (spots: readonly { plane: number }[]): number => new Set(spots.map((one) => one.plane)).size;

interface SpotKeysProps {
  spots: SectionProps["desk"]["spots"];
  now: string | null;
  words: ReturnType<typeof placeWords>;
  onSpot: (spot: string) => void;
}

/** The spots of a feature as keys, where the drawing has no place for each. */
function SpotKeys({ spots, now, words, onSpot }: SpotKeysProps) {
  if (spots.length < 2) return null;
  return (
    <g>
      {spots.map((spot, n) => {
        const state = spot.name === now ? "now" : spot.current ? "read" : "open";
        return (
          <g key={spot.name} onClick={() => onSpot(spot.name)} className="cursor-pointer">
            <circle
              cx={246}
              cy={62 + n * 24}
              r={7}
              className={
                state === "now" ? "fill-blue" : state === "read" ? "fill-ink" : "fill-paper stroke-quiet"
              }
            />
            <text
              x={257}
              y={67 + n * 24}
              fontSize={13}
              className={state === "now" ? "fill-blue font-semibold" : "fill-ink"}
            >
              {label(words, spot, planesOf(spots))}
            </text>
          </g>
        );
      })}
    </g>
  );
}

function label(words: SpotKeysProps["words"], spot: SpotKeysProps["spots"][number], planes: number): string {
  const angle = words.angle(spot.angle, spot.angle_deg);
  if (planes === 1) return angle;
  const plane = words.named ? words.plane(spot.plane) : String(spot.plane);
  return angle === spot.angle ? plane : `${plane.split(" ")[0] ?? ""} ${angle}`;
}

/** A ring in its own bore, pushed down square: the gap is read where the bore is least worn. */
export function RingSection({ desk }: SectionProps) {
  const { feature, part } = desk;
  const depth = feature.key === "depth of the gap";
  const said = `${part.name}: ${feature.name}. ${feature.hold}.`;
  return (
    <figure>
      <svg {...FRAME} role="img" aria-label={said}>
        <circle cx={92} cy={108} r={72} className="fill-tint stroke-ink" strokeWidth={1.5} />
        <path
          d="M96.300 44.200a64 64 0 1 1 -8.600 0l.6 9a55 55 0 1 0 7.400 0z"
          className="fill-sheet stroke-ink"
          strokeWidth={1.5}
        />
        <path d="M86 26v12M98 26v12" className="stroke-blue" strokeWidth={2.5} />
        <text x={104} y={30} fontSize={15} className="fill-blue font-semibold">
          gap
        </text>
        <path d="M218 22v186M314 22v186M204 22h14M314 22h14" className="stroke-ink" strokeWidth={2} />
        <text x={266} y={16} textAnchor="middle" fontSize={13} className="fill-quiet">
          deck
        </text>
        <path d="M218 48h96M218 150h96" className="stroke-line" strokeDasharray="4 4" />
        <text x={266} y={62} textAnchor="middle" fontSize={12} className="fill-quiet">
          ring travel
        </text>
        <rect x={219} y={140} width={94} height={7} className="fill-blue" />
        <path d="M222 136v-44h88v44z" className="fill-sheet stroke-ink" />
        <text x={266} y={120} textAnchor="middle" fontSize={12} className="fill-ink">
          piston
        </text>
        {depth && <path d="M208 24v120" className="stroke-blue" strokeWidth={2.5} />}
        <text x={338} y={224} textAnchor="end" fontSize={13} className="fill-quiet">
          foot of its travel, square
        </text>
      </svg>
      <figcaption className="sr-only">{said}</figcaption>
    </figure>
  );
}

/** What of the open pump each feature is, so that the leaf goes where it belongs. */
const PUMP_WORDS: Record<string, string> = {
  "end clearance": "across the faces of the gears",
  "tip clearance": "tip to body",
  backlash: "between the teeth",
  "rotor tip": "tip against tip",
  "rotor to body": "one side, rotor pushed over",
  "vane in its slot": "beside a vane",
};

/** The pump open from above, the place of the feature in words under it. */
export function PumpSection({ desk, onSpot }: SectionProps) {
  const { feature, part, bench, spot, spots } = desk;
  const kind = bench.hints[part.set]?.made["kind"] ?? "spur gears";
  const said = `${part.name}: ${feature.name}. ${feature.hold}.`;
  return (
    <figure>
      <svg {...FRAME} role="img" aria-label={said}>
        <OpenPump kind={kind} cx={118} cy={98} scale={1.2} />
        <Pointer feature={feature.key} kind={kind} />
        <SpotKeys spots={spots} now={spot} words={placeWords(feature, planesOf(spots))} onSpot={onSpot} />
        <text x={4} y={200} fontSize={15} className="fill-blue font-semibold">
          {PUMP_WORDS[feature.key] ?? feature.name}
        </text>
        <Hold words={feature.hold} />
      </svg>
      <figcaption className="sr-only">{said}</figcaption>
    </figure>
  );
}

/** A blade at the place that is read, in the drawing of the open pump. */
function Pointer({ feature, kind }: { feature: string; kind: string }) {
  const gears: Record<string, string> = {
    "tip clearance": "M12 98h9",
    backlash: "M118 72v52",
    "end clearance": "M6 98h224",
  };
  const rotors: Record<string, string> = {
    "rotor tip": "M150 60l10 12",
    "rotor to body": "M54 98h12",
    "end clearance": "M48 98h140",
  };
  const path = (kind === "gerotor" ? rotors : gears)[feature];
  return path ? (
    <path
      d={path}
      fill="none"
      className="stroke-blue"
      strokeWidth={5}
      strokeLinecap="square"
      opacity={0.75}
    />
  ) : null;
}
