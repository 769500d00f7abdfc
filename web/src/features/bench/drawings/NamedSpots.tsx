import { Hold } from "./Hold";
import { FRAME, type SectionProps } from "./props";

const [LEFT, TOP, WIDE, ROOM] = [6, 10, 330, 196];

/** Spots that are named by no plane and angle, row by row as their kind lists them: the one in hand, read ones, open
 * ones. */
export function NamedSpots({ desk, onSpot }: SectionProps) {
  const { part, feature, spot, spots } = desk;
  const open = spots.filter((one) => !one.current).length;
  const said = `${part.name}: ${feature.name}. ${spot ? `Next spot: ${spot}. ` : ""}${open === 0 ? "All spots read." : `${open} spots to read.`}`;
  const rows = [...new Set(spots.map((one) => one.plane))];
  const high = Math.min(40, ROOM / rows.length);
  return (
    <figure>
      <svg {...FRAME} role="img" aria-label={said}>
        {rows.map((row, down) =>
          spots
            .filter((one) => one.plane === row)
            .map((one, across, all) => {
              const wide = WIDE / all.length;
              const now = one.name === spot;
              return (
                <g key={one.name} onClick={() => onSpot(one.name)} className="cursor-pointer">
                  <rect
                    x={LEFT + across * wide}
                    y={TOP + down * high}
                    width={wide - 3}
                    height={high - 4}
                    className={
                      now
                        ? "fill-tint stroke-blue"
                        : one.current
                          ? "fill-tint stroke-ink"
                          : "fill-sheet stroke-quiet"
                    }
                    strokeWidth={now ? 2.5 : 1.5}
                  />
                  <text
                    x={LEFT + across * wide + (wide - 3) / 2}
                    y={TOP + down * high + high / 2 + 3}
                    textAnchor="middle"
                    fontSize={13}
                    className={now ? "fill-blue font-semibold" : "fill-ink"}
                  >
                    {one.name}
                  </text>
                </g>
              );
            }),
        )}
        <Hold words={feature.hold} />
      </svg>
      <figcaption className="sr-only">{said}</figcaption>
    </figure>
  );
}
