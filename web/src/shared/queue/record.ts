import type { Schemas } from "../../api";

export type Fact = Schemas["FactsIn"]["facts"][number];

/** What is said of a picture when it is sent. */
export interface PictureSaid {
  id: string;
  on: string;
  words: string;
  cleaned: boolean;
  at: string;
}

interface Waits {
  /** Its place in the order of what was made in this browser; 0 until the store has given it one. */
  n: number;
  jobId: number;
  /** The job's number, to say for which job it waits. */
  job: string;
  /** Who made it: it goes in that person's session only. */
  by: string;
  /** It waits to be sent, was asked about, was refused, or was taken back while it may have been on its way. */
  state: "waiting" | "asked" | "refused" | "recalled";
  /** It went out once: whether the server has it is not known until it answers. */
  sent: boolean;
  question: Schemas["AskedOut"] | null;
  /** Why it was refused. */
  message: string;
  code: string;
  faults: readonly Schemas["Fault"][];
}

export interface KeptFact extends Waits {
  fact: Fact;
}
export interface KeptPicture extends Waits {
  picture: PictureSaid;
  file: Blob;
}
/** A fact or a picture on its way: it stays in this browser until the server has it. */
export type Kept = KeptFact | KeptPicture;

export const isFact = (one: Kept): one is KeptFact => "fact" in one;
export const isPicture = (one: Kept): one is KeptPicture => "picture" in one;

/** The name of a fact or picture, its own over all kinds. */
export const nameOf = (one: Kept): string => (isFact(one) ? one.fact.id : one.picture.id);

/** What others may name it by: its name, and a piece that it brings in. */
const namesOf = (one: Kept): readonly string[] =>
  isFact(one) && one.fact.fact === "piece" ? [one.fact.id, one.fact.part] : [nameOf(one)];

/** Every text that stands in a document, but its own name and the reading that it only knew of. */
function textsIn(document: unknown, own: string): Set<string> {
  const found = new Set<string>();
  const look = (value: unknown, key: string) => {
    if (typeof value === "string") {
      if (value !== own && key !== "seen") found.add(value);
    } else if (Array.isArray(value)) value.forEach((inner) => look(inner, key));
    else if (typeof value === "object" && value !== null)
      for (const [inner, under] of Object.entries(value)) look(under, inner);
  };
  look(document, "");
  return found;
}

/** Which of those made before it a record names. */
export function namedBy(one: Kept, before: readonly Kept[]): readonly Kept[] {
  if (before.length === 0) return [];
  const texts = textsIn(isFact(one) ? one.fact : one.picture, nameOf(one));
  return before.filter(
    (other) => other.jobId === one.jobId && namesOf(other).some((name) => texts.has(name)),
  );
}

/** What a record waits behind: one it names that was refused, or is asked about, or waits behind such a one. */
export function heldBehind(all: readonly Kept[]): ReadonlyMap<string, Kept> {
  const held = new Map<string, Kept>();
  const stopped: Kept[] = [];
  all.forEach((one) => {
    const behind = stopped.length > 0 && one.state === "waiting" ? namedBy(one, stopped)[0] : undefined;
    if (behind) held.set(nameOf(one), held.get(nameOf(behind)) ?? behind);
    if (behind || one.state === "asked" || one.state === "refused") stopped.push(one);
  });
  return held;
}

const inOrder = (one: Kept, other: Kept): number => (one.n || Infinity) - (other.n || Infinity) || 0;
/** Records in the order they were made; those the store has not numbered yet are the newest. */
export const ordered = (all: readonly Kept[]): readonly Kept[] => [...all].sort(inOrder);
