import type { Journal } from "../../shared/job";

interface Props {
  journal: Journal;
  spot: string | null;
  onSpot: (spot: string) => void;
}

const R = 74;
const CX = 112;
const CY = 112;

/** Where the gauge goes: the section from the front with its angles, and the side view with its planes. */
export function SpotDrawing({ journal, spot, onSpot }: Props) {
  const plane = spot ? Number(spot[0]) : null;
  const inPlane = journal.spots.filter((one) => one.plane === (plane ?? 1));
  const planes = [...new Set(journal.spots.map((one) => one.plane))];
  return (
    <figure>
      <svg width={340} height={228} role="img" aria-label={describe(journal, spot)}>
        <circle cx={CX} cy={CY} r={R} className="fill-sheet stroke-ink" strokeWidth={1.5} />
        {inPlane.map((one) => (
          <Anvils
            key={one.angle}
            angle={one.angle}
            deg={one.angle_deg}
            state={one.name === spot ? "now" : one.current ? "read" : "open"}
            onPick={() => onSpot(one.name)}
          />
        ))}
        <SideView planes={planes} now={plane} journal={journal} />
      </svg>
      <figcaption className="sr-only">{describe(journal, spot)}</figcaption>
    </figure>
  );
}

function describe(journal: Journal, spot: string | null): string {
  const open = journal.to_read.length;
  const next = spot ? `Next spot: plane ${spot[0] ?? ""}, angle ${spot[1] ?? ""}. ` : "";
  return `${journal.name} from the front. ${next}${open === 0 ? "All spots read." : `${open} spots to read.`}`;
}

function Anvils({
  angle,
  deg,
  state,
  onPick,
}: {
  angle: string;
  deg: number;
  state: "now" | "read" | "open";
  onPick: () => void;
}) {
  const t = (deg * Math.PI) / 180;
  const [x, y] = [Math.sin(t), -Math.cos(t)];
  const look = { now: "fill-blue stroke-blue", read: "fill-ink stroke-ink", open: "fill-paper stroke-quiet" }[
    state
  ];
  const line = { now: "stroke-blue", read: "stroke-ink", open: "stroke-quiet" }[state];
  const from = (far: number) => ({ x: CX + x * far, y: CY + y * far });
  const label = from(-(R + 27));
  return (
    <g onClick={onPick} className="cursor-pointer">
      <line
        x1={from(R).x}
        y1={from(R).y}
        x2={from(-R).x}
        y2={from(-R).y}
        className={line}
        strokeWidth={state === "now" ? 3 : 1}
        strokeDasharray={state === "open" ? "4 4" : undefined}
      />
      {[R + 8, -(R + 8)].map((far) => (
        <rect
          key={far}
          x={from(far).x - 8}
          y={from(far).y - 5}
          width={16}
          height={10}
          transform={`rotate(${deg} ${from(far).x} ${from(far).y})`}
          className={look}
          strokeWidth={1.5}
        />
      ))}
      <text
        x={label.x}
        y={label.y + 6}
        textAnchor="middle"
        fontSize={18}
        className={state === "now" ? "fill-blue font-semibold" : "fill-ink"}
      >
        {angle}
      </text>
    </g>
  );
}

function SideView({ planes, now, journal }: { planes: number[]; now: number | null; journal: Journal }) {
  const [left, width] = [246, 72];
  return (
    <g>
      <rect x={left - 14} y={26} width={14} height={166} className="fill-sheet stroke-ink" />
      <rect x={left + width} y={26} width={14} height={166} className="fill-sheet stroke-ink" />
      <path
        d={`M${left} 54q4 6 8 6h${width - 16}q4 0 8 -6v116q-4 -6 -8 -6h-${width - 16}q-4 0 -8 6z`}
        className="fill-sheet stroke-ink"
      />
      {planes.map((plane, n) => {
        const x = left + 16 + (n * (width - 32)) / Math.max(1, planes.length - 1);
        const read = journal.spots.filter((one) => one.plane === plane).every((one) => one.current);
        return (
          <g key={plane}>
            <line
              x1={x}
              x2={x}
              y1={46}
              y2={178}
              className={plane === now ? "stroke-blue" : "stroke-ink"}
              strokeWidth={plane === now ? 3.5 : 1.2}
              strokeDasharray={read || plane === now ? undefined : "4 4"}
            />
            <text
              x={x}
              y={40}
              textAnchor="middle"
              fontSize={17}
              className={plane === now ? "fill-blue font-semibold" : "fill-ink"}
            >
              {plane}
            </text>
          </g>
        );
      })}
      <text x={left + width / 2} y={212} textAnchor="middle" fontSize={14} className="fill-quiet">
        clear of fillets
      </text>
      <text x={left - 6} y={20} fontSize={14} className="fill-quiet">
        front
      </text>
    </g>
  );
}
