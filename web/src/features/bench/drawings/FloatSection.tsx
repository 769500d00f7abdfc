import { FRAME, type SectionProps } from "./props";

/** The crank between its thrust faces, from the side: levered to and fro under an indicator, or its widths read. */
export function FloatSection({ desk }: SectionProps) {
  const { feature, part } = desk;
  const widths = feature.hole || feature.key.includes("bearing");
  const said = `${part.name}, ${feature.name}: ${feature.hold}.`;
  return (
    <figure>
      <svg {...FRAME} role="img" aria-label={said}>
        <g className="fill-sheet stroke-ink" strokeWidth={1.5}>
          <rect x={28} y={40} width={22} height={112} />
          <rect x={50} y={76} width={140} height={40} />
          <rect x={190} y={40} width={22} height={112} />
          <rect x={212} y={84} width={44} height={24} />
        </g>
        <g className="fill-tint stroke-ink" strokeWidth={1.5}>
          <path d="M58 40h124v32H58z" />
          <path d="M58 120h124v32H58z" />
        </g>
        {(feature.hole ? [50, 190] : [58, 182]).map((x) => (
          <line
            key={x}
            x1={x}
            x2={x}
            y1={30}
            y2={162}
            className={widths ? "stroke-blue" : "stroke-line"}
            strokeWidth={widths ? 3 : 1}
            strokeDasharray={widths ? undefined : "4 4"}
          />
        ))}
        {!widths && (
          <g className="stroke-blue" strokeWidth={2.5} fill="none">
            <path d="M96 176h48M104 170l-8 6 8 6M136 170l8 6-8 6" />
            {feature.key.includes("leaf") ? (
              <line x1={186} x2={186} y1={24} y2={74} strokeWidth={5} />
            ) : (
              <>
                <line x1={258} x2={282} y1={96} y2={96} />
                <circle cx={302} cy={96} r={20} className="fill-sheet" />
                <line x1={302} x2={302} y1={96} y2={82} />
              </>
            )}
          </g>
        )}
        <text x={39} y={172} textAnchor="middle" fontSize={13} className="fill-quiet">
          front
        </text>
        <text x={201} y={172} textAnchor="middle" fontSize={13} className="fill-quiet">
          rear
        </text>
        <text x={8} y={212} fontSize={14} className="fill-quiet">
          {feature.hold}
        </text>
      </svg>
      <figcaption className="sr-only">{said}</figcaption>
    </figure>
  );
}
