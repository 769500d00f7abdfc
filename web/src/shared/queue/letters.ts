import type { Schemas } from "../../api";
import {
  type Fact,
  isFact,
  isPicture,
  type Kept,
  type KeptFact,
  type KeptPicture,
  namedBy,
  nameOf,
} from "./record";

/** So many facts go in one letter. */
const MOST_AT_ONCE = 250;

type Held = ReadonlyMap<string, Kept>;

/** The facts of the next letter: those of one job, oldest first. One that names another of them goes after it, one that
 * names a picture after that. */
export function nextFacts(mine: readonly Kept[], held: Held): readonly KeptFact[] {
  const open = mine.filter(
    (one) => (one.state === "waiting" || one.state === "recalled") && !held.has(nameOf(one)),
  );
  const pictures = open.filter(isPicture);
  const facts = open.filter(isFact).filter((one) => namedBy(one, pictures).length === 0);
  const letter: KeptFact[] = [];
  for (const one of facts) {
    if (one.jobId !== facts[0]?.jobId) continue;
    if (letter.length >= MOST_AT_ONCE || namedBy(one, letter).length > 0) break;
    letter.push(one);
  }
  return letter;
}

/** The next picture that names nothing which waits itself. */
export function nextPicture(mine: readonly Kept[], held: Held): readonly KeptPicture[] {
  const facts = mine.filter(isFact);
  const next = mine
    .filter(isPicture)
    .find((one) => one.state === "waiting" && !held.has(nameOf(one)) && namedBy(one, facts).length === 0);
  return next ? [next] : [];
}

/** What a record becomes by what was answered: gone where it landed, or taken back at the server where it was here. */
export function becomes(result: Schemas["LandedOut"]): (one: Kept) => Kept | null {
  const { id, asked, refused, code, faults } = result;
  const at = new Date().toISOString();
  return (one) => {
    const recalled = one.state === "recalled";
    if (asked) return recalled ? null : { ...one, state: "asked", question: asked };
    if (refused) return recalled ? null : { ...one, state: "refused", message: refused, code, faults };
    if (!recalled || !isFact(one)) return null;
    // The same name however often it is sent: it is taken back once.
    const fact = { fact: "withdrawal", id: `back.${id}`, of: id, at } as Fact;
    return { ...one, state: "waiting", sent: false, fact };
  };
}
