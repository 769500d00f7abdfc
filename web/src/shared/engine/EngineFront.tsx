import { Drawn, Groups, type Group, type Shape } from "./groups";

const LEAN: Record<string, (bank: number) => number[]> = {
  inline: () => [0],
  V: (bank) => [-bank / 2, bank / 2],
  flat: () => [-90, 90],
};
const BOXES: Record<string, string> = {
  inline: "-120 -245 240 345",
  V: "-215 -235 430 335",
  flat: "-262 -105 524 210",
};

/** A section through the engine from the front: its banks as they lean, each group as it stands. */
export function EngineFront({
  shape,
  groups,
  className = "",
}: {
  shape: Shape;
  groups: readonly Group[];
  className?: string;
}) {
  const known = new Groups(groups);
  const leans = (LEAN[shape.arrangement] ?? LEAN.inline)?.(shape.bank_deg) ?? [0];
  const narrow = shape.arrangement === "V" && shape.bank_deg < 30;
  const banks = narrow ? [-shape.bank_deg / 2 - 6, shape.bank_deg / 2 + 6] : leans;
  return (
    <svg
      viewBox={BOXES[shape.arrangement] ?? BOXES.inline}
      role="img"
      aria-label="Section from the front"
      className={`${className} [stroke-width:1.5]`}
    >
      <Below shape={shape} known={known} />
      {banks.map((lean, n) => (
        <Bank key={lean} shape={shape} known={known} lean={lean} bank={n} />
      ))}
      <Crank shape={shape} known={known} />
      {shape.block_cam && (
        <Drawn group={known.of("cams")}>
          <circle cx={banks.length > 1 && shape.arrangement === "V" ? 0 : 42} cy={-52} r={11} />
          <circle cx={banks.length > 1 && shape.arrangement === "V" ? 0 : 42} cy={-52} r={3} />
        </Drawn>
      )}
    </svg>
  );
}

/** One bank, drawn upright over the crank and leaned. */
function Bank({ shape, known, lean, bank }: { shape: Shape; known: Groups; lean: number; bank: number }) {
  const cylinder = shape.banks[bank]?.[0] ?? 1;
  const head = shape.one_head ? shape.heads[0] : (shape.heads[bank] ?? shape.heads[0]);
  const headGroup = known.of("head", head ?? "");
  const side = bank === 0 && shape.banks.length > 1 ? -1 : 1;
  return (
    <g transform={`rotate(${lean})`}>
      <g className="fill-sheet stroke-ink">
        <path d="M-40 -70V-150H40V-70" className={shape.barrels ? "fill-none stroke-none" : ""} />
      </g>
      {shape.barrels && (
        <Drawn group={known.of("barrel", cylinder)}>
          <path d="M-34 -70V-150H34V-70M-48 -140H48M-48 -128H48M-48 -116H48M-48 -104H48M-48 -92H48" />
        </Drawn>
      )}
      <g className="fill-paper stroke-ink">
        <rect x={-25} y={-150} width={50} height={84} />
      </g>
      {shape.wet_liners && (
        <Drawn group={known.of("liner", cylinder)}>
          <path d="M-31 -152h7v76h-7zM24 -152h7v76h-7z" />
        </Drawn>
      )}
      {shape.side_valves ? (
        <Drawn group={known.of("valves")}>
          <path d="M30 -150h16M38 -150v42" />
        </Drawn>
      ) : null}
      {(head !== undefined || shape.heads.length > 0) && (
        <Drawn group={headGroup}>
          <path d={shape.side_valves ? "M-44 -152V-172H50V-152Z" : "M-44 -152V-196H44V-152Z"} />
        </Drawn>
      )}
      {!shape.side_valves && shape.valves > 0 && (
        <Drawn group={known.of("valves")}>
          <path
            d={
              shape.valves > 2
                ? "M-20 -152h14M-13 -152l-5 -32M6 -152h14M13 -152l5 -32"
                : "M-9 -152h18M0 -152v-32"
            }
          />
        </Drawn>
      )}
      <Drawn group={known.of("plugs")}>
        <rect x={-3} y={shape.side_valves ? -184 : -206} width={6} height={20} />
      </Drawn>
      <TopGear shape={shape} known={known} side={side} />
      <Drawn group={known.of("piston", cylinder) ?? known.of("rod", cylinder)}>
        <path d="M-23 -128H23V-98H-23ZM-23 -122H23M-23 -116H23" />
      </Drawn>
      <Drawn group={known.of("rod", cylinder)}>
        <path d="M-5 -104L-9 -34H9L5 -104Z" />
      </Drawn>
      {known.of("rod cap", cylinder) && (
        <Drawn group={known.of("rod cap", cylinder)}>
          <path d="M-18 -24a18 18 0 0 0 36 0z" />
        </Drawn>
      )}
      <Drawn group={known.of(side < 0 ? "exhaust" : "inlet")}>
        <path d="M46 -190l34 -14v18l-34 14z" />
      </Drawn>
    </g>
  );
}

