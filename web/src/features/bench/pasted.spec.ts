import { describe, expect, it, vi } from "vitest";

import { pastedIn } from "./pasted";
import type { Desk } from "./useDesk";

const asked = vi.hoisted(() => vi.fn<() => Promise<unknown>>());
vi.mock("../../api", () => ({ ask: asked, client: { POST: vi.fn() } }));

const spots = ["1a", "1b"].map((name) => ({ name }));
const desk = {
  byPlan: false,
  part: { id: "R1", set: "rods" },
  target: { part: "R1", feature: { key: "diameter" } },
  spots,
  spot: "1a",
  bench: { card: { id: 7 } },
} as unknown as Desk;

describe("pasted text", () => {
  it("goes where the server says it goes, in the unit its table names", async () => {
    const one = { part: "R2", feature: "diameter", spot: "2a", typed: "51.753" };
    asked.mockResolvedValue({
      table: true,
      how: "A row a reading.",
      readings: [{ ...one, unit: "mm" }],
      over: ["x"],
    });
    expect(await pastedIn(desk, "part\tspot\n1\t2")).toEqual({
      pairs: [{ ...one, unit: "mm" }],
      over: ["x"],
      how: "A row a reading.",
    });
  });

  it("follows the plan from the spot in hand where it is no table, and where the server is away", async () => {
    for (const answer of [
      () => asked.mockResolvedValue({ table: false, how: "", readings: [], over: [] }),
      () => asked.mockRejectedValue(new Error("away")),
    ]) {
      answer();
      const found = await pastedIn(desk, "2.0375\n2.0374\n2.0373");
      expect(found.pairs.map((pair) => [pair.spot, pair.typed])).toEqual([
        ["1a", "2.0375"],
        ["1b", "2.0374"],
      ]);
      expect(found.over).toEqual(["2.0373"]);
    }
  });
});
