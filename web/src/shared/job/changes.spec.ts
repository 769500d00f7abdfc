import { describe, expect, it } from "vitest";

import type { Schemas } from "../../api";
import { withChanges } from "./changes";

type Bench = Schemas["BenchOut"];
type Changed = Schemas["ChangedOut"];

const part = (id: string, headline: string) => ({ id, headline }) as Schemas["PartReport"];
const bench = {
  state: "a.3",
  scope: ["rods"],
  assessment: {
    readings_taken: 1,
    waits_for: "R2",
    parts: [part("R1", "old"), part("R2", "old")],
    sets: [{ set: "rods", headline: "old" }],
  },
} as Bench;
const changed = (more: Partial<Changed>): Changed => ({
  state: "a.4",
  whole: false,
  bench: {},
  assessment: {},
  parts: [],
  sets: [],
  ...more,
});

describe("what changed of a bench", () => {
  it("replaces the lines, parts and sets that are told, and leaves all else the same object", () => {
    const now = withChanges(
      bench,
      changed({ parts: [part("R2", "new")], assessment: { readings_taken: 2 } }),
    );
    expect(now.assessment.parts.map((one) => [one.id, one.headline])).toEqual([
      ["R1", "old"],
      ["R2", "new"],
    ]);
    expect(now.assessment.parts[0]).toBe(bench.assessment.parts[0]);
    expect(now.assessment.sets[0]).toBe(bench.assessment.sets[0]);
    expect([now.state, now.scope, now.assessment.readings_taken, now.assessment.waits_for]).toEqual([
      "a.4",
      ["rods"],
      2,
      "R2",
    ]);
  });

  it("is nothing new where the state is the same", () => {
    expect(withChanges(bench, changed({ state: "a.3" }))).toBe(bench);
  });

  it("does not go back to an answer that a later one overtook", () => {
    expect(withChanges(bench, changed({ state: "a.2", parts: [part("R1", "older")] }))).toBe(bench);
    expect(withChanges(bench, changed({ state: "b.1", parts: [part("R1", "elsewhere")] }))).toBe(bench);
  });

  it("begins afresh where the server says all of it", () => {
    const now = withChanges(bench, changed({ state: "b.1", whole: true, parts: [part("R1", "new")] }));
    expect(now.assessment.parts.map((one) => one.id)).toEqual(["R1"]);
    expect(now.state).toBe("b.1");
  });
});
