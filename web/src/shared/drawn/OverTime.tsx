import type { Schemas } from "../../api";
import { momentText } from "../dates";

type Line = Schemas["SizeOnCard"];
const WIDTH = 340;
const HEIGHT = 96;
const TOP = 20;
const EDGE = 6;

/** The sizes of one place over time, small, in the order they were read: hollow where work has overtaken them, the
 * work as an upright line. */
export function OverTime({ lines }: { lines: readonly Line[] }) {
  const sizes = lines.flatMap((one) => (one.count === null ? [] : [one.count]));
  if (sizes.length < 2) return null;
  const least = Math.min(...sizes);
  const reach = Math.max(...sizes) - least || 1;
  const y = (count: number) => HEIGHT - EDGE - ((count - least) / reach) * (HEIGHT - TOP - 2 * EDGE);
  const x = (nth: number) => EDGE + (nth / (lines.length - 1)) * (WIDTH - 2 * EDGE);
  const words = (one: Line) => `${momentText(one.at)}: ${one.words}`;
  const [first, last] = [lines[0], lines.at(-1)];
  return (
    <figure>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="w-full max-w-[420px]"
        role="img"
        aria-label={lines.map(words).join("; ")}
      >
        {lines.map((one, nth) =>
          one.count === null ? (
            <g key={`${one.at} ${one.words}`}>
              <title>{words(one)}</title>
              <line
                x1={x(nth)}
                x2={x(nth)}
                y1={TOP - 4}
                y2={HEIGHT}
                className="stroke-blue"
                strokeWidth={2}
              />
              <text
                x={x(nth)}
                y={12}
                textAnchor={nth > lines.length / 2 ? "end" : "start"}
                fontSize={13}
                className="fill-blue"
              >
                {one.words}
              </text>
            </g>
          ) : (
            <circle
              key={`${one.at} ${one.words}`}
              cx={x(nth)}
              cy={y(one.count)}
              r={3.4}
              className={`stroke-ink ${one.stale ? "fill-sheet" : "fill-ink"}`}
              strokeWidth={1.4}
            >
              <title>{words(one)}</title>
            </circle>
          ),
        )}
      </svg>
      {first && last && (
        <figcaption className="flex max-w-[420px] justify-between text-[15px] text-quiet">
          <span>{momentText(first.at)}</span>
          <span>{momentText(last.at)}</span>
        </figcaption>
      )}
    </figure>
  );
}
