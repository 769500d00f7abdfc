import type { Schemas } from "../../api";
import type { Desk } from "./useDesk";
import { keyOf, openStops, type Stop } from "./route";

/** A reading of a pasted table at its spot; `unit` where the table says it. */
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

const SIZE = /^size \[(in|mm)\]$/;

/** The rows of a table as it was copied: a spreadsheet's tabs, or the commas of the project's own file. */
function rowsOf(text: string): string[][] {
  const lines = text.split(/\r\n|\r|\n/).filter((line) => line.trim() !== "");
  const first = lines[0] ?? "";
  const by = first.includes("\t")
    ? "\t"
    : /size \[(in|mm)\]/i.test(first)
      ? ","
      : first.includes(";")
        ? ";"
        : "\t";
  return lines.map((line) =>
    line.split(by).map((cell) =>
      cell
        .trim()
        .replace(/^"(.*)"$/, "$1")
        .replace(/^'/, ""),
    ),
  );
}

/** Pasted text as readings: a table with a header by what it says, else values as they follow each other. */
export function pastedIn(desk: Desk, text: string): Pasted | null {
  const rows = rowsOf(text);
  const header = (rows[0] ?? []).map((cell) => cell.toLowerCase());
  if (header.includes("spot") && header.some((cell) => SIZE.test(cell)))
    return ofReadings(desk, header, rows.slice(1));
  if (rows.length > 1 && header.length > 1 && header.slice(1).every((cell) => spotNames(desk).has(cell)))
    return ofGrid(desk, header, rows.slice(1));
  const values = valuesIn(text);
  if (values.length < 2) return null;
  const stops = stopsFor(desk);
  const pairs = stops.slice(0, values.length).map((stop, n) => ({ ...stop, typed: values[n] ?? "" }));
  return {
    pairs,
    over: values.slice(pairs.length),
    how: "From the spot in hand on, in the order of the plan.",
  };
}

const spotNames = (desk: Desk): ReadonlySet<string> =>
  new Set(
    desk.bench.assessment.parts.flatMap((part) =>
      part.features.flatMap((feature) => feature.spots.map((spot) => spot.name.toLowerCase())),
    ),
  );

/** Where a spot of a part is read: of its plan where that has it, else of another feature. */
function stopAt(desk: Desk, part: string, spot: string, feature?: string): Stop | null {
  const asked = part.trim().toLowerCase();
  const place = desk.bench.places.find((one) =>
    [one.id, one.short, one.name].some((name) => name.toLowerCase() === asked),
  );
  const found = desk.bench.assessment.parts.find((one) => one.id === (place?.id ?? ""));
  const features = [...(found?.features ?? [])].sort(
    (one, other) => Number(other.planned) - Number(one.planned),
  );
  for (const one of features) {
    if (feature && one.feature !== feature) continue;
    const known = one.spots.find((other) => other.name.toLowerCase() === spot.trim().toLowerCase());
    if (known) return { part: one.part, feature: one.feature, spot: known.name };
  }
  return null;
}

/** The project's own readings file: a row a reading. */
function ofReadings(desk: Desk, header: readonly string[], rows: readonly string[][]): Pasted {
  const column = (name: string) => header.indexOf(name);
  const size = header.findIndex((cell) => SIZE.test(cell));
  const unit = SIZE.exec(header[size] ?? "")?.[1] === "mm" ? ("mm" as const) : ("in" as const);
  const part = column("part") < 0 ? column("journal") : column("part");
  return placed(
    rows.map((row) => ({
      where: `${row[part] ?? ""} ${row[column("spot")] ?? ""}`,
      typed: row[size] ?? "",
      unit,
      stop: stopAt(desk, row[part] ?? "", row[column("spot")] ?? "", row[column("feature")] || undefined),
    })),
    `A readings file: a row a reading, sizes in ${unit}.`,
  );
}

/** A plain grid: a row a part, a column a spot. */
function ofGrid(desk: Desk, header: readonly string[], rows: readonly string[][]): Pasted {
  return placed(
    rows.flatMap((row) =>
      header.slice(1).flatMap((spot, n) => {
        const typed = row[n + 1] ?? "";
        const where = `${row[0] ?? ""} ${spot}`;
        return typed === "" ? [] : [{ where, typed, stop: stopAt(desk, row[0] ?? "", spot) }];
      }),
    ),
    "A table: a row a part, a column a spot.",
  );
}

function placed(
  found: readonly { where: string; typed: string; unit?: Schemas["Unit"]; stop: Stop | null }[],
  how: string,
): Pasted {
  const pairs: Placed[] = [];
  const over: string[] = [];
  const taken = new Set<string>();
  for (const { where, typed, unit, stop } of found) {
    if (stop && typed !== "" && !taken.has(keyOf(stop))) {
      taken.add(keyOf(stop));
      pairs.push({ ...stop, typed, ...(unit ? { unit } : {}) });
    } else over.push(`${where.trim() || "no place"}: ${typed || "empty"}`);
  }
  return { pairs, over, how };
}
