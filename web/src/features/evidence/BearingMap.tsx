import { PlaceLink } from "../../shared/job";
import { Waits } from "../../shared/queue";
import { ShellDrawing } from "./ShellDrawing";
import type { Board, Grade, Half } from "./useEvidence";

interface Props {
  board: Board;
  /** The half in hand. */
  chosen: string;
  /** Grades that are on their way. */
  coming: ReadonlyMap<string, Grade>;
  onChoose: (half: string) => void;
}

/** Every half bearing where it sat: uppers above, lowers below, from the front to the rear. */
export function BearingMap({ board, chosen, coming, onChoose }: Props) {
  const wide = board.bearings.length > 10;
  return (
    <div className="relative overflow-x-auto" role="group" aria-label="Half bearings, from the front">
      <div
        className="grid min-w-fit"
        style={{ gridTemplateColumns: `repeat(${board.bearings.length}, minmax(${wide ? 58 : 76}px, 1fr))` }}
      >
        {board.bearings.map((bearing) => {
          const halves = board.halves.filter((half) => half.bearing === bearing.id);
          const here = halves.some((half) => half.id === chosen);
          return (
            <div
              key={bearing.id}
              className={`px-0.5 py-1 text-center ${here ? "bg-tint" : ""} ${lies(bearing.bank)}`}
            >
              {halves.map((half) => (
                <div key={half.id}>
                  {!half.upper && (
                    <p className={`figure py-0.5 font-bold ${bearing.main ? "text-ink" : "text-blue"}`}>
                      <PlaceLink place={bearing.place} className="inline-flex min-h-10 items-center !py-0">
                        {bearing.name}
                      </PlaceLink>
                      {(bearing.bank || bearing.sideways) && (
                        <span className="block text-[13px] font-normal text-quiet">
                          {bearing.sideways ? "left over right" : bearing.bank}
                        </span>
                      )}
                      {bearing.thrust && <Thrust words={bearing.thrust} />}
                      {bearing.heat && bearing.heat !== "none" && (
                        <span className="block text-[13px] font-normal text-red">rod {bearing.heat}</span>
                      )}
                    </p>
                  )}
                  <HalfButton
                    half={half}
                    grade={coming.get(half.id) ?? half.grade}
                    waits={coming.has(half.id)}
                    chosen={half.id === chosen}
                    small={wide}
                    onChoose={onChoose}
                  />
                </div>
              ))}
            </div>
          );
        })}
      </div>
    </div>
  );
}

/** Where rods of two banks lie on a shaft of single pins: those of the right bank lower than those of the left. */
const lies = (bank: string): string => (bank === "right" ? "pt-7" : bank === "left" ? "pb-7" : "");

/** The thrust faces of a main: the front one left, the rear one right; what is worn is thick. */
function Thrust({ words }: { words: string }) {
  const both = /both|groove/.test(words);
  const front = both || words.startsWith("front") || words.startsWith("through");
  const rear = both || words.startsWith("rear") || words.startsWith("through");
  return (
    <span className="flex items-center justify-center gap-1 text-[13px] font-normal">
      <span aria-hidden className={`h-4 ${front ? "w-1.5 bg-red" : "w-0.5 bg-ink"}`} />
      <span className={front || rear ? "text-red" : ""}>thrust {words}</span>
      <span aria-hidden className={`h-4 ${rear ? "w-1.5 bg-red" : "w-0.5 bg-ink"}`} />
    </span>
  );
}

interface HalfProps {
  half: Half;
  grade: Grade | null;
  /** The grade has not landed yet. */
  waits: boolean;
  chosen: boolean;
  small: boolean;
  onChoose: (half: string) => void;
}

function HalfButton({ half, grade, waits, chosen, small, onChoose }: HalfProps) {
  const seat = half.seat && half.seat !== "in place" ? half.seat : "";
  const words = grade ? grade.answer : "to grade";
  return (
    <button
      type="button"
      aria-pressed={chosen}
      onClick={() => onChoose(half.id)}
      className={`flex w-full flex-col items-center leading-tight ${half.upper ? "" : "flex-col-reverse"} ${chosen ? "outline-2 -outline-offset-2 outline-blue" : ""}`}
    >
      <span className="sr-only">{`${half.name}: ${[words, waits && "waits", half.wear, seat].filter(Boolean).join(", ")}`}</span>
      <span
        aria-hidden
        className={`flex min-h-9 flex-col ${half.upper ? "justify-end" : "justify-start"} text-[13px] ${grade ? "" : "text-blue"}`}
      >
        {!small && <span className={grade?.rejected ? "font-semibold" : ""}>{words}</span>}
        {seat && <span className="text-red">{small ? "seat" : seat}</span>}
        {waits && <Waits />}
        {half.weak && <span className="text-quiet">after cleaning</span>}
      </span>
      <ShellDrawing
        half={half}
        letter={grade?.key ?? ""}
        harm={grade?.harm ?? null}
        className={small ? "h-9 w-full" : "h-12 w-full"}
      />
    </button>
  );
}
