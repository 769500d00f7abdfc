import type { Part } from "../../../shared/job";
import { PunchMark } from "../../../shared/marks";
import type { StageProps } from "./props";

const WIDTH = 838;
const RINGS = [1, 2, 3];

/** The pistons as they stand in their banks, each with its rings beside it as a fan; below, what lies in no bore. */
export function PistonsDrawing({ bench, parts, selected, onSelect }: StageProps) {
  const out = parts.filter((part) => part.out);
  const lying = (place: string) => parts.find((part) => !part.out && part.place === place);
  return (
    <div className="min-w-0 overflow-x-auto sm:max-[899px]:[zoom:0.88]">
      <div style={{ width: WIDTH }}>
        {bench.banks.map((bank) => (
          <div key={bank.cylinders.join()} className="mb-1 flex items-stretch">
            <p className="w-12 shrink-0 self-center text-[14px] leading-tight text-quiet">
              {bank.name ? `${bank.name} bank` : "front"}
              <span aria-hidden className="block text-lg leading-none text-ink">
                →
              </span>
            </p>
            {bank.cylinders.map((cylinder) => (
              <Cylinder
                key={cylinder}
                cylinder={cylinder}
                piston={lying(`piston-${cylinder}`)}
                rings={RINGS.map((ring) => lying(`ring-${cylinder}.${ring}`))}
                selected={selected}
                onSelect={onSelect}
              />
            ))}
          </div>
        ))}
        {out.length > 0 && <Out parts={out} selected={selected} onSelect={onSelect} />}
      </div>
    </div>
  );
}

interface CylinderProps {
  cylinder: number;
  piston: Part | undefined;
  rings: readonly (Part | undefined)[];
  selected: string;
  onSelect: (part: string) => void;
}

function Cylinder({ cylinder, piston, rings, selected, onSelect }: CylinderProps) {
  return (
    <div className="flex min-w-0 flex-1 items-center border-l border-line pl-1">
      <span aria-hidden className="w-4 self-start font-semibold">
        {cylinder}
      </span>
      {piston ? (
        <PistonKey part={piston} chosen={piston.id === selected} onSelect={onSelect} />
      ) : (
        <span className="w-12 text-center text-[14px] text-quiet">no piston</span>
      )}
      <span className="flex">
        {rings.map((ring, n) =>
          ring ? (
            <RingKey
              key={ring.id}
              part={ring}
              number={n + 1}
              chosen={ring.id === selected}
              onSelect={onSelect}
            />
          ) : null,
        )}
      </span>
    </div>
  );
}

const said = (part: Part): string =>
  `${part.name}: ${part.mark.word}${part.size_words ? `, ${part.size_words}` : ""}${part.lies ? `, ${part.lies}` : ""}`;

interface KeyProps {
  part: Part;
  chosen: boolean;
  onSelect: (part: string) => void;
}

/** A piston from the side: crown, grooves, pin, and its skirt wider at the foot, as it is made. */
function PistonKey({ part, chosen, onSelect }: KeyProps) {
  return (
    <button
      type="button"
      aria-current={chosen}
      title={said(part)}
      onClick={() => onSelect(part.id)}
      className={`relative h-[62px] w-[54px] shrink-0 ${chosen ? "bg-tint" : "hover:bg-tint/60"}`}
    >
      <span className="sr-only">{said(part)}</span>
      <svg aria-hidden width={54} height={62} viewBox="0 0 54 62">
        <path
          d="M9 4h36l1 22c1 10 2 20 3 30H35q-8-9-16 0H5c1-10 2-20 3-30z"
          className={`${chosen ? "stroke-blue" : "stroke-ink"} fill-sheet`}
          strokeWidth={chosen ? 2.5 : 1.5}
        />
        <path d="M8.600 10h36.800M8.300 14h37.400M8 18h38" className="stroke-ink" strokeWidth={1} />
      </svg>
      <span
        aria-hidden
        className={`absolute left-0 top-[21px] flex w-full items-center justify-center gap-1 text-[15px] font-semibold leading-none ${chosen ? "text-blue" : ""}`}
      >
        <PunchMark code={part.mark.code} size={17} />
        {part.mark.letter}
      </span>
    </button>
  );
}

const RING_NAMES = ["top", "2nd", "oil"];

/** A ring as it lies out of its groove, its gap to the front. */
function RingKey({ part, number, chosen, onSelect }: KeyProps & { number: number }) {
  return (
    <button
      type="button"
      aria-current={chosen}
      title={said(part)}
      onClick={() => onSelect(part.id)}
      className={`relative h-[62px] w-[30px] shrink-0 ${chosen ? "bg-tint" : "hover:bg-tint/60"}`}
    >
      <span className="sr-only">{said(part)}</span>
      <svg aria-hidden width={30} height={62} viewBox="0 0 30 62">
        <path
          d="M15 5a15 18 0 0 1 0 36"
          fill="none"
          className={chosen ? "stroke-blue" : "stroke-ink"}
          strokeWidth={number === 3 ? 4 : number === 2 ? 3 : 2}
          strokeDasharray={number === 3 ? "3 1.500" : undefined}
        />
        <text x={2} y={59} fontSize={11} className="fill-quiet">
          {RING_NAMES[number - 1]}
        </text>
      </svg>
      <span
        aria-hidden
        className={`absolute left-[1px] top-[10px] flex w-[17px] flex-col items-center text-[13px] font-semibold leading-none ${chosen ? "text-blue" : ""}`}
      >
        <PunchMark code={part.mark.code} size={13} />
        {part.mark.letter}
      </span>
    </button>
  );
}

/** So many of what lies in no place stand in the drawing. */
const SHOWN = 7;

/** What lies in no bore: taken out, or on the shelf. */
export function Out({ parts, selected, onSelect }: Omit<StageProps, "bench">) {
  return (
    <p className="flex flex-wrap items-center gap-1 text-[14px] text-quiet">
      In no place:
      {parts.slice(0, SHOWN).map((part) => (
        <button
          key={part.id}
          type="button"
          aria-current={part.id === selected}
          title={said(part)}
          onClick={() => onSelect(part.id)}
          className={`flex min-h-8 items-center gap-1 border border-line px-1.5 ${part.id === selected ? "bg-blue text-onblue" : "bg-sheet text-ink hover:bg-tint"}`}
        >
          <PunchMark code={part.mark.code} size={14} label={part.mark.word} />
          {part.short_name}
        </button>
      ))}
      {parts.length > SHOWN && <span>and {parts.length - SHOWN} more, under Pieces</span>}
    </p>
  );
}
