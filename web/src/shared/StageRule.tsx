import type { Schemas } from "../api";

type Stage = Schemas["Stage"];
const STAGES: readonly { stage: Stage; label: string }[] = [
  { stage: "booked in", label: "Book in" },
  { stage: "stripping", label: "Strip" },
  { stage: "measuring", label: "Measure" },
  { stage: "deciding", label: "Decide" },
  { stage: "signed", label: "Sign" },
  { stage: "handed over", label: "Leave" },
];

/** A stage is a mark on a rule, as the rack shows it. */
export function StageRule({ stage }: { stage: Stage }) {
  const step = 22;
  const steps = STAGES.length - 1;
  const at = STAGES.findIndex((mark) => mark.stage === stage);
  const top = 2;
  const left = 8;
  const width = left * 2 + step * steps;
  const ticks = Array.from({ length: steps * 4 + 1 }, (_, n) => n);
  return (
    <svg width={width} height={20} role="img" aria-label={`Stage: ${STAGES[at]?.label ?? stage}`}>
      <g className="stroke-ink">
        <line x1={left} x2={left + step * steps} y1={top} y2={top} strokeWidth={1.5} />
        {ticks.map((n) => (
          <line
            key={n}
            x1={left + (n * step) / 4}
            x2={left + (n * step) / 4}
            y1={top}
            y2={top + (n % 4 === 0 ? 8 : 4)}
          />
        ))}
      </g>
      <path d={`M${left + at * step} ${top + 8}l6 9h-12z`} className="fill-blue" />
    </svg>
  );
}
