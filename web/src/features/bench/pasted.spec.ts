import { describe, expect, it } from "vitest";

import { pastedIn } from "./pasted";
import type { Desk } from "./useDesk";

const spots = ["1a", "1b", "2a"].map((name) => ({ name, current: null }));
const part = (id: string) => ({ id, features: [{ feature: "diameter", part: id, planned: true, spots }] });
const desk = {
  byPlan: true,
  part: { id: "R1", set: "rods" },
  stop: { part: "R1", feature: "diameter", spot: "1a" },
  mine: [],
  bench: {
    places: [
      { id: "R1", short: "No. 1", name: "Rod journal No. 1" },
      { id: "R2", short: "No. 2", name: "Rod journal No. 2" },
    ],
    assessment: {
      parts: [part("R1"), part("R2")].map((one) => ({ ...one, set: "rods", to_read: [], to_repeat: [] })),
      sets: [],
    },
  },
} as unknown as Desk;
const at = (part: string, spot: string, typed: string, more = {}) => ({
  part,
  feature: "diameter",
  spot,
  typed,
  ...more,
});

describe("pasted text", () => {
  it("is the project's own file where its header says so", () => {
    const found = pastedIn(desk, "part,spot,size [mm]\nR1,1a,51.753\nR2,1b,51.750\nR9,1a,51.7\n");
    expect(found?.pairs).toEqual([
      at("R1", "1a", "51.753", { unit: "mm" }),
      at("R2", "1b", "51.750", { unit: "mm" }),
    ]);
    expect(found?.over).toEqual(["R9 1a: 51.7"]);
  });

  it("is a grid where its head row names spots: rows are places, columns spots", () => {
    const found = pastedIn(desk, "\t1a\t1b\nNo. 1\t2,0375\t2.0374\nRod journal No. 2\t\t2.0376\n");
    expect(found?.pairs).toEqual([
      at("R1", "1a", "2,0375"),
      at("R1", "1b", "2.0374"),
      at("R2", "1b", "2.0376"),
    ]);
    expect(found?.over).toEqual([]);
  });

  it("says which values have no spot, and leaves one value to the entry", () => {
    expect(pastedIn(desk, "2.0375\n2.0374")?.over).toEqual(["2.0375", "2.0374"]);
    expect(pastedIn(desk, "2.0375")).toBeNull();
  });
});
