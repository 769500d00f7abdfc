import type { Schemas } from "../../api";
import type { Part } from "../../shared/job";

const WIDE = 206;

/** Each figure of a loose piece on a bar of its own: how far it is gone towards its limit, its doubt around it. */
export function FigureBars({ part }: { part: Part }) {
  const figures = part.figures.filter((figure) => figure.limit_nm !== 0);
  if (figures.length === 0) return null;
  return (
    <div role="img" aria-label={`How ${part.name} stands to its limits: ${figures.map(said).join("; ")}.`}>
      {banded(figures).map((ends) => (
        <Bar key={ends[0].key} ends={ends} />
      ))}
    </div>
  );
}

type Figure = Schemas["FigureShown"];
type Ends = readonly [Figure, ...Figure[]];

const said = (figure: Figure): string =>
  `${figure.name} ${figure.value.text}, ${figure.limit_is_least ? "least" : "most"} ${figure.limit}`;

const plain = (key: string): string => key.replace(/ (least|most)$/, "");

/** The figures, both ends of a band on one bar where one value is held to them. */
function banded(figures: readonly Figure[]): Ends[] {
  const found: [Figure, ...Figure[]][] = [];
  for (const figure of figures) {
    const before = found.at(-1);
    if (before && plain(before[0].key) === plain(figure.key) && before[0].value.nm === figure.value.nm) {
      before.push(figure);
    } else found.push([figure]);
  }
  return found;
}

function Bar({ ends }: { ends: Ends }) {
  const [figure] = ends;
  const limits = ends.map((one) => one.limit_nm);
  const worst = ends.find((one) => one.called === "beyond") ?? ends.find((one) => one.called === "too close");
  // A size is drawn around its limits, a clearance or a gap from nothing.
  const near = ends.length > 1 || (figure.limit_nm > 5_080_000 && figure.value.nm > 2_540_000);
  const [low, high] = [Math.min(...limits, figure.value.nm), Math.max(...limits, figure.value.nm)];
  const span = near ? Math.max(1.6 * (high - low), 8 * figure.guard.nm, 1) : high * 1.2;
  const from = near ? (low + high) / 2 - span / 2 : 0;
  const x = (nm: number) => Math.min(WIDE, Math.max(0, ((nm - from) / span) * WIDE));
  const value = x(figure.value.nm);
  const least = ends.find((one) => one.limit_is_least);
  const most = ends.find((one) => !one.limit_is_least);
  const [start, end] = [least ? x(least.limit_nm) : 0, most ? x(most.limit_nm) : WIDE];
  return (
    <div className="mb-1.5">
      <p className="truncate text-[14px] leading-tight" title={figure.name}>
        {ends.length > 1 ? figure.name.replace(/, (least|most)$/, "") : figure.name}
      </p>
      <p className="flex items-baseline justify-between leading-tight" style={{ width: WIDE }}>
        <span className={`figure text-[19px] font-bold ${worst?.called === "beyond" ? "text-red" : ""}`}>
          {figure.value.text}
        </span>
        <span className="text-[14px] text-quiet">
          {least && most ? `${least.limit} to ${most.limit}` : `${least ? "least" : "most"} ${figure.limit}`}
          {worst && <strong className="ml-1 text-ink">{worst.called}</strong>}
        </span>
      </p>
      <svg aria-hidden width={WIDE + 2} height={18} viewBox={`0 3 ${WIDE + 2} 18`} className="block">
        <rect x={start} y={6} width={Math.max(1, end - start)} height={10} className="fill-tint" />
        <line x1={0} x2={WIDE} y1={16} y2={16} className="stroke-ink" />
        <rect
          x={x(figure.value.nm - figure.guard.nm)}
          y={6}
          width={Math.max(2, x(figure.value.nm + figure.guard.nm) - x(figure.value.nm - figure.guard.nm))}
          height={10}
          className="fill-ink opacity-25"
        />
        {ends.map((one) => (
          <line
            key={one.key}
            x1={x(one.limit_nm)}
            x2={x(one.limit_nm)}
            y1={2}
            y2={20}
            className="stroke-red"
            strokeWidth={2}
          />
        ))}
        <path
          d={`M${value} 16l-5 -12h10z`}
          className={worst?.called === "beyond" ? "fill-red" : "fill-ink"}
        />
      </svg>
    </div>
  );
}
