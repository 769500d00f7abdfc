import type { ReactNode } from "react";

import type { Schemas } from "../../api";

type Profile = Schemas["ProfileShown"];
type Circle = Schemas["ProfileCircle"];

const SIZE = 320;
const MIDDLE = SIZE / 2;
/** The mean radius as drawn, how far inwards it may be drawn, and where the rays end. */
const MEAN = 112;
const INWARDS = 74;
const RAY = 132;
const TURN = Array.from({ length: 121 }, (_, n) => n * 3);

interface Point {
  x: number;
  y: number;
}

/** A place so far from the middle at an angle; 0 degrees stands on top, angles go round clockwise. */
function at(deg: number, radius: number): Point {
  const turn = ((deg - 90) * Math.PI) / 180;
  return { x: MIDDLE + radius * Math.cos(turn), y: MIDDLE + radius * Math.sin(turn) };
}

/** How far a circle lies from the mean at an angle, its middle moved: as the form itself is counted. */
function circleAt(circle: Circle, deg: number): number {
  const turn = (deg * Math.PI) / 180;
  return circle.nm + circle.x_nm * Math.cos(turn) + circle.y_nm * Math.sin(turn);
}

/** How far the worn form lies from the mean at any angle, straight from one reading to the next. */
function formAt(points: readonly Schemas["ProfilePoint"][], deg: number): number {
  const turn = deg % 360;
  const behind = points.findIndex((point) => point.deg > turn);
  const [before, after] = [points.at(behind < 1 ? -1 : behind - 1), points.at(Math.max(0, behind))];
  if (!before || !after) return 0;
  const span = (after.deg - before.deg + 360) % 360 || 360;
  const share = ((turn - before.deg + 360) % 360) / span;
  return before.nm + share * (after.nm - before.nm);
}

/** A worn journal in section, its form exaggerated: the circles it cleans up at inside it, the steps round it. */
export function ProfilePicture({ profile }: { profile: Profile }) {
  const clean = profile.circles.filter((circle) => circle.clean);
  const steps = profile.circles.filter((circle) => !circle.clean);
  const least = Math.min(...clean.map((circle) => circle.nm));
  // As far inwards as the first step that lies inside the form: the next one, where it is far, is said only.
  const next = steps.find((circle) => circle.nm <= least);
  const furthest = Math.max(1, -(next?.nm ?? least), ...profile.points.map((point) => Math.abs(point.nm)));
  const scale = INWARDS / furthest;
  const path = (far: (deg: number) => number) =>
    TURN.map((deg) => at(deg, MEAN + far(deg) * scale))
      .map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`)
      .join(" ");
  const plane = (number: number) => profile.points.filter((point) => point.plane === number);
  return (
    <figure className="flex flex-wrap items-start gap-5">
      <svg
        viewBox={`0 0 ${SIZE} ${SIZE}`}
        className="w-80 max-w-full shrink-0"
        role="img"
        aria-label={`${profile.name}: ${profile.words}`}
      >
        {[0, 90, 180, 270].map((deg) => (
          <Ray key={deg} deg={deg} />
        ))}
        <polygon
          points={path((deg) => formAt(plane(1), deg))}
          className="fill-tint stroke-ink"
          strokeWidth={2}
        />
        <polygon
          points={path((deg) => formAt(plane(2), deg))}
          className="fill-none stroke-ink"
          strokeWidth={1.2}
          strokeDasharray="6 4"
        />
        {steps
          .filter((circle) => MEAN + circle.nm * scale > 4)
          .map((circle) => (
            <polygon
              key={circle.words}
              points={path(() => circle.nm)}
              className="fill-none stroke-ink"
              strokeWidth={circle === next ? 2 : 1}
              strokeDasharray="1.5 4"
            />
          ))}
        {clean.map((circle, nth) => (
          <polygon
            key={circle.words}
            points={path((deg) => circleAt(circle, deg))}
            className="fill-none stroke-blue"
            strokeWidth={nth === 0 ? 2.2 : 1.4}
            strokeDasharray={nth === 0 ? undefined : "7 4"}
          />
        ))}
        <circle cx={MIDDLE} cy={MIDDLE} r={2.5} className="fill-ink" />
      </svg>
      <figcaption className="min-w-56 flex-1 leading-snug">
        <p className="text-xl font-semibold">{profile.name}, as it was read round</p>
        <p className="mb-2">{profile.words}</p>
        <ul>
          <Key swatch="border-ink">front, as worn</Key>
          <Key swatch="border-dashed border-ink">rear, as worn</Key>
          {clean.map((circle, nth) => (
            <Key key={circle.words} swatch={`border-blue ${nth ? "border-dashed" : ""}`}>
              <span className="figure">{circle.words}</span>
            </Key>
          ))}
          {steps.map((circle) => (
            <Key key={circle.words} swatch="border-dotted border-ink">
              <span className="figure">{circle.words}</span>
              {circle.case_left && <> leaves {circle.case_left} of case</>}
            </Key>
          ))}
        </ul>
        <p className="mt-2 text-[15px] text-quiet">
          The form is drawn much too large against the journal, to be seen at all.
        </p>
      </figcaption>
    </figure>
  );
}

function Ray({ deg }: { deg: number }) {
  const [end, label] = [at(deg, RAY), at(deg, RAY + 12)];
  return (
    <g className="text-quiet">
      <line
        x1={MIDDLE}
        y1={MIDDLE}
        x2={end.x}
        y2={end.y}
        stroke="currentColor"
        strokeDasharray="8 3 2 3"
        strokeWidth={0.7}
      />
      <text x={label.x} y={label.y + 4} textAnchor="middle" className="fill-current text-[11px]">
        {deg}°
      </text>
    </g>
  );
}

function Key({ swatch, children }: { swatch: string; children: ReactNode }) {
  return (
    <li className="flex items-center gap-3">
      <span className={`inline-block w-9 border-t-2 ${swatch}`} aria-hidden />
      <span>{children}</span>
    </li>
  );
}
