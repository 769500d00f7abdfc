import { ask, client, type Schemas } from "../../api";
import { keyOf, openStops, type Stop } from "./route";
import type { Desk } from "./useDesk";

/** A reading of pasted text at its spot; `unit` where a table says it. */
export type Placed = Stop & { typed: string; unit?: Schemas["Unit"] };

/** What a paste would do: what lands where, what has no spot, and how it was understood. */
export interface Pasted {
  pairs: readonly Placed[];
  over: readonly string[];
  how: string;
}

/** The values in pasted text: a column, a row, or both, as they follow each other. */
export function valuesIn(text: string): string[] {
  return text
    .split(/[\n\r\t;]+/)
    .map((value) => value.trim())
    .filter(Boolean);
}

/** The spots that pasted values would go to: from the spot in hand on, in the order of the plan. */
export function stopsFor(desk: Desk): Stop[] {
  const { part, target, spot, spots, stop } = desk;
  if (!desk.byPlan) {
    const at = spots.findIndex((one) => one.name === spot);
    const here = { part: target.part, feature: target.feature.key };
    return spots.slice(Math.max(at, 0)).map((one) => ({ ...here, spot: one.name }));
  }
  const open = openStops(desk.bench, part.set, desk.mine);
  const at = open.findIndex((one) => stop !== null && keyOf(one) === keyOf(stop));
  return at < 0 ? open : open.slice(at);
}

/** Pasted values as they follow each other, from the spot in hand on. */
function inOrder(desk: Desk, values: readonly string[]): Pasted {
  const stops = stopsFor(desk);
  const pairs = stops.slice(0, values.length).map((stop, n) => ({ ...stop, typed: values[n] ?? "" }));
  return {
    pairs,
    over: values.slice(pairs.length),
    how: "From the spot in hand on, in the order of the plan.",
  };
}

/** Pasted text as readings: a table by its first row, as the server reads it; else values as they follow each other,
 * as they do while the server is away. */
export async function pastedIn(desk: Desk, text: string): Promise<Pasted> {
  const params = { path: { job_id: desk.bench.card.id } };
  const read = client.POST("/api/jobs/{job_id}/pasted", { params, body: { text } });
  const found = await ask(read).catch(() => null);
  if (!found?.table) return inOrder(desk, valuesIn(text));
  const pairs = found.readings.map(({ unit, ...one }) => ({ ...one, ...(unit ? { unit } : {}) }));
  return { pairs, over: found.over, how: found.how };
}
