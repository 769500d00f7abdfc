import type { FunctionComponent } from "react";

import type { Schemas } from "../../../api";
import { namedOf } from "../targets";
import type { Desk } from "../useDesk";
import { BoreSection } from "./BoreSection";
import { FloatSection } from "./FloatSection";
import { PistonSection, PumpSection, RingSection } from "./LooseSections";
import { NamedSpots } from "./NamedSpots";
import { TurnedSection } from "./TurnedSection";
import { FRAME, type SectionProps } from "./props";

type Spot = Schemas["Spot"];

const R = 74;
const CX = 112;
const CY = 112;

/** The drawing that shows where the gauge goes, for each feature. One without a drawing does not compile. */
const SECTIONS: Record<Schemas["Drawing"], FunctionComponent<SectionProps>> = {
  shaft: RoundSection,
  housing: RoundSection,
  shell: RoundSection,
  bore: BoreSection,
  piston: PistonSection,
  ring: RingSection,
  pump: PumpSection,
  plain: PlainSection,
  round: TurnedSection,
  float: FloatSection,
};

/** Where the gauge goes. */
export function Section(props: SectionProps) {
  const Drawn = SECTIONS[props.desk.feature.drawing];
  return <Drawn {...props} />;
}

/** What no drawing shows: round where its spots are angles, else its spots by their names. */
function PlainSection(props: SectionProps) {
  return namedOf(props.desk.spots) ? <NamedSpots {...props} /> : <RoundSection {...props} />;
}

/** The section from the front with its angles, and the side view with its planes. */
function RoundSection({ desk, onSpot }: SectionProps) {
  const { spot, spots, part, feature } = desk;
  const plane = spots.find((one) => one.name === spot)?.plane ?? null;
  const inPlane = spots.filter((one) => one.plane === (plane ?? 1));
  const planes = [...new Set(spots.map((one) => one.plane))];
  const oilHole = desk.bench.hints[part.set]?.oil_hole_deg ?? null;
  const isShaft = feature.drawing === "shaft";
  const inside = feature.drawing === "housing" || feature.drawing === "shell";
  const said = describe(desk, isShaft ? oilHole : null);
  return (
    <figure>
      <svg {...FRAME} role="img" aria-label={said}>
        {inside && <Bearing shells={feature.key !== "housing bore"} />}
        <circle cx={CX} cy={CY} r={R} className="fill-sheet stroke-ink" strokeWidth={1.5} />
        {isShaft && oilHole !== null && <OilHole deg={oilHole} />}
        {inPlane.map((one) => (
          <Anvils
            key={one.angle}
            spot={one}
            state={one.name === spot ? "now" : one.current ? "read" : "open"}
            inside={inside}
            onPick={() => onSpot(one.name)}
          />
        ))}
        <SideView planes={planes} now={plane} spots={spots} hold={feature.hold} isJournal={isShaft} />
      </svg>
      <figcaption className="sr-only">{said}</figcaption>
    </figure>
  );
}

/** The housing around a bore, its joint across: nothing is read on the joint. */
function Bearing({ shells }: { shells: boolean }) {
  return (
    <g>
      <circle cx={CX} cy={CY} r={R + 20} className="fill-tint stroke-ink" />
      {shells && <circle cx={CX} cy={CY} r={R + 8} className="fill-paper stroke-ink" />}
      {[-1, 1].map((side) => (
        <line
          key={side}
          x1={CX + side * (R - 4)}
          x2={CX + side * (R + 24)}
          y1={CY}
          y2={CY}
          className="stroke-red"
          strokeWidth={2}
          strokeDasharray="5 3"
        />
      ))}
      <text x={CX + R - 6} y={CY - 8} textAnchor="end" fontSize={13} className="fill-red">
        joint
      </text>
    </g>
  );
}

