import { Drawn, Groups, type Group, type Shape } from "./groups";

const LEFT = 92;
const WIDE = 640;
const AXIS = 190;
const DECK = 92;

interface Station {
  name: string;
  x: number;
  wide: number;
}

/** Where each journal lies along the shaft. */
function stations(shape: Shape): Station[] {
  const each = (WIDE - LEFT - 96) / shape.shaft.length;
  return shape.shaft.map((name, n) => ({ name, x: LEFT + each * (n + 0.5), wide: each }));
}

const radians = (deg: number) => (deg * Math.PI) / 180;

/** A section along the engine, the front at the left: mains, pins with their pistons, heads, drive, flywheel, pan. */
export function EngineAlong({
  shape,
  groups,
  className = "",
}: {
  shape: Shape;
  groups: readonly Group[];
  className?: string;
}) {
  const known = new Groups(groups);
  const along = stations(shape);
  const flat = shape.arrangement === "flat";
  const end = LEFT + along.length * (along[0]?.wide ?? 0);
  const rear = shape.drive_at_flywheel;
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${flat ? 330 : 280}`}
      role="img"
      aria-label={
        flat ? "Section along, from above, the front at the left" : "Section along, the front at the left"
      }
      className={`${className} [stroke-width:1.5]`}
    >
      {shape.mains_in === "split case" && (
        <Drawn group={known.of("case")}>
          <rect x={LEFT - 6} y={AXIS - 46} width={end - LEFT + 12} height={92} />
        </Drawn>
      )}
      {shape.pan && !flat && (
        <Drawn group={known.of("pan")}>
          <path d={`M${LEFT} 226H${end}V250L${end - 30} 272H${LEFT + 30}L${LEFT} 250Z`} />
        </Drawn>
      )}
      <Heads shape={shape} known={known} end={end} />
      <g className="stroke-quiet">
        <path d={`M10 ${AXIS}H${WIDE - 4}`} strokeDasharray="14 4 3 4" />
      </g>
      <Drawn group={known.of("crank")}>
        <path d={crankPath(shape, along)} />
      </Drawn>
      {along.map((one) =>
        one.name.startsWith("M") ? (
          <Main key={one.name} known={known} one={one} />
        ) : (
          <Pin key={one.name} shape={shape} known={known} one={one} flat={flat} />
        ),
      )}
      <Drawn group={known.of("damper")}>
        <rect x={14} y={AXIS - 30} width={18} height={60} rx={2} />
      </Drawn>
      <g transform={rear ? `translate(${end + 46} 0) scale(-1 1) translate(-90 0)` : undefined}>
        {known.of("drive") && (
          <Drawn group={known.of("drive")} className="!fill-none">
            <path d={`M56 ${AXIS + 12}V${shape.overhead_cams ? 42 : AXIS - 62}h16V${AXIS + 12}z`} />
          </Drawn>
        )}
        {known.of("front cover") && (
          <Drawn group={known.of("front cover")} className="!fill-none">
            <path d={`M44 ${AXIS + 30}V${shape.overhead_cams ? 30 : AXIS - 78}H86V${AXIS + 30}Z`} />
          </Drawn>
        )}
      </g>
      <Drawn group={known.of("flywheel")}>
        <rect x={end + 14} y={AXIS - 64} width={22} height={128} rx={2} />
      </Drawn>
      <Drawn group={known.of("gearbox")} className="!fill-none">
        <path d={`M${end + 42} ${AXIS - 72}H${WIDE - 6}V${AXIS + 72}H${end + 42}Z`} />
      </Drawn>
      {!flat && (
        <>
          <Drawn group={known.of("pump")}>
            <rect x={LEFT + 40} y={236} width={26} height={20} />
          </Drawn>
          <Drawn group={known.of("pickup")}>
            <path d={`M${LEFT + 66} 246h40v14h-18h36`} className="!fill-none [stroke-width:3]" />
          </Drawn>
        </>
      )}
    </svg>
  );
}

function Heads({ shape, known, end }: { shape: Shape; known: Groups; end: number }) {
  const each = shape.heads.length > shape.banks.length;
  const width = end - LEFT;
  if (shape.heads.length === 0) return null;
  const flat = shape.arrangement === "flat";
  if (each) {
    const along = stations(shape).filter((one) => one.name.startsWith("R"));
    return (
      <>
        {along.flatMap((one) =>
          (shape.pins[Number(one.name.slice(1)) - 1] ?? []).map((cylinder, nth) => (
            <Drawn key={cylinder} group={known.of("head", `head-${cylinder}`)}>
              <rect
                x={one.x - 24 + nth * 10}
                y={flat && nth === 0 && rightOf(shape, cylinder) ? AXIS + 104 : DECK - 34}
                width={48}
                height={32}
              />
            </Drawn>
          )),
        )}
      </>
    );
  }
  const tops = flat ? [DECK - 34, AXIS + 104] : [DECK - 34];
  return (
    <>
      {tops.map((y, n) => (
        <Drawn key={y} group={known.of("head", shape.heads[n] ?? shape.heads[0] ?? "")}>
          <rect x={LEFT + 4} y={y} width={width - 8} height={32} />
        </Drawn>
      ))}
      {shape.overhead_cams > 0 && (
        <Drawn group={known.of("cams")}>
          <rect x={LEFT - 16} y={DECK - 48} width={width + 4} height={9} />
        </Drawn>
      )}
      {shape.block_cam && !flat && (
        <Drawn group={known.of("cams")}>
          <rect x={LEFT - 16} y={AXIS - 60} width={width + 4} height={7} />
        </Drawn>
      )}
      {!flat && shape.valves > 0 && (
        <Drawn group={known.of("covers")} className="!fill-none">
          <path d={`M${LEFT + 4} ${DECK - 36}V${DECK - 60}H${end - 4}V${DECK - 36}`} />
        </Drawn>
      )}
    </>
  );
}

const rightOf = (shape: Shape, cylinder: number): boolean => (shape.banks[1] ?? []).includes(cylinder);

function Main({ known, one }: { known: Groups; one: Station }) {
  const number = one.name.slice(1);
  return (
    <>
      <Drawn group={known.of("main half", number)}>
        <rect x={one.x - one.wide * 0.3} y={AXIS - 15} width={one.wide * 0.6} height={30} />
      </Drawn>
      {known.of("main cap", number) && (
        <Drawn group={known.of("main cap", number)}>
          <rect x={one.x - one.wide * 0.34} y={AXIS + 16} width={one.wide * 0.68} height={20} />
        </Drawn>
      )}
      <text x={one.x} y={AXIS + 4} textAnchor="middle" className="figure fill-ink stroke-none text-[12px]">
        {one.name}
      </text>
    </>
  );
}

function Pin({ shape, known, one, flat }: { shape: Shape; known: Groups; one: Station; flat: boolean }) {
  const number = Number(one.name.slice(1));
  const throws = shape.throws_deg[number - 1] ?? 0;
  const y = AXIS - Math.round(22 * Math.cos(radians(throws)));
  const cylinders = shape.pins[number - 1] ?? [];
  return (
    <>
      {cylinders.map((cylinder, nth) => {
        const down = flat && rightOf(shape, cylinder);
        const x = one.x + (cylinders.length > 1 && !flat ? (nth - 0.5) * one.wide * 0.7 : 0);
        const top = down ? y + 66 : y - 92;
        return (
          <g key={cylinder}>
            <Drawn group={known.of("piston", cylinder) ?? known.of("rod", cylinder)}>
              <rect x={x - 15} y={top} width={30} height={26} />
            </Drawn>
            <Drawn group={known.of("rod", cylinder)}>
              <path
                d={down ? `M${x} ${top}V${y + 12}` : `M${x} ${top + 26}V${y - 12}`}
                className="[stroke-width:5]"
              />
            </Drawn>
            {known.of("rod cap", cylinder) && (
              <Drawn group={known.of("rod cap", cylinder)}>
                <rect x={x - 10} y={down ? y - 20 : y + 8} width={20} height={10} />
              </Drawn>
            )}
            {known.of("barrel", cylinder) && (
              <Drawn group={known.of("barrel", cylinder)} className="!fill-none">
                <rect x={x - 19} y={down ? AXIS + 48 : DECK} width={38} height={54} />
              </Drawn>
            )}
            <text
              x={x}
              y={top + 18}
              textAnchor="middle"
              className="figure fill-ink stroke-none text-[13px] font-bold"
            >
              {cylinder}
            </text>
          </g>
        );
      })}
    </>
  );
}

/** The crank's outline: mains on the axis, pins at their throws. */
function crankPath(shape: Shape, along: readonly Station[]): string {
  return along
    .map((one) => {
      const throws = one.name.startsWith("R") ? (shape.throws_deg[Number(one.name.slice(1)) - 1] ?? 0) : null;
      const y = throws === null ? AXIS : AXIS - Math.round(22 * Math.cos(radians(throws)));
      const high = throws === null ? 12 : 9;
      const half = one.wide * 0.42;
      const web =
        throws === null
          ? ""
          : `M${one.x - half} ${AXIS - 12}V${y + high}h5V${AXIS - 12}zM${one.x + half} ${AXIS - 12}V${y + high}h-5V${AXIS - 12}z`;
      return `M${one.x - half} ${y - high}h${2 * half}v${2 * high}h${-2 * half}z${web}`;
    })
    .join("");
}
