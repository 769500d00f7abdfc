import type { Schemas } from "../../api";
import { type Bench, type Part, setOf } from "../../shared/job";

interface Label {
  nm: number;
  text: string;
  note?: string;
  look: string;
}

const HEIGHT = 448;
const AXIS = 66;
const BAND = 50;

/** The scale around the set's size: limits, the steps that can be bought, the readings, and the gauge's doubt. */
export function Scale({ bench, part }: { bench: Bench; part: Part }) {
  const { scale } = setOf(bench.assessment, part.set);
  if (!scale) return null;
  const y = (nm: number) => ((scale.top_nm - nm) / (scale.top_nm - scale.bottom_nm)) * HEIGHT;
  const inside = (nm: number) => nm <= scale.top_nm && nm >= scale.bottom_nm;
  const steps = scale.steps.filter((step) => inside(step.least.nm));
  const labels = spread(labelsOf(scale, steps), y);
  return (
    <svg
      width={222}
      height={HEIGHT + 8}
      role="img"
      aria-label={describe(scale, part)}
      className="overflow-visible"
    >
      <g className="stroke-ink">
        <line x1={AXIS} x2={AXIS} y1={0} y2={HEIGHT} strokeWidth={1.5} />
        {scale.graduations.map((line) => (
          <line key={line.nm} x1={AXIS - (line.text ? 14 : 7)} x2={AXIS} y1={y(line.nm)} y2={y(line.nm)} />
        ))}
      </g>
      {scale.graduations.map((line) =>
        line.text ? (
          <text
            key={line.nm}
            x={AXIS - 18}
            y={y(line.nm) + 5}
            textAnchor="end"
            className="figure fill-ink"
            fontSize={13}
          >
            {line.text}
          </text>
        ) : null,
      )}
      <Band from={y(scale.new_most.nm)} to={y(scale.new_least.nm)} look="fill-tint" />
      {steps.map((step) => (
        <Band
          key={step.step.nm}
          from={y(step.most.nm)}
          to={y(step.least.nm)}
          look={
            step.chosen
              ? "fill-blue"
              : step.can_be_bought && step.allowed
                ? "fill-tint"
                : "fill-none stroke-line"
          }
        />
      ))}
      <line
        x1={AXIS}
        x2={AXIS + BAND}
        y1={y(scale.limit.nm)}
        y2={y(scale.limit.nm)}
        className="stroke-red"
        strokeWidth={2}
      />
      <Readings part={part} y={y} />
      {labels.map((label) => (
        <g key={label.text}>
          <path
            d={`M${AXIS + BAND + 2} ${y(label.nm)}L${AXIS + BAND + 12} ${label.at}`}
            className="stroke-line"
            fill="none"
          />
          <text x={AXIS + BAND + 15} y={label.at + 5} fontSize={15} className={label.look}>
            {label.text}
          </text>
          {label.note && (
            <text x={AXIS + BAND + 15} y={label.at + 20} fontSize={13} className="fill-quiet">
              {label.note}
            </text>
          )}
        </g>
      ))}
    </svg>
  );
}

function Band({ from, to, look }: { from: number; to: number; look: string }) {
  return (
    <rect
      x={AXIS + 1}
      y={from}
      width={BAND - 1}
      height={Math.max(3, to - from)}
      className={look}
      strokeDasharray="3 3"
    />
  );
}

/** The readings as pointers, the doubt as a band around the least of them, the clean-up size as an interval. */
function Readings({ part, y }: { part: Part; y: (nm: number) => number }) {
  const size = part.figures.find((figure) => figure.of_size);
  const machining = part.own_action === "regrind" || part.own_action === "rebore" ? part.clean_up : null;
  return (
    <g>
      <defs>
        <pattern id="hatch" width={5} height={5} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1={0} x2={0} y1={0} y2={5} className="stroke-ink" />
        </pattern>
      </defs>
      {size && (
        <rect
          x={AXIS + 1}
          width={16}
          y={y(size.value.nm + size.guard.nm)}
          height={Math.max(2, y(size.value.nm - size.guard.nm) - y(size.value.nm + size.guard.nm))}
          className="fill-ink opacity-25"
        >
          <title>{`doubt of the size, ${size.guard.text} either way`}</title>
        </rect>
      )}
      {machining && (
        <rect
          x={AXIS + 26}
          width={10}
          y={Math.min(y(machining.possible.nm), y(machining.sure.nm))}
          height={Math.max(2, Math.abs(y(machining.sure.nm) - y(machining.possible.nm)))}
          fill="url(#hatch)"
          className="stroke-ink"
        >
          <title>{`cleans up between ${machining.sure.text} and ${machining.possible.text}`}</title>
        </rect>
      )}
      {(part.features[0]?.spots ?? []).map((spot) =>
        spot.size ? (
          <path
            key={spot.current?.id ?? spot.name}
            d={`M${AXIS + 1} ${y(spot.size.nm)}l13 -4v8z`}
            className="landed fill-ink"
          />
        ) : null,
      )}
    </g>
  );
}

function labelsOf(scale: Schemas["Scale"], steps: Schemas["StepShown"][]): Label[] {
  const plain = "fill-ink font-semibold";
  return [
    { nm: scale.new_most.nm, text: "new", look: plain },
    { nm: scale.limit.nm, text: scale.limit_words, look: "fill-red font-semibold" },
    ...steps.map((step) => ({
      nm: step.least.nm,
      text: step.words,
      note: step.outlook,
      look: step.chosen
        ? "fill-blue font-semibold"
        : step.can_be_bought && step.allowed
          ? plain
          : "fill-quiet",
    })),
  ];
}

/** Push labels apart so that none covers another. */
function spread(labels: Label[], y: (nm: number) => number): (Label & { at: number })[] {
  let free = 4;
  return labels
    .toSorted((a, b) => b.nm - a.nm)
    .map((label) => {
      const at = Math.max(y(label.nm), free);
      free = at + (label.note ? 38 : 20);
      return { ...label, at };
    });
}

function describe(scale: Schemas["Scale"], part: Part): string {
  const chosen = scale.steps.find((step) => step.chosen);
  const least = part.size ? `size ${part.size.text}, ` : "";
  return `Scale for ${part.name}: ${least}${scale.limit_words} ${scale.limit.text}${chosen ? `, goes to ${chosen.words}` : ""}.`;
}
