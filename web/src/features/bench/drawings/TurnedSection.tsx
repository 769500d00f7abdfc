import type { Schemas } from "../../../api";
import { FRAME, type SectionProps } from "./props";

const R = 58;
const CX = 116;
const CY = 112;
/** So many pixels the greatest reading is drawn off the circle. */
const FAR = 16;

/** A journal from the front, turned under an indicator that stands on top: what it said at each angle, and which way
 * the shaft lies. */
export function TurnedSection({ desk, onSpot }: SectionProps) {
  const { spot, spots, part, feature } = desk;
  const whole = spots.length === 1;
  const heights = spots.flatMap((one) => (one.size ? [one.size.nm] : []));
  const [low, high] = [Math.min(...heights), Math.max(...heights)];
  const middle = heights.length > 0 ? (low + high) / 2 : 0;
  const scale = high > low ? FAR / ((high - low) / 2) : 0;
  const lies = desk.bench.assessment.sets
    .flatMap((one) => one.shaft)
    .find((one) => one.part === part.id && one.side);
  const open = spots.filter((one) => !one.current).length;
  const said = `${part.name} from the front, turned under the indicator. ${open ? `${open} angles to read.` : "Read all round."}${lies ? ` Highest at ${lies.side}.` : ""}`;
  const at = (deg: number, far: number) => {
    const t = (deg * Math.PI) / 180;
    return { x: CX + Math.sin(t) * far, y: CY - Math.cos(t) * far };
  };
  const read = spots.flatMap((one) =>
    one.size ? [at(one.angle_deg, R + (one.size.nm - middle) * scale)] : [],
  );
  return (
    <figure>
      <svg {...FRAME} role="img" aria-label={said}>
        <circle cx={CX} cy={CY} r={R} className="fill-sheet stroke-line" strokeWidth={1.5} />
        {read.length > 2 && (
          <polygon
            points={read.map(({ x, y }) => `${x},${y}`).join(" ")}
            fill="none"
            className="stroke-ink"
            strokeWidth={2}
          />
        )}
        {!whole &&
          spots.map((one) => {
            const state = one.name === spot ? "now" : one.current ? "read" : "open";
            const dot = at(one.angle_deg, R);
            const label = at(one.angle_deg, R + 36);
            return (
              <g key={one.name} className="cursor-pointer" onClick={() => onSpot(one.name)}>
                <circle
                  cx={dot.x}
                  cy={dot.y}
                  r={state === "now" ? 9 : 6}
                  className={
                    state === "now"
                      ? "fill-blue stroke-blue"
                      : state === "read"
                        ? "fill-ink stroke-ink"
                        : "fill-paper stroke-quiet"
                  }
                  strokeWidth={1.5}
                />
                <text
                  x={label.x}
                  y={label.y + 5}
                  textAnchor="middle"
                  fontSize={15}
                  className={state === "now" ? "fill-blue font-semibold" : "fill-ink"}
                >
                  {one.angle_deg}°
                </text>
              </g>
            );
          })}
        {lies && <HighSide tip={at(degrees(lies), R - 16)} />}
        <g transform="translate(288 92)">
          <line x1={0} x2={0} y1={-44} y2={40} className="stroke-ink" strokeWidth={2} />
          <circle cy={-62} r={20} className="fill-sheet stroke-ink" strokeWidth={2} />
          <line y1={-62} y2={-78} className="stroke-blue" strokeWidth={2.5} />
          <circle cy={44} r={4} className="fill-ink" />
          <path d="M-34 66a40 40 0 0 1 68 0" className="fill-none stroke-ink" strokeWidth={1.5} />
        </g>
        <text x={288} y={192} textAnchor="middle" fontSize={14} className="fill-quiet">
          {whole ? "one slow turn" : "turned so far up"}
        </text>
      </svg>
      <figcaption className="max-w-[340px] text-[15px] leading-tight text-quiet">
        {feature.hold}
        <span className="sr-only">{said}</span>
      </figcaption>
    </figure>
  );
}

/** At which angle the middle lies, to draw it there. */
const degrees = ({ x_nm, y_nm }: Schemas["ShaftPlace"]): number =>
  (Math.atan2(y_nm ?? 0, x_nm ?? 0) * 180) / Math.PI;

/** Which way the middle of the shaft lies. */
function HighSide({ tip }: { tip: { x: number; y: number } }) {
  const turn = (Math.atan2(tip.y - CY, tip.x - CX) * 180) / Math.PI;
  return (
    <g className="fill-red stroke-red">
      <line x1={CX} y1={CY} x2={tip.x} y2={tip.y} strokeWidth={2.5} />
      <path d="M0 0l-11 -5v10z" transform={`translate(${tip.x} ${tip.y}) rotate(${turn})`} />
      <circle cx={CX} cy={CY} r={3} />
    </g>
  );
}
