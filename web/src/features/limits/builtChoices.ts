import type { Schemas } from "../../api";

export type Built = Schemas["Built"];
type Field = keyof Built;

/** One question of a description: its field, how it is asked, its answers in order. */
export interface Asked {
  field: Field;
  label: string;
  answers: readonly { value: string; label: string }[];
}

const words = (...values: string[]) => values.map((value) => ({ value, label: value }));
const counts = (...values: number[]) => values.map((n) => ({ value: String(n), label: String(n) }));
const YES_NO = [
  { value: "yes", label: "yes" },
  { value: "no", label: "no" },
];
const RINGS = [
  { value: "compression; oil", label: "2: compression, oil" },
  { value: "compression; compression", label: "2: both compression" },
  { value: "compression; compression; oil", label: "3: two compression, oil" },
  { value: "compression; compression, scrapes oil; oil", label: "3: compression, scraper, oil" },
  { value: "compression; compression; compression; oil", label: "4: three compression, oil" },
];

/** The questions in the order a rebuilder walks round an engine. */
export const QUESTIONS: readonly { title: string; asked: readonly Asked[] }[] = [
  {
    title: "Cylinders",
    asked: [
      { field: "two_stroke", label: "Two-stroke", answers: YES_NO },
      { field: "cylinders_in", label: "Bores in", answers: words("the block or case", "barrels") },
      { field: "liners", label: "Liners", answers: words("none", "dry", "wet") },
      { field: "cooled_by", label: "Cooled by", answers: words("water", "oil", "air") },
      { field: "rings", label: "Rings of each piston", answers: RINGS },
      {
        field: "firing",
        label: "Screwed into each",
        answers: words("plugs", "injectors", "plugs and injectors"),
      },
    ],
  },
  {
    title: "Crank",
    asked: [
      { field: "crank", label: "Crank", answers: words("one piece", "built up on rollers") },
      {
        field: "mains_in",
        label: "Held in",
        answers: words("caps", "caps under a girdle", "ladder of caps", "bedplate", "split case", "tunnel"),
      },
      { field: "side_bolts", label: "Side bolts", answers: YES_NO },
      { field: "washers", label: "Thrust washers", answers: counts(2, 4) },
      {
        field: "rods_on_pin",
        label: "Two rods on a pin",
        answers: words("side by side", "fork and blade", "master and link"),
      },
      { field: "balance_shafts", label: "Balance shafts", answers: counts(0, 1, 2) },
    ],
  },
  {
    title: "Heads and valves",
    asked: [
      {
        field: "heads",
        label: "Heads",
        answers: words(
          "one for each bank",
          "one for each cylinder",
          "one for all",
          "cast with the cylinders",
        ),
      },
      {
        field: "valve_gear",
        label: "Valves opened by",
        answers: words(
          "side valves",
          "push rods",
          "overhead cam on buckets",
          "overhead cam on fingers",
          "overhead cam on rockers",
          "ports, no valves",
        ),
      },
      { field: "inlets", label: "Inlet valves of a cylinder", answers: counts(0, 1, 2, 3) },
      { field: "exhausts", label: "Exhaust valves of a cylinder", answers: counts(1, 2) },
      { field: "cams_each", label: "Cams over a head, or in the block", answers: counts(1, 2) },
      { field: "cams_cover", label: "Cams lie over the head's bolts", answers: YES_NO },
      { field: "clears", label: "Valves clear the pistons, by the maker's word", answers: YES_NO },
    ],
  },
  {
    title: "Drive",
    asked: [
      { field: "driven_by", label: "Cams driven by", answers: words("chain", "belt", "gears", "shaft") },
      { field: "driven_at", label: "at the", answers: words("front", "flywheel end") },
      { field: "idlers", label: "Idlers", answers: counts(0, 1, 2, 3, 4) },
      { field: "auxiliary_shaft", label: "Auxiliary shaft", answers: YES_NO },
    ],
  },
  {
    title: "Oil, and what hangs on it",
    asked: [
      {
        field: "pump_at",
        label: "Oil pump",
        answers: words(
          "in the pan",
          "in the front cover, on the crank's nose",
          "in the pan, by chain",
          "outside, dry sump",
        ),
      },
      { field: "windage_tray", label: "Windage tray", answers: YES_NO },
      { field: "baffles", label: "Baffles", answers: YES_NO },
      { field: "squirters", label: "Piston squirters", answers: YES_NO },
      { field: "cooler", label: "Oil cooler", answers: YES_NO },
      { field: "filter_insert", label: "Filter head with an insert", answers: YES_NO },
      { field: "turbochargers", label: "Turbochargers", answers: counts(0, 1, 2, 4) },
      { field: "injection_pump", label: "Injection pump", answers: YES_NO },
    ],
  },
];

const BOOLEANS: ReadonlySet<string> = new Set(
  QUESTIONS.flatMap(({ asked }) => asked.filter((one) => one.answers === YES_NO).map((one) => one.field)),
);
const COUNTS: ReadonlySet<string> = new Set([
  "washers",
  "balance_shafts",
  "inlets",
  "exhausts",
  "cams_each",
  "idlers",
  "turbochargers",
]);

/** What was said of a field, as its answer; "" where nobody said. */
export function saidOf(built: Partial<Built>, field: Field): string {
  const value: unknown = built[field];
  if (value === null || value === undefined) return "";
  if (typeof value === "boolean") return value ? "yes" : "no";
  return Array.isArray(value)
    ? value.join("; ")
    : typeof value === "number"
      ? String(value)
      : (value as string);
}

/** A description with one answer more; "" takes it back: not known. */
export function answered(built: Partial<Built>, field: Field, value: string): Built {
  const said: unknown =
    value === ""
      ? null
      : BOOLEANS.has(field)
        ? value === "yes"
        : COUNTS.has(field)
          ? Number(value)
          : field === "rings"
            ? value.split("; ")
            : value;
  return { ...built, [field]: said } as Built;
}
