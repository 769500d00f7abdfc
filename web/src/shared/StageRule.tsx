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

/** A stage is a mark on a rule. */
export function StageRule({ stage, small = false }: { stage: Stage; small?: boolean }) {
  const step = small ? 22 : 46;
  const steps = STAGES.length - 1;
  const at = STAGES.findIndex((mark) => mark.stage === stage);
  const top = small ? 2 : 20;
  const left = small ? 8 : 26;
  const width = left * 2 + step * steps;
  const ticks = Array.from({ length: steps * 4 + 1 }, (_, n) => n);
  return (
    <svg
      width={width}
      height={small ? 20 : 40}
      role="img"
      aria-label={`Stage: ${STAGES[at]?.label ?? stage}`}
    >
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
      {!small &&
        STAGES.map((mark, n) => (
          <text
            key={mark.stage}
            x={left + n * step}
            y={13}
            textAnchor="middle"
            className={n === at ? "fill-blue font-semibold" : "fill-quiet"}
            fontSize={14}
          >
            {mark.label}
          </text>
        ))}
      <path d={`M${left + at * step} ${top + 8}l6 9h-12z`} className="fill-blue" />
    </svg>
  );
}
