import type { Bench, Journal } from "../../shared/job";
import type { Parcel } from "./outbox";

/** A place to read at: a journal and one of its spots. */
export interface Stop {
  journal: string;
  spot: string;
}

const key = (journal: string, spot: string): string => `${journal} ${spot}`;

/** The spots of a set that are still to read or to read again, in the order the plan gives. */
export function openStops(bench: Bench, set: Journal["set"], parcels: readonly Parcel[]): Stop[] {
  const pending = new Set(
    parcels
      .filter((parcel) => parcel.landing.feature === "journal")
      .map((parcel) => key(parcel.landing.journal, parcel.landing.spot)),
  );
  const open = new Set<string>();
  for (const journal of bench.assessment.journals) {
    for (const spot of journal.to_read) open.add(key(journal.id, spot));
    for (const again of journal.to_repeat) open.add(key(journal.id, again.spot));
  }
  const answer = set === "mains" ? bench.assessment.mains : bench.assessment.rods;
  return answer.order
    .filter((stop) => open.has(stop) && !pending.has(stop))
    .map((stop) => ({ journal: stop.split(" ")[0] ?? "", spot: stop.split(" ")[1] ?? "" }));
}

/** The stop after this one in the order of its set; round to the front where none follows. */
export function stopAfter(bench: Bench, from: Stop, parcels: readonly Parcel[]): Stop | undefined {
  const journal = bench.assessment.journals.find((one) => one.id === from.journal);
  if (!journal) return undefined;
  const answer = journal.set === "mains" ? bench.assessment.mains : bench.assessment.rods;
  const at = answer.order.indexOf(key(from.journal, from.spot));
  const open = openStops(bench, journal.set, parcels).filter(
    (stop) => key(stop.journal, stop.spot) !== key(from.journal, from.spot),
  );
  const place = (stop: Stop) => answer.order.indexOf(key(stop.journal, stop.spot));
  return open.find((stop) => place(stop) > at) ?? open[0];
}

/** The first open spot of one journal, or null where it is read. */
export function firstSpot(bench: Bench, journal: Journal, parcels: readonly Parcel[]): string | null {
  return openStops(bench, journal.set, parcels).find((stop) => stop.journal === journal.id)?.spot ?? null;
}

/** The next journal with spots to read: of the same set first, then of the other. */
export function nextJournal(bench: Bench, from: Journal, parcels: readonly Parcel[]): Journal | undefined {
  const journals = bench.assessment.journals;
  const at = journals.indexOf(from);
  const round = [...journals.slice(at + 1), ...journals.slice(0, at)];
  const open = round.filter((one) => firstSpot(bench, one, parcels) !== null);
  return open.find((one) => one.set === from.set) ?? open[0];
}

const URGENT = ["replace", "refer", "regrind", "measure", "fit undersize", "polish"] as const;

/** Where one goes on: a journal asked about, one begun, one not read, else the one that needs most. */
export function firstToRead(journals: readonly Journal[]): Journal {
  const asked = journals.find((one) => one.spots.some((spot) => spot.doubt?.holds));
  const begun = journals.find((one) => one.to_read.length > 0 && one.to_read.length < one.spots.length);
  const open = asked ?? begun ?? journals.find((one) => one.to_read.length > 0);
  const worst = URGENT.map((action) => journals.find((one) => one.own_action === action)).find(Boolean);
  const first = open ?? worst ?? journals[0];
  if (!first) throw new Error("An engine has at least two journals.");
  return first;
}
