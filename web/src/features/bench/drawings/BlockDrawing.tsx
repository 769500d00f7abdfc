import type { Bench, Part } from "../../../shared/job";
import { PunchMark } from "../../../shared/marks";
import type { StageProps } from "./props";

const WIDTH = 838;
/** The block seen on its deck, which is the menu: its real bores by bank, front to the left, thrust and inlet marked. */
export function BlockDrawing({ bench, parts, selected, onSelect }: StageProps) {
  const banks = banksOf(bench);
  const high = banks.length > 1 ? 62 : 92;
  return (
    <div className="min-w-0 overflow-x-auto sm:max-[899px]:[zoom:0.88]">
      <div className="relative" style={{ width: WIDTH, height: banks.length * (high + 6) + 4 }}>
        {banks.map((bank, n) => (
          <BankRow
            key={bank.cylinders.join()}
            bank={bank}
            top={2 + n * (high + 6)}
            shift={banks.length > 1 && n === 1 ? 34 : 0}
            high={high}
            parts={parts}
            selected={selected}
            onSelect={onSelect}
            thrust={bank.thrust}
          />
        ))}
        <p
          className="absolute left-0 text-[15px] leading-none text-quiet"
          style={{ top: (banks.length * (high + 6)) / 2 - 12 }}
        >
          front
          <span aria-hidden className="block text-lg leading-none text-ink">
            →
          </span>
        </p>
      </div>
    </div>
  );
}

interface Bank {
  name: string;
  cylinders: readonly number[];
  /** Whether the thrust side is drawn at the top edge of the bank. */
  thrust: "top" | "bottom";
  inlet: "top" | "bottom" | null;
}

/** The banks as drawn: seen from above with the front to the left, the left side of the engine is at the top. */
function banksOf({ banks, layout, thrust_side }: Bench): Bank[] {
  const thrust = thrust_side === "left" ? "top" : "bottom";
  return banks.map(({ name, cylinders }, n) => ({
    name: name && `${name} bank`,
    cylinders,
    thrust,
    inlet: inletOf(layout.inlet_side, n, banks.length),
  }));
}

function inletOf(side: Bench["layout"]["inlet_side"], bank: number, banks: number): "top" | "bottom" | null {
  if (!side) return null;
  if (side === "in the vee") return banks > 1 ? (bank === 0 ? "bottom" : "top") : null;
  return side === "left" ? "top" : "bottom";
}

interface RowProps {
  bank: Bank;
  top: number;
  shift: number;
  high: number;
  parts: readonly Part[];
  selected: string;
  onSelect: (part: string) => void;
  thrust: "top" | "bottom";
}

function BankRow({ bank, top, shift, high, parts, selected, onSelect, thrust }: RowProps) {
  const left = 48 + shift;
  const width = WIDTH - left - 96 - (shift ? 0 : 34);
  const room = width / bank.cylinders.length;
  const round = Math.min(high - 14, room - 14, 88);
  return (
    <>
      <div
        className="absolute border-[1.5px] border-ink bg-sheet"
        style={{ left, top, width, height: high }}
      />
      {bank.cylinders.map((cylinder, n) => {
        const part = parts.find((one) => one.id === `bore-${cylinder}`);
        return part ? (
          <BoreKey
            key={cylinder}
            part={part}
            cylinder={cylinder}
            left={left + room * n}
            width={room}
            top={top}
            high={high}
            round={round}
            chosen={part.id === selected}
            thrust={thrust}
            onSelect={onSelect}
          />
        ) : null;
      })}
      <p
        className="absolute text-[14px] leading-tight text-quiet"
        style={{ left: left + width + 8, top: top + high / 2 - 17, width: 92 }}
      >
        {bank.name}
        <span className="block">thrust {thrust === "top" ? "↑" : "↓"}</span>
        {bank.inlet && <span className="block">inlet {bank.inlet === "top" ? "↑" : "↓"}</span>}
      </p>
    </>
  );
}

interface KeyProps {
  part: Part;
  cylinder: number;
  left: number;
  width: number;
  top: number;
  high: number;
  round: number;
  chosen: boolean;
  thrust: "top" | "bottom";
  onSelect: (part: string) => void;
}

function BoreKey({ part, cylinder, left, width, top, high, round, chosen, thrust, onSelect }: KeyProps) {
  const words = `${part.name}: ${part.mark.word}${part.size ? `, greatest size ${part.size.text}` : ""}`;
  const beyond = part.figures.some((figure) => figure.of_size && figure.called === "beyond");
  const beside = width - round > 78;
  return (
    <button
      type="button"
      aria-current={chosen}
      title={words}
      onClick={() => onSelect(part.id)}
      className="absolute hover:bg-tint/60"
      style={{ left, top, width, height: high }}
    >
      <span className="sr-only">{words}</span>
      <span
        aria-hidden
        className={`absolute flex items-center justify-center gap-1 rounded-full border-[1.5px] border-ink ${chosen ? "bg-blue text-onblue" : "bg-paper"}`}
        style={{
          left: beside ? 12 : (width - round) / 2,
          top: (high - round) / 2,
          width: round,
          height: round,
        }}
      >
        <PunchMark code={part.mark.code} size={20} />
        <span className="font-semibold">{part.mark.letter}</span>
      </span>
      <span
        aria-hidden
        className="absolute h-[3px] bg-ink"
        style={{
          left: (beside ? 12 : (width - round) / 2) + round / 2 - 9,
          top: thrust === "top" ? (high - round) / 2 - 1 : (high + round) / 2 - 2,
          width: 18,
        }}
      />
      {beside ? (
        <span aria-hidden className="absolute text-left" style={{ left: round + 20, top: high / 2 - 22 }}>
          <span className={`block text-lg font-semibold leading-tight ${chosen ? "text-blue" : ""}`}>
            {cylinder}
          </span>
          <span className={`figure block text-[15px] ${beyond ? "font-bold text-red" : "text-quiet"}`}>
            {part.size?.text ?? "–"}
          </span>
        </span>
      ) : (
        <span aria-hidden className={`absolute left-1 top-0 font-semibold ${chosen ? "text-blue" : ""}`}>
          {cylinder}
        </span>
      )}
    </button>
  );
}
