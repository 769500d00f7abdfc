import type { Schemas } from "../../api";
import { momentText } from "../../shared/dates";

const [WIDTH, HEIGHT, LEFT] = [560, 190, 70];

/** The zero error over the checks, against the permissible error: how a gauge drifts. */
export function DriftPlot({ detail }: { detail: Schemas["GaugeDetail"] }) {
  const { checks, permissible_error_nm: most, gauge } = detail;
  if (checks.length === 0) return null;
  const reach = Math.max(most, ...checks.map((check) => Math.abs(check.zero_nm)), 1) * 1.25;
  const y = (nm: number) => HEIGHT / 2 - (nm / reach) * (HEIGHT / 2 - 8);
  const step = (WIDTH - LEFT - 20) / Math.max(1, checks.length - 1);
  const x = (n: number) => LEFT + (checks.length === 1 ? (WIDTH - LEFT) / 2 : n * step);
  const told = checks.map((check) => `${momentText(check.at)}: ${check.zero}`).join("; ");
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT + 22}`}
      style={{ width: WIDTH }}
      className="max-w-full"
      role="img"
      aria-label={`Zero error over time. ${told}`}
    >
      <rect x={LEFT} y={y(most)} width={WIDTH - LEFT} height={y(-most) - y(most)} className="fill-tint" />
      {[most, 0, -most].map((nm) => (
        <g key={nm}>
          <line
            x1={LEFT}
            x2={WIDTH}
            y1={y(nm)}
            y2={y(nm)}
            className={nm === 0 ? "stroke-ink" : "stroke-line"}
          />
          <text x={LEFT - 8} y={y(nm) + 5} textAnchor="end" fontSize={14} className="figure fill-ink">
            {nm === 0 ? "0" : `${nm > 0 ? "+" : "−"}${gauge.permissible_error}`}
          </text>
        </g>
      ))}
      <polyline
        points={checks.map((check, n) => `${x(n)},${y(check.zero_nm)}`).join(" ")}
        className="stroke-blue"
        fill="none"
        strokeWidth={1.5}
      />
      {checks.map((check, n) => (
        <g key={check.id} className={check.out ? "fill-red" : "fill-blue"}>
          {check.out ? (
            <path
              d={`M${x(n) - 6} ${y(check.zero_nm) - 6}l12 12m0 -12l-12 12`}
              className="stroke-red"
              strokeWidth={3}
            />
          ) : (
            <circle cx={x(n)} cy={y(check.zero_nm)} r={5} />
          )}
          <title>{`${momentText(check.at)}: ${check.zero} ${gauge.unit}`}</title>
        </g>
      ))}
      <text x={LEFT} y={HEIGHT + 18} fontSize={14} className="fill-quiet">
        {momentText(checks[0]?.at ?? "")}
      </text>
      <text x={WIDTH} y={HEIGHT + 18} textAnchor="end" fontSize={14} className="fill-quiet">
        {momentText(checks.at(-1)?.at ?? "")}
      </text>
    </svg>
  );
}
