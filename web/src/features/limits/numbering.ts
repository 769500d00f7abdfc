import type { Layout } from "./useDescriptions";

/** The mains counted from the other end: what was last is first. */
export function mainsTurned(layout: Layout): Layout {
  const mains = layout.shaft.filter((name) => name.startsWith("M"));
  const turned = [...mains].reverse();
  let nth = 0;
  const shaft = layout.shaft.map((name) => (name.startsWith("M") ? (turned[nth++] ?? name) : name));
  return { ...layout, shaft };
}

/** The cylinders counted from the other end. */
export function cylindersTurned(layout: Layout): Layout {
  const other = (cylinder: number) => layout.cylinders + 1 - cylinder;
  return {
    ...layout,
    pins: layout.pins.map((pin) => ({ ...pin, cylinders: pin.cylinders.map(other) })),
    banks: layout.banks.map((bank) => bank.map(other)),
  };
}

/** Whether the first main from the front is the last by number. */
export const mainsFromFlywheel = (layout: Layout): boolean =>
  layout.shaft.find((name) => name.startsWith("M")) !== "M1";
