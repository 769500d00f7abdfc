import type { ReactNode } from "react";
import { useNavigate, useSearchParams } from "react-router";

import type { Schemas } from "../../api";

export type Shape = Schemas["EngineShape"];
export type Group = Schemas["DrawnGroup"];
export type Stands = Schemas["Stands"];

/** How a group is drawn: on as it is, next with a thick blue line, partly off dashed, off a ghost, missing crossed. */
export const LOOKS: Record<Stands, string> = {
  on: "fill-sheet stroke-ink",
  next: "fill-tint stroke-blue [stroke-width:3]",
  "partly off": "fill-sheet stroke-ink [stroke-dasharray:6_3]",
  off: "fill-none stroke-line [stroke-dasharray:2_4]",
  missing: "fill-none stroke-line [stroke-dasharray:2_4]",
};

/** The groups of a drawing, by key and by what they are of. An engine that is only described has none: all is on. */
export class Groups {
  private readonly known: Map<string, Group>;
  constructor(groups: readonly Group[]) {
    this.known = new Map(groups.map((one) => [`${one.key} ${one.of}`.trim(), one]));
  }
  of(key: string, of: string | number = ""): Group | undefined {
    return this.known.get(`${key} ${of}`.trim());
  }
}

/** One group of parts on the drawing: pressed, the card of its place opens. */
export function Drawn({
  group,
  children,
  className = "",
}: {
  group: Group | undefined;
  className?: string;
  children: ReactNode;
}) {
  const [params] = useSearchParams();
  const go = useNavigate();
  const stands = group?.stands ?? "on";
  const look = `${LOOKS[stands]} ${className}`;
  if (!group?.place) return <g className={look}>{children}</g>;
  const open = () => {
    const next = new URLSearchParams(params);
    next.set("place", group.place);
    void go({ search: next.toString() }, { preventScrollReset: true });
  };
  const words = `${group.name}: ${group.stands}`;
  return (
    <g
      className={`${look} cursor-pointer hover:stroke-blue`}
      data-stands={stands}
      data-group={group.key}
      onClick={open}
    >
      <title>{words}</title>
      {children}
    </g>
  );
}

/** The key of the drawing: how each way of standing is drawn. */
export function StandsKey() {
  return (
    <p aria-label="Key of the drawing" className="flex flex-wrap gap-x-4 text-[15px]">
      {(Object.keys(LOOKS) as Stands[]).map((one) => (
        <span key={one} className="flex items-center gap-1.5">
          <svg width={24} height={16} aria-hidden="true">
            <rect x={2} y={2} width={20} height={12} className={LOOKS[one]} strokeWidth={1.5} />
            {one === "missing" && <path d="M2 2l20 12M22 2l-20 12" className="stroke-line" />}
          </svg>
          {one}
        </span>
      ))}
    </p>
  );
}
