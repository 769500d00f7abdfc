import type { Schemas } from "../../api";
import type { Part } from "../../shared/job";

const WIDE = 206;

/** Each figure of a loose piece on a bar of its own: how far it is gone towards its limit, its doubt around it. */
export function FigureBars({ part }: { part: Part }) {
  const figures = part.figures.filter((figure) => figure.limit_nm !== 0);
  if (figures.length === 0) return null;
  return (
    <div role="img" aria-label={`How ${part.name} stands to its limits: ${figures.map(said).join("; ")}.`}>
      {figures.map((figure) => (
        <Bar key={figure.key} figure={figure} />
      ))}
    </div>
  );
}

type Figure = Schemas["FigureShown"];

const said = (figure: Figure): string =>
  `${figure.name} ${figure.value.text}, ${figure.limit_is_least ? "least" : "most"} ${figure.limit}`;

function Bar({ figure }: { figure: Figure }) {
  // A size is drawn around its limit, a clearance or a gap from nothing.
  const near = figure.limit_nm > 5_080_000 && figure.value.nm > 2_540_000;
  const span = near
    ? Math.max(3 * Math.abs(figure.value.nm - figure.limit_nm), 8 * figure.guard.nm, 1)
    : Math.max(figure.limit_nm, figure.value.nm) * 1.2;
  const from = near ? figure.limit_nm - span / 2 : 0;
  const x = (nm: number) => Math.min(WIDE, Math.max(0, ((nm - from) / span) * WIDE));
  const [value, limit] = [x(figure.value.nm), x(figure.limit_nm)];
  const allowed = figure.limit_is_least ? { at: limit, wide: WIDE - limit } : { at: 0, wide: limit };
  return (
    <div className="mb-1.5">
      <p className="truncate text-[14px] leading-tight" title={figure.name}>
        {figure.name}
      </p>
      <p className="flex items-baseline justify-between leading-tight" style={{ width: WIDE }}>
        <span className={`figure text-[19px] font-bold ${figure.called === "beyond" ? "text-red" : ""}`}>
          {figure.value.text}
        </span>
        <span className="text-[14px] text-quiet">
          {figure.limit_is_least ? "least" : "most"} {figure.limit}
          {(figure.called === "beyond" || figure.called === "too close") && (
            <strong className="ml-1 text-ink">{figure.called}</strong>
          )}
        </span>
      </p>
      <svg aria-hidden width={WIDE + 2} height={18} viewBox={`0 3 ${WIDE + 2} 18`} className="block">
        <rect x={allowed.at} y={6} width={Math.max(1, allowed.wide)} height={10} className="fill-tint" />
        <line x1={0} x2={WIDE} y1={16} y2={16} className="stroke-ink" />
        <rect
          x={x(figure.value.nm - figure.guard.nm)}
          y={6}
          width={Math.max(2, x(figure.value.nm + figure.guard.nm) - x(figure.value.nm - figure.guard.nm))}
          height={10}
          className="fill-ink opacity-25"
        />
        <line x1={limit} x2={limit} y1={2} y2={20} className="stroke-red" strokeWidth={2} />
        <path
          d={`M${value} 16l-5 -12h10z`}
          className={figure.called === "beyond" ? "fill-red" : "fill-ink"}
        />
      </svg>
    </div>
  );
}
