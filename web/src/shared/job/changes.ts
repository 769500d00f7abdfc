import type { Schemas } from "../../api";

type Bench = Schemas["BenchOut"];

/** Where a state stands: in which beginning of the server, and at which count. */
function countOf(state: string): [string, number] {
  const [beginning = "", count = ""] = state.split(".");
  return [beginning, Number(count)];
}

/** Whether what changed is older than what is known: an answer that was overtaken by a later one. */
function overtaken(known: Bench, changed: Schemas["ChangedOut"]): boolean {
  const [begun, count] = countOf(known.state);
  const [beginning, now] = countOf(changed.state);
  return begun === beginning ? now < count : !changed.whole;
}

const replaced = <One>(
  known: readonly One[],
  changed: readonly One[],
  nameOf: (one: One) => string,
): One[] => {
  const other = new Map(changed.map((one) => [nameOf(one), one]));
  return known.map((one) => other.get(nameOf(one)) ?? one);
};

/** A bench with what changed of it. What did not change stays the same object. */
export function withChanges(known: Bench | undefined, changed: Schemas["ChangedOut"]): Bench {
  const { state, whole, bench, assessment, parts, sets } = changed;
  if (known && overtaken(known, changed)) return known;
  if (whole || !known) {
    // All of it: the server leaves nothing out.
    return { ...bench, assessment: { ...assessment, parts, sets }, state } as Bench;
  }
  if (known.state === state) return known;
  const before = known.assessment;
  return {
    ...known,
    ...(bench as Partial<Bench>),
    state,
    assessment: {
      ...before,
      ...(assessment as Partial<Bench["assessment"]>),
      parts: replaced(before.parts, parts, (part) => part.id),
      sets: replaced(before.sets, sets, (one) => one.set),
    },
  };
}
