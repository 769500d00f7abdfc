import { useRef } from "react";
import { Link } from "react-router";

import { PlaceLink } from "../../shared/job";
import { PictureStrip } from "../../shared/pictures";
import { Waits } from "../../shared/queue";
import { Chip } from "../../shared/ui";
import type { Board, Grade, Half } from "./useEvidence";

const OUTER = 92;
const INNER = 62;

interface Props {
  jobId: number;
  board: Board;
  half: Half;
  grade: Grade | null;
  /** Something said of it has not landed yet. */
  waits: boolean;
  cleaned: boolean;
  disabled: boolean;
  onGrade: (grade: Grade) => void;
  onSay: (look: string, answer: string, arc?: readonly [number, number]) => void;
  onCleaned: (cleaned: boolean) => void;
}

/** The half in hand: its grade by one letter, where it is worn by one figure, its back and its seat. */
export function HalfInHand({
  jobId,
  board,
  half,
  grade,
  waits,
  cleaned,
  disabled,
  onGrade,
  onSay,
  onCleaned,
}: Props) {
  const kind = board.kinds.find((one) => half.bearing.startsWith(one.of));
  return (
    <section aria-label="The half in hand" className="border-t border-line pt-2">
      <div className="grid grid-cols-[minmax(0,1fr)_200px] gap-x-5 max-md:grid-cols-1">
        <div>
          <h2 className="text-2xl font-semibold">
            <PlaceLink place={half.id}>{half.name}</PlaceLink> {waits && <Waits />}
          </h2>
          <p className="mb-1 text-quiet">
            {grade ? `${grade.means}.` : "What does it show? One letter; the arrows move on."} {kind?.normal}{" "}
            {kind?.kind === "not known" && (
              <Link
                to={`/jobs/${jobId}/evidence/looks?look=${encodeURIComponent(kind.look)}`}
                className="inline-flex min-h-11 items-center font-semibold text-blue"
              >
                Which kind
              </Link>
            )}
          </p>
          <div role="group" aria-label="Grade" className="flex flex-wrap gap-1.5">
            {board.grades.map((one) => (
              <Chip
                key={one.key}
                letter={one.key}
                chosen={grade?.key === one.key}
                disabled={disabled}
                onClick={() => onGrade(one)}
              >
                {one.answer}
              </Chip>
            ))}
          </div>
          <div role="group" aria-label="Where it is worn" className="mt-2 flex flex-wrap gap-1.5">
            {board.wears.map((wear, nth) => (
              <Chip
                key={wear}
                letter={String(nth + 1)}
                chosen={half.wear === wear}
                disabled={disabled}
                onClick={() => onSay("wear", wear)}
              >
                {wear}
              </Chip>
            ))}
          </div>
          <details className="mt-2" open={half.back !== "" || half.seat !== ""}>
            <summary className="min-h-11 cursor-pointer py-2 font-semibold text-blue" data-seat>
              Seat and back
              {[half.seat, half.back].filter(Boolean).length > 0 &&
                `: ${[half.seat, half.back].filter(Boolean).join(", ")}`}
              <span className="ml-2 font-normal text-quiet">Space</span>
            </summary>
            <div role="group" aria-label="Seat" className="flex flex-wrap gap-1.5">
              {board.seats.map((seat) => (
                <Chip
                  key={seat}
                  chosen={half.seat === seat}
                  disabled={disabled}
                  onClick={() => onSay("seat", seat)}
                >
                  {seat}
                </Chip>
              ))}
            </div>
            <div role="group" aria-label="Back" className="mt-2 flex flex-wrap gap-1.5">
              {board.backs.map((back) => (
                <Chip
                  key={back}
                  chosen={half.back === back}
                  disabled={disabled}
                  onClick={() => onSay("back", back)}
                >
                  {back}
                </Chip>
              ))}
            </div>
          </details>
          <label className="mt-1 flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={cleaned}
              disabled={disabled}
              onChange={() => onCleaned(!cleaned)}
            />
            Wiped already: grades from here on count less
          </label>
          <PictureStrip jobId={jobId} on={half.id} name={half.name} disabled={disabled} />
        </div>
        <WornPlace
          half={half}
          disabled={disabled}
          onDraw={(from, to) => onSay("wear", half.wear || "even over the crown", [from, to])}
        />
      </div>
    </section>
  );
}

/** The half large, to draw the worn place into it: press where it begins, let go where it ends. */
function WornPlace({
  half,
  disabled,
  onDraw,
}: {
  half: Half;
  disabled: boolean;
  onDraw: (from: number, to: number) => void;
}) {
  const began = useRef<number | null>(null);
  const degrees = (event: React.PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const x = ((event.clientX - box.left) / box.width) * 200 - 100;
    const y = ((event.clientY - box.top) / box.height) * 116 + (half.upper ? -108 : -8);
    const turned = (Math.atan2(Math.abs(y), -x) * 180) / Math.PI;
    return Math.max(0, Math.min(180, Math.round(turned / 5) * 5));
  };
  const point = (radius: number, angle: number) => {
    const turned = (angle * Math.PI) / 180;
    return `${-radius * Math.cos(turned)} ${(half.upper ? -1 : 1) * radius * Math.sin(turned)}`;
  };
  const sweep = half.upper ? 1 : 0;
  const ring = `M ${point(OUTER, 0)} A ${OUTER} ${OUTER} 0 0 ${sweep} ${point(OUTER, 180)} L ${point(INNER, 180)} A ${INNER} ${INNER} 0 0 ${1 - sweep} ${point(INNER, 0)} Z`;
  const arc = half.arc;
  return (
    <figure className="max-md:max-w-56">
      <svg
        viewBox={half.upper ? "-100 -108 200 116" : "-100 -8 200 116"}
        className={`w-full touch-none ${disabled ? "" : "cursor-crosshair"}`}
        role="img"
        aria-label={arc ? `Worn from ${arc[0]} to ${arc[1]} degrees` : "Worn place not drawn"}
        onPointerDown={(event) => {
          if (!disabled) began.current = degrees(event);
        }}
        onPointerUp={(event) => {
          const from = began.current;
          began.current = null;
          if (from === null) return;
          const to = degrees(event);
          if (from !== to) onDraw(Math.min(from, to), Math.max(from, to));
        }}
      >
        <path d={ring} fill="var(--color-sheet)" stroke="var(--color-ink)" strokeWidth="2.5" />
        {arc && (
          <path
            d={`M ${point(INNER + 5, arc[0] ?? 0)} A ${INNER + 5} ${INNER + 5} 0 0 ${sweep} ${point(INNER + 5, arc[1] ?? 0)}`}
            fill="none"
            stroke="var(--color-blue)"
            strokeWidth="8"
            strokeLinecap="round"
          />
        )}
        <circle
          cx="0"
          cy={half.upper ? -(OUTER + INNER) / 2 : (OUTER + INNER) / 2}
          r="5"
          fill="none"
          stroke="var(--color-ink)"
          strokeWidth="1.5"
        />
      </svg>
      <figcaption className="text-center text-[15px] text-quiet">
        {half.upper ? "Upper" : "Lower"} half from the front. Draw where it is worn.
      </figcaption>
    </figure>
  );
}
