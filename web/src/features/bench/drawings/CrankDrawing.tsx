import type { Schemas } from "../../../api";
import type { Part } from "../../../shared/job";
import { PunchMark } from "../../../shared/marks";
import type { StageProps } from "./props";

const WIDTH = 838;
const MIDDLE = 68;
const NOSE = 22;

/** The crankshaft, which is the menu: its real journals, each with its mark, name and least size. */
export function CrankDrawing({ bench, parts: journals, selected, onSelect }: StageProps) {
  const throws = throwsOf(bench.layout);
  const web = Math.max(4, 12 - journals.length / 3);
  const wide = (WIDTH - 2 * NOSE - web * (journals.length - 1)) / journals.length;
  return (
    <div className="min-w-0 overflow-x-auto sm:max-[899px]:[zoom:0.88]">
      <div className="relative" style={{ width: WIDTH, height: 172 }}>
        <svg width={WIDTH} height={140} aria-hidden="true" className="absolute fill-sheet stroke-ink">
          <rect x={1} y={MIDDLE - 10} width={NOSE} height={20} />
          <rect x={WIDTH - NOSE - 1} y={MIDDLE - 26} width={NOSE} height={52} />
          {journals.slice(1).map((journal, n) => {
            const before = throws[journals[n]?.id ?? ""] ?? 0;
            const after = throws[journal.id] ?? 0;
            const top = MIDDLE + Math.min(before, after, 0) - 20;
            const bottom = MIDDLE + Math.max(before, after, 0) + 20;
            return (
              <rect
                key={journal.id}
                x={NOSE + wide * (n + 1) + web * n}
                y={top}
                width={web}
                height={bottom - top}
                rx={2}
              />
            );
          })}
          <line
            x1={0}
            x2={WIDTH}
            y1={MIDDLE}
            y2={MIDDLE}
            strokeDasharray="14 4 3 4"
            className="stroke-quiet"
          />
        </svg>
        {journals.map((journal, n) => (
          <JournalKey
            key={journal.id}
            journal={journal}
            left={NOSE + (wide + web) * n}
            width={wide}
            top={MIDDLE + (throws[journal.id] ?? 0) - (journal.set === "mains" ? 19 : 16)}
            chosen={journal.id === selected}
            onSelect={onSelect}
          />
        ))}
      </div>
    </div>
  );
}

interface KeyProps {
  journal: Part;
  left: number;
  width: number;
  top: number;
  chosen: boolean;
  onSelect: (journal: string) => void;
}

function JournalKey({ journal, left, width, top, chosen, onSelect }: KeyProps) {
  const high = journal.set === "mains" ? 38 : 32;
  const words = `${journal.name}: ${journal.mark.word}${journal.size ? `, least size ${journal.size.text}` : ""}`;
  const tight = width < 48;
  return (
    <button
      type="button"
      aria-current={chosen}
      title={words}
      onClick={() => onSelect(journal.id)}
      className="absolute inset-y-0 text-center hover:bg-tint/60"
      style={{ left, width }}
    >
      <span className="sr-only">{words}</span>
      <span
        aria-hidden
        className={`absolute inset-x-0 flex items-center justify-center gap-1 border-[1.5px] border-ink ${chosen ? "bg-blue text-onblue" : "bg-sheet"}`}
        style={{ top, height: high }}
      >
        <PunchMark code={journal.mark.code} size={tight ? 16 : 22} />
        {!tight && <span className="font-semibold">{journal.mark.letter}</span>}
      </span>
      <span
        aria-hidden
        className={`absolute inset-x-0 top-[130px] whitespace-nowrap font-semibold leading-tight ${chosen ? "text-blue" : ""}`}
      >
        {tight ? journal.short_name.replace("No. ", "").replace("Pin ", "P") : journal.short_name}
      </span>
      {!tight && (
        <span
          aria-hidden
          className={`figure absolute inset-x-0 top-[150px] text-sm ${beyond(journal) ? "font-bold text-red" : "text-quiet"}`}
        >
          {journal.size?.text ?? "–"}
        </span>
      )}
    </button>
  );
}

const beyond = (journal: Part): boolean =>
  journal.figures.some((figure) => figure.of_size && figure.called === "beyond");

/** How far each pin stands above or below the axis in the drawing, seen a little from the side. */
function throwsOf(layout: Schemas["Layout"]): Record<string, number> {
  const flat = layout.pins.every((pin) => pin.throw_deg === 0 || pin.throw_deg === 180);
  const turned = flat ? 0 : 15;
  return Object.fromEntries(
    layout.pins.map((pin, n) => [`R${n + 1}`, -42 * Math.cos(((pin.throw_deg - turned) * Math.PI) / 180)]),
  );
}
