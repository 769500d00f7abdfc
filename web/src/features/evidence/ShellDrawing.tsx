import { useId } from "react";

import type { Half } from "./useEvidence";

/** A point on a circle round (0, 0): 0 degrees is the left joint, 90 the crown, 180 the right joint. */
function at(radius: number, degrees: number, upper: boolean): string {
  const turned = (degrees * Math.PI) / 180;
  const y = radius * Math.sin(turned);
  return `${(-radius * Math.cos(turned)).toFixed(1)} ${(upper ? -y : y).toFixed(1)}`;
}

/** An arc from one angle to another at a radius. */
function arc(radius: number, from: number, to: number, upper: boolean): string {
  return `M ${at(radius, from, upper)} A ${radius} ${radius} 0 0 ${upper ? 1 : 0} ${at(radius, to, upper)}`;
}

/** The back and the running face of a half, closed at both joints. */
function ring(upper: boolean): string {
  const sweep = upper ? 1 : 0;
  return (
    `M ${at(OUTER, 0, upper)} A ${OUTER} ${OUTER} 0 0 ${sweep} ${at(OUTER, 180, upper)} ` +
    `L ${at(INNER, 180, upper)} A ${INNER} ${INNER} 0 0 ${1 - sweep} ${at(INNER, 0, upper)} Z`
  );
}

const OUTER = 44;
const INNER = 29;
/** Where each place of wear is drawn, in degrees from joint to joint. */
const WORN: Record<string, readonly (readonly [number, number])[]> = {
  "even over the crown": [[40, 140]],
  centre: [[75, 105]],
  "near the joints": [
    [4, 30],
    [150, 176],
  ],
  "narrow bands": [
    [30, 45],
    [82, 98],
    [135, 150],
  ],
};
/** Wear at an edge is drawn along one side of the ring: the front edge outside, the rear edge inside. */
const EDGES: Record<string, readonly number[]> = {
  "front edge": [OUTER - 3],
  "rear edge": [INNER + 3],
  "both edges": [OUTER - 3, INNER + 3],
};
/** Lines closer together the worse it is; the worst is solid. */
const SPACING = [0, 9, 6, 3.5, 0] as const;

interface Props {
  half: Half;
  /** The grade as it stands here, sent or on its way. */
  letter: string;
  harm: number | null;
  className?: string;
}

/** A half bearing seen from the front: lines for its damage, the worn place on its running face. */
export function ShellDrawing({ half, letter, harm, className = "" }: Props) {
  const id = useId();
  const { upper } = half;
  const spacing = harm === null ? 0 : (SPACING[harm] ?? 0);
  const fill = harm === 4 ? "var(--color-ink)" : spacing ? `url(#${id})` : "var(--color-sheet)";
  const worn = half.arc ? [[half.arc[0] ?? 0, half.arc[1] ?? 0] as const] : (WORN[half.wear] ?? []);
  const bad = harm !== null && harm >= 3;
  return (
    <svg viewBox={upper ? "-46 -46 92 48" : "-46 -2 92 48"} className={className} aria-hidden>
      <defs>
        <pattern
          id={id}
          width={spacing || 1}
          height="8"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(30)"
        >
          <line x1="1" y1="0" x2="1" y2="8" stroke="var(--color-ink)" strokeWidth="1" />
        </pattern>
      </defs>
      <path
        d={ring(upper)}
        fill={fill}
        stroke={harm === null ? "var(--color-blue)" : "var(--color-ink)"}
        strokeWidth="2"
        strokeDasharray={harm === null ? "5 3" : undefined}
      />
      {worn.map(([from, to]) => (
        <path
          key={from}
          d={arc(INNER - 3, from, to, upper)}
          fill="none"
          stroke={bad ? "var(--color-red)" : "var(--color-ink)"}
          strokeWidth="4"
          strokeLinecap="round"
        />
      ))}
      {(EDGES[half.wear] ?? []).map((radius) => (
        <path
          key={radius}
          d={arc(radius, 25, 155, upper)}
          fill="none"
          stroke={bad ? "var(--color-red)" : "var(--color-ink)"}
          strokeWidth="4"
        />
      ))}
      {half.seat === "turned in its housing" && (
        <path d={arc(OUTER + 1, 20, 60, upper)} fill="none" stroke="var(--color-red)" strokeWidth="3" />
      )}
      <text
        x="0"
        y={upper ? -7 : 18}
        textAnchor="middle"
        className="figure"
        fontSize="18"
        fontWeight="700"
        fill="var(--color-ink)"
      >
        {letter}
      </text>
    </svg>
  );
}
