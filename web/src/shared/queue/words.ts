import { isFact, type Kept } from "./record";

/** What a kind of fact is called where its own name is not what a person would say. */
const KIND: Readonly<Record<string, string>> = {
  withdrawal: "taken back",
  operation: "work",
  "slip answer": "answer to a doubt",
  extension: "more is judged",
  narrowing: "less is judged",
  piece: "brought in",
  fitting: "fitted",
  use: "use of the engine",
  statement: "said at the door",
  laying: "laid",
  removal: "taken out",
  closing: "closed",
  "hand over": "handed over",
  mistrust: "mistrusted",
  dealt: "dealt with",
};
/** What of a document says in few words what it is, in this order. */
const TELLING = ["part", "on", "piece", "kind", "what", "place", "spot", "step", "topic", "look", "mark", "name", "stand", "cause",
  "item", "typed", "answer", "found", "how", "words", "reason"] as const; // prettier-ignore

/** What waits, in a few words: what kind of thing, of what, and what was said of it. */
export function wordsOf(one: Kept): string {
  if (!isFact(one)) return `picture: ${one.picture.on}`;
  const document = one.fact as unknown as Record<string, unknown>;
  const told = TELLING.map((key) => document[key]).filter(
    (value): value is string => typeof value === "string" && value !== "",
  );
  return [KIND[one.fact.fact] ?? one.fact.fact, [...new Set(told)].slice(0, 4).join(", ")]
    .filter(Boolean)
    .join(": ");
}

export const counted = (count: number, one: string, many: string): string =>
  `${count} ${count === 1 ? one : many}`;

/** For which jobs so many wait, in words. */
export function perJob(records: readonly Kept[]): string {
  const jobs = new Map<string, number>();
  for (const one of records) jobs.set(one.job, (jobs.get(one.job) ?? 0) + 1);
  return [...jobs].map(([job, count]) => `job ${job || "not known"}: ${count}`).join(", ");
}
