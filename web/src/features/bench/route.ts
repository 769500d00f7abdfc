import type { Bench, Kind, Part } from "../../shared/job";
import type { Parcel } from "./useReadings";

/** A place to read at: a part, what of it is read, and the spot. */
export interface Stop {
  part: string;
  feature: string;
  spot: string;
}

export const keyOf = (stop: Stop): string => `${stop.part} ${stop.feature} ${stop.spot}`;

const orderOf = (bench: Bench, set: string): readonly Stop[] =>
  bench.assessment.sets.find((one) => one.set === set)?.reading_order ?? [];

/** The spots of a set that are still to read or to read again, in the order the plan gives. */
export function openStops(bench: Bench, set: string, parcels: readonly Parcel[]): Stop[] {
  const pending = new Set(parcels.map((parcel) => keyOf(parcel.landing)));
  const open = new Set<string>();
  for (const part of bench.assessment.parts) {
    if (part.set !== set) continue;
    for (const asked of [...part.to_read, ...part.to_repeat]) open.add(keyOf(asked));
  }
  return orderOf(bench, set).filter((stop) => open.has(keyOf(stop)) && !pending.has(keyOf(stop)));
}

/** The stop after this one in the order of its set; round to the front where none follows. */
export function stopAfter(bench: Bench, from: Stop, parcels: readonly Parcel[]): Stop | undefined {
  const part = bench.assessment.parts.find((one) => one.id === from.part);
  if (!part) return undefined;
  const order = orderOf(bench, part.set).map(keyOf);
  const at = order.indexOf(keyOf(from));
  const open = openStops(bench, part.set, parcels).filter((stop) => keyOf(stop) !== keyOf(from));
  return open.find((stop) => order.indexOf(keyOf(stop)) > at) ?? open[0];
}

/** The first open spot of one part, or null where it is read. */
export function firstStop(bench: Bench, part: Part, parcels: readonly Parcel[]): Stop | null {
  return openStops(bench, part.set, parcels).find((stop) => stop.part === part.id) ?? null;
}

/** The next part with spots to read: of the same set first, then of the same station, then of any. */
export function nextPart(bench: Bench, from: Part, parcels: readonly Parcel[]): Part | undefined {
  const { parts } = bench.assessment;
  const at = parts.indexOf(from);
  const round = [...parts.slice(at + 1), ...parts.slice(0, at)];
  const open = round.filter((one) => firstStop(bench, one, parcels) !== null);
  return (
    open.find((one) => one.set === from.set) ?? open.find((one) => one.station === from.station) ?? open[0]
  );
}

const planned = (part: Part): number =>
  part.features.reduce((sum, one) => sum + (one.planned ? one.spots.length : 0), 0);

/** Where one goes on: a part asked about, one begun, one not read, else the one that presses most. */
export function firstToRead(parts: readonly Part[], pressing: Kind["pressing"]): Part {
  const asked = parts.find((one) => one.features[0]?.spots.some((spot) => spot.doubt?.holds));
  const begun = parts.find((one) => one.to_read.length > 0 && one.to_read.length < planned(one));
  const open = asked ?? begun ?? parts.find((one) => one.to_read.length > 0);
  const worst = pressing.map((action) => parts.find((one) => one.own_action === action)).find(Boolean);
  const first = open ?? worst ?? parts[0];
  if (!first) throw new Error("A job judges at least one part.");
  return first;
}
