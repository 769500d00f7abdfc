import type { Schemas } from "../../api";

export type StripTold = Schemas["StripTold"];

const replaced = <One extends { id: string }>(known: readonly One[], changed: readonly One[]): One[] => {
  if (changed.length === 0) return known as One[];
  const other = new Map(changed.map((one) => [one.id, one]));
  return known.map((one) => other.get(one.id) ?? one);
};

/** A strip with what changed of it. What did not change stays the same object. */
export function withStripChanges(known: StripTold, changed: Schemas["StripChanged"]): StripTold {
  const { state, whole, lines, steps, positions, groups } = changed;
  if (whole) return { ...(lines as Partial<StripTold>), steps, positions, groups, state } as StripTold;
  if (state === known.state) return known;
  return {
    ...known,
    ...(lines as Partial<StripTold>),
    steps: replaced(known.steps, steps),
    positions: replaced(known.positions, positions),
    groups: replaced(known.groups, groups),
    state,
  };
}