/** The oil hole, and the arc around it where no anvil belongs. */
function OilHole({ deg }: { deg: number }) {
  const t = (deg * Math.PI) / 180;
  const [x, y] = [CX + Math.sin(t) * R, CY - Math.cos(t) * R];
  const edge = (away: number) => {
    const at = t + away;
    return `${CX + Math.sin(at) * R} ${CY - Math.cos(at) * R}`;
  };
  return (
    <g>
      <path
        d={`M${edge(-0.28)}A${R} ${R} 0 0 1 ${edge(0.28)}`}
        className="stroke-red"
        fill="none"
        strokeWidth={5}
      />
      <circle cx={x} cy={y} r={5} className="fill-paper stroke-ink" strokeWidth={1.5} />
      <text
        x={CX + Math.sin(t) * (R - 24)}
        y={CY - Math.cos(t) * (R - 24) + 4}
        textAnchor="middle"
        fontSize={13}
        className="fill-red"
      >
        oil
      </text>
    </g>
  );
}

function describe({ part, spot, spots, feature }: Desk, oilHole: number | null): string {
  const open = spots.filter((one) => !one.current).length;
  const here = spots.find((one) => one.name === spot);
  const next = here ? `Next spot: plane ${here.plane}, angle ${here.angle}. ` : "";
  const oil = oilHole === null ? "" : ` Oil hole at ${oilHole} degrees: keep clear.`;
  const left = open === 0 ? "All spots read." : `${open} spots to read.`;
  return `${part.name}, ${feature.name}, from the front. ${next}${left}${oil}`;
}

interface AnvilsProps {
  spot: Spot;
  state: "now" | "read" | "open";
  inside: boolean;
  onPick: () => void;
}

function Anvils({ spot, state, inside, onPick }: AnvilsProps) {
  const { angle, angle_deg: deg } = spot;
  const t = (deg * Math.PI) / 180;
  const [x, y] = [Math.sin(t), -Math.cos(t)];
  const look = { now: "fill-blue stroke-blue", read: "fill-ink stroke-ink", open: "fill-paper stroke-quiet" }[
    state
  ];
  const line = { now: "stroke-blue", read: "stroke-ink", open: "stroke-quiet" }[state];
  const from = (far: number) => ({ x: CX + x * far, y: CY + y * far });
  const label = from(-(R + (inside ? 31 : 27)));
  const far = inside ? R - 8 : R + 8;
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
      {[far, -far].map((at) => (
        <rect
          key={at}
          x={from(at).x - 8}
          y={from(at).y - 5}
          width={16}
          height={10}
          transform={`rotate(${deg} ${from(at).x} ${from(at).y})`}
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

interface SideProps {
  planes: number[];
  now: number | null;
  spots: readonly Spot[];
  hold: string;
  isJournal: boolean;
}

function SideView({ planes, now, spots, hold, isJournal }: SideProps) {
  const [left, width] = [246, 72];
  return (
    <g>
      {isJournal ? (
        <JournalSide left={left} width={width} />
      ) : (
        <rect x={left} y={54} width={width} height={110} className="fill-sheet stroke-ink" />
      )}
      {planes.map((plane, n) => {
        const x = left + 16 + (n * (width - 32)) / Math.max(1, planes.length - 1);
        const read = spots.filter((one) => one.plane === plane).every((one) => one.current);
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
      <text x={340} y={212} textAnchor="end" fontSize={14} className="fill-quiet">
        {hold}
      </text>
      <text x={left - 6} y={20} fontSize={14} className="fill-quiet">
        front
      </text>
    </g>
  );
}

/** The journal from the side between its cheeks, its fillets marked: no anvil belongs there. */
function JournalSide({ left, width }: { left: number; width: number }) {
  return (
    <g>
      <rect x={left - 14} y={26} width={14} height={166} className="fill-sheet stroke-ink" />
      <rect x={left + width} y={26} width={14} height={166} className="fill-sheet stroke-ink" />
      <path
        d={`M${left} 54q4 6 8 6h${width - 16}q4 0 8 -6v116q-4 -6 -8 -6h-${width - 16}q-4 0 -8 6z`}
        className="fill-sheet stroke-ink"
      />
      {[left + 1, left + width - 9].map((x) => (
        <rect key={x} x={x} y={54} width={8} height={110} className="fill-red opacity-25" />
      ))}
    </g>
  );
}
