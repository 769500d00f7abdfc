import type { Schemas } from "../../../api";
import type { Part } from "../../../shared/job";
import { PunchMark } from "../../../shared/marks";
import type { StageProps } from "./props";

type Place = Schemas["ShaftPlace"];

const WIDTH = 838;
const AXIS = 62;
const SIDE = 44;
/** So many pixels the furthest place is drawn beside the line. */
const FAR = 34;

/** The shaft as it lies, which is the menu: each place where it is indicated, seen across the greatest bend. */
export function ShaftLineDrawing({ bench, parts, selected, onSelect }: StageProps) {
  const shaft = bench.assessment.sets.find((one) => one.set === parts[0]?.set)?.shaft ?? [];
  const lies = new Map(shaft.map((one) => [one.part, one]));
  const furthest = shaft.reduce<Place | null>(
    (far, one) => (reach(one) > (far ? reach(far) : 0) ? one : far),
    null,
  );
  const scale = furthest ? FAR / reach(furthest) : 0;
  // A tunnel is seen from the side: up is up.
  const turn = furthest?.side ? Math.atan2(furthest.y_nm ?? 0, furthest.x_nm ?? 0) : 0;
  const wide = (WIDTH - 2 * SIDE) / Math.max(1, parts.length - 1);
  const at = parts.map((part, n) => {
    const here = lies.get(part.id);
    const known = here !== undefined && here.x_nm !== null && here.y_nm !== null;
    const off = known ? (here.x_nm ?? 0) * Math.cos(turn) + (here.y_nm ?? 0) * Math.sin(turn) : 0;
    return { part, here, known, x: SIDE + wide * n, y: AXIS - off * scale };
  });
  const drawn = at.filter((one) => one.known);
  return (
    <div className="min-w-0 overflow-x-auto sm:max-[899px]:[zoom:0.88]">
      <div className="relative" style={{ width: WIDTH, height: 186 }}>
        <svg width={WIDTH} height={150} aria-hidden="true" className="absolute">
          <line
            x1={8}
            x2={WIDTH - 8}
            y1={AXIS}
            y2={AXIS}
            strokeDasharray="14 4 3 4"
            className="stroke-quiet"
          />
          {drawn.slice(1).map((one, n) => (
            <line
              key={one.part.id}
              x1={drawn[n]?.x}
              y1={drawn[n]?.y}
              x2={one.x}
              y2={one.y}
              className={one.here?.to_before === "beyond" ? "stroke-red" : "stroke-ink"}
              strokeWidth={one.here?.to_before === "beyond" ? 4 : 2}
            />
          ))}
          {at.map((one) => (
            <line
              key={one.part.id}
              x1={one.x}
              x2={one.x}
              y1={AXIS}
              y2={one.y}
              className="stroke-line"
              strokeWidth={1.5}
            />
          ))}
        </svg>
        {at.map(({ part, here, x, y }) => (
          <PlaceKey
            key={part.id}
            part={part}
            here={here}
            left={x - Math.min(wide, 92) / 2}
            width={Math.min(wide, 92)}
            top={y - 14}
            chosen={part.id === selected}
            onSelect={onSelect}
          />
        ))}
      </div>
      {furthest && (
        <p className="text-[15px] text-quiet">
          {furthest.side
            ? `Seen across ${furthest.side}, exaggerated; red where it bends too far. The furthest swings ${furthest.swing.text}.`
            : `From the side, exaggerated; red where it steps too far. The furthest lies ${furthest.swing.text} off the line.`}
        </p>
      )}
    </div>
  );
}

const reach = (one: Place): number => Math.hypot(one.x_nm ?? 0, one.y_nm ?? 0);

interface KeyProps {
  part: Part;
  here: Place | undefined;
  left: number;
  width: number;
  top: number;
  chosen: boolean;
  onSelect: (part: string) => void;
}

function PlaceKey({ part, here, left, width, top, chosen, onSelect }: KeyProps) {
  const swing = here && here.swing.nm !== 0 ? here.swing.text : "";
  const side = here?.side ? `, highest at ${here.side}` : "";
  const words = `${part.name}: ${part.mark.word}${part.size_words ? `, ${part.size_words}` : ""}${side}`;
  const bad = (here ? here.called : part.called) === "beyond";
  return (
    <button
      type="button"
      aria-current={chosen}
      title={words}
      onClick={() => onSelect(part.id)}
      className="absolute inset-y-0 text-center hover:bg-tint/60"
      style={{ left, width }}
    >
      <span className="sr-only">{words}</span>
      <span
        aria-hidden
        className={`absolute left-1/2 flex size-7 -translate-x-1/2 items-center justify-center border-[1.5px] border-ink ${chosen ? "bg-blue text-onblue" : "bg-sheet"}`}
        style={{ top }}
      >
        <PunchMark code={part.mark.code} size={18} />
      </span>
      <span
        aria-hidden
        className={`absolute inset-x-0 top-[112px] whitespace-nowrap font-semibold leading-tight ${chosen ? "text-blue" : ""}`}
      >
        {part.short_name.replace("At ", "")}
      </span>
      <span
        aria-hidden
        className={`figure absolute inset-x-0 top-[132px] text-sm ${bad ? "font-bold text-red" : "text-quiet"}`}
      >
        {part.size_words || "–"}
      </span>
      <span aria-hidden className="absolute inset-x-0 top-[150px] text-sm text-quiet">
        {here?.side && swing ? here.side : ""}
      </span>
    </button>
  );
}