function TopGear({ shape, known, side }: { shape: Shape; known: Groups; side: number }) {
  const cams = shape.overhead_cams === 2 ? [-20, 20] : shape.overhead_cams === 1 ? [0] : [];
  return (
    <>
      {shape.push_rods && (
        <>
          <Drawn group={known.of("push rods")}>
            <path d={`M${side * 34} -64V-200`} className="[stroke-width:3]" />
          </Drawn>
          <Drawn group={known.of("rockers")}>
            <path d={`M${side * 38} -202L${side * -6} -196L${side * -6} -190L${side * 38} -196Z`} />
          </Drawn>
        </>
      )}
      {cams.map((x) => (
        <Drawn key={x} group={known.of("cams")}>
          <circle cx={x} cy={-208} r={9} />
          <circle cx={x} cy={-208} r={2.5} />
        </Drawn>
      ))}
      {cams.length > 0 && (
        <Drawn group={known.of("followers") ?? known.of("rockers")}>
          <path d={cams.map((x) => `M${x - 7} -198h14v10h-14z`).join("")} />
        </Drawn>
      )}
      {shape.valves > 0 && !shape.side_valves && (
        <Drawn group={known.of("covers")} className="!fill-none">
          <path d="M-44 -197V-222Q-44 -230 -34 -230H34Q44 -230 44 -222V-197" />
        </Drawn>
      )}
    </>
  );
}

function Crank({ shape, known }: { shape: Shape; known: Groups }) {
  const capped = shape.mains_in.startsWith("caps");
  return (
    <>
      <Drawn group={known.of("crank")}>
        <circle r={17} />
        <path d="M-8 -12L-10 -34a10 10 0 0 1 20 0L8 -12M-20 12a24 24 0 0 0 40 0z" />
      </Drawn>
      {capped && (
        <Drawn group={known.of("main cap", Number(shape.shaft[0]?.slice(1)) || 1)}>
          <path d="M-34 2h14a20 20 0 0 0 40 0h14v26h-68z" />
        </Drawn>
      )}
      {known.of("main beam") && (
        <Drawn group={known.of("main beam")} className="!fill-none">
          <path d="M-64 2v34h128v-34" />
        </Drawn>
      )}
    </>
  );
}

/** Crankcase, pan and what lies in it. */
function Below({ shape, known }: { shape: Shape; known: Groups }) {
  const flat = shape.arrangement === "flat";
  const split = shape.mains_in === "split case";
  return (
    <>
      {split ? (
        <Drawn group={known.of("case")}>
          <path d={flat ? "M-70 -62H70V70H-70Z" : "M-64 -72H64V70H-64Z"} />
          <path d={flat ? "M0 -62V70" : "M0 -72V70"} />
        </Drawn>
      ) : (
        <g className="fill-sheet stroke-ink">
          <path d={flat ? "M-70 -62H70V34H-70Z" : "M-46 -74L-66 -20V34H66V-20L46 -74Z"} />
        </g>
      )}
      {shape.pan && (
        <Drawn group={known.of("pan")}>
          <path d="M-66 36H66V58L46 90H-46L-66 58Z" />
        </Drawn>
      )}
      {known.of("tray") && (
        <Drawn group={known.of("tray")}>
          <path d="M-50 42Q0 52 50 42" className="[stroke-width:3]" />
        </Drawn>
      )}
      <Drawn group={known.of("pickup")}>
        <path d="M-34 76h28M-20 76v-16" className="[stroke-width:3]" />
      </Drawn>
      <Drawn group={known.of("pump")}>
        <rect x={4} y={54} width={26} height={22} />
        <circle cx={13} cy={65} r={5} />
        <circle cx={22} cy={65} r={5} />
      </Drawn>
      <Drawn group={known.of("filter")}>
        <rect x={flat ? 74 : 70} y={0} width={18} height={34} rx={2} />
      </Drawn>
    </>
  );
}
