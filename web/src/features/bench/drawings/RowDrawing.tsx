import { PunchMark } from "../../../shared/marks";
import type { StageProps } from "./props";

/** Parts that have no place to be drawn at, side by side in the order of the work. */
export function RowDrawing({ parts, selected, onSelect }: StageProps) {
  return (
    <div className="flex min-w-0 flex-1 flex-wrap content-start gap-2">
      {parts.map((part) => (
        <button
          key={part.id}
          type="button"
          aria-current={part.id === selected}
          onClick={() => onSelect(part.id)}
          className={`flex min-h-12 items-center gap-2 border-[1.5px] border-ink px-3 ${part.id === selected ? "bg-blue text-onblue" : "bg-sheet hover:bg-tint"}`}
        >
          <PunchMark code={part.mark.code} size={20} />
          <span className="font-semibold">{part.short_name}</span>
          <span className="figure text-sm">{part.size?.text ?? (part.size_words || "–")}</span>
        </button>
      ))}
    </div>
  );
}
