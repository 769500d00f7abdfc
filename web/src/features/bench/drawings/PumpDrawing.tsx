import type { Part } from "../../../shared/job";
import { PunchMark } from "../../../shared/marks";
import { Out } from "./PistonsDrawing";
import { OpenPump } from "./OpenPump";
import type { StageProps } from "./props";

/** The oil pump laid open, which is the menu: the one in the engine, and what lies beside it. */
export function PumpDrawing({ bench, parts, selected, onSelect }: StageProps) {
  const fitted = parts.find((part) => !part.out);
  const out = parts.filter((part) => part.out);
  const kind = bench.hints["pump"]?.made["kind"] ?? "spur gears";
  return (
    <div className="flex min-w-0 flex-wrap items-center gap-4">
      {fitted ? (
        <PumpKey part={fitted} kind={kind} chosen={fitted.id === selected} onSelect={onSelect} />
      ) : (
        <p className="text-quiet">No pump lies in the engine. Fit one under Pieces.</p>
      )}
      {out.length > 0 && <Out parts={out} selected={selected} onSelect={onSelect} />}
    </div>
  );
}

interface KeyProps {
  part: Part;
  kind: string;
  chosen: boolean;
  onSelect: (part: string) => void;
}

function PumpKey({ part, kind, chosen, onSelect }: KeyProps) {
  return (
    <button
      type="button"
      aria-current={chosen}
      onClick={() => onSelect(part.id)}
      className={`flex items-center gap-4 border-2 px-3 py-1 text-left ${chosen ? "border-blue bg-tint" : "border-line hover:bg-tint"}`}
    >
      <svg aria-hidden width={220} height={112} viewBox="0 0 220 112">
        <OpenPump kind={kind} cx={110} cy={56} scale={1} />
      </svg>
      <span>
        <span className="block text-lg font-semibold">{part.name}</span>
        <span className="flex items-center gap-2">
          <PunchMark code={part.mark.code} size={22} label={part.mark.word} />
          <strong>{part.mark.letter}</strong> {part.headline}
        </span>
        <span className="block text-[15px] text-quiet">
          {kind}
          {part.lies && `, ${part.lies}`}
          {part.left > 0 && `, ${part.left} left`}
        </span>
      </span>
    </button>
  );
}
