import type { Part } from "../job";

const WIDTH = 72;
const HEIGHT = 26;
const EDGE = 4;

interface Props {
  /** Every part that is judged; those of the same set are drawn. */
  parts: readonly Part[];
  /** The part in hand. */
  own: Part;
  /** The figure that is drawn, by its name on the part. */
  figure: string;
}

/** One figure of every part of a set side by side, small: the part in hand filled, its limit as a line. */
export function SideBySide({ parts, own, figure }: Props) {
  const found = parts
    .filter((part) => part.set === own.set && !part.out)
    .flatMap((part) => part.figures.filter((one) => one.name === figure).map((one) => ({ part, one })));
  const limit = own.figures.find((one) => one.name === figure)?.limit_nm ?? 0;
  if (found.length < 2 || limit === 0) return null;
  const sizes = [limit, ...found.map(({ one }) => one.value.nm)];
  const least = Math.min(...sizes);
  const reach = Math.max(...sizes) - least || 1;
  const y = (nm: number) => HEIGHT - EDGE - ((nm - least) / reach) * (HEIGHT - 2 * EDGE);
  const x = (nth: number) => EDGE + (nth / (found.length - 1)) * (WIDTH - 2 * EDGE);
  const told = found.map(({ part, one }) => `${part.short_name} ${one.value.text}`).join(", ");
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width={WIDTH}
      height={HEIGHT}
      role="img"
      aria-label={`${figure} of the set: ${told}`}
    >
      <title>{told}</title>
      <line x1={0} x2={WIDTH} y1={y(limit)} y2={y(limit)} className="stroke-red" strokeWidth={1.5} />
      {found.map(({ part, one }, nth) => {
        const mine = part.id === own.id;
        const color = one.called === "beyond" ? "fill-red stroke-red" : "fill-ink stroke-ink";
        return (
          <circle
            key={part.id}
            cx={x(nth)}
            cy={y(one.value.nm)}
            r={mine ? 3.6 : 2.4}
            className={mine ? color : color.replace(/fill-\w+/, "fill-sheet")}
            strokeWidth={1.3}
          />
        );
      })}
    </svg>
  );
}
