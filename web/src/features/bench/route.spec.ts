import { describe, expect, it } from "vitest";

import type { Bench, Journal } from "../../shared/job";
import type { Parcel } from "./outbox";
import { firstSpot, nextJournal, stopAfter } from "./route";

const SPOTS = ["1a", "1b", "2a", "2b"];
const ROUND = ["R1", "R2"].flatMap((id) => SPOTS.map((spot) => `${id} ${spot}`));
const ALONG = ["1a", "2a", "1b", "2b"].flatMap((spot) => ["R1", "R2"].map((id) => `${id} ${spot}`));

function journal(id: string, toRead: string[], again: string[] = []): Journal {
  const set = id.startsWith("M") ? "mains" : "rods";
  const to_repeat = again.map((spot) => ({ spot, more: 2 }));
  return {
    id,
    set,
    to_read: toRead,
    to_repeat,
    spots: SPOTS.map((name) => ({ name })),
  } as unknown as Journal;
}

function benchOf(journals: Journal[], order = ROUND): Bench {
  const mains = { order: journals.filter((one) => one.set === "mains").flatMap((one) => SPOTS.map((s) => `${one.id} ${s}`)) }; // prettier-ignore
  return { assessment: { journals, mains, rods: { order } } } as unknown as Bench;
}

const pending = (id: string, spot: string): Parcel =>
  ({ landing: { journal: id, spot, feature: "journal" } }) as unknown as Parcel;

describe("the stop after this one", () => {
  it("is the next to read in the order of the plan", () => {
    const bench = benchOf([journal("R1", ["1b", "2a", "2b"]), journal("R2", SPOTS)]);
    expect(stopAfter(bench, { journal: "R1", spot: "1a" }, [])).toEqual({ journal: "R1", spot: "1b" });
  });
  it("goes to the next journal at the same angle where the plan runs along the shaft", () => {
    const bench = benchOf([journal("R1", ["1b", "2b", "2a"]), journal("R2", SPOTS)], ALONG);
    expect(stopAfter(bench, { journal: "R1", spot: "1a" }, [])).toEqual({ journal: "R2", spot: "1a" });
  });
  it("goes back to one left out", () => {
    const bench = benchOf([journal("R1", ["1b"]), journal("R2", [])]);
    expect(stopAfter(bench, { journal: "R2", spot: "2b" }, [])).toEqual({ journal: "R1", spot: "1b" });
  });
  it("leaves out what is on its way", () => {
    const bench = benchOf([journal("R1", SPOTS), journal("R2", [])]);
    const sent = [pending("R1", "1b"), pending("R2", "2a")];
    expect(stopAfter(bench, { journal: "R1", spot: "1a" }, sent)).toEqual({ journal: "R1", spot: "2a" });
  });
  it("is a spot that is asked for again, once all is read", () => {
    const bench = benchOf([journal("R1", [], ["1b"]), journal("R2", [])]);
    expect(firstSpot(bench, bench.assessment.journals[0] as Journal, [])).toBe("1b");
  });
  it("is none when all is read", () => {
    const bench = benchOf([journal("R1", []), journal("R2", [])]);
    expect(stopAfter(bench, { journal: "R1", spot: "2b" }, [])).toBeUndefined();
  });
});

describe("the next journal", () => {
  it("is of the same set first", () => {
    const bench = benchOf([
      journal("M1", SPOTS),
      journal("R1", []),
      journal("M2", SPOTS),
      journal("R2", ["2b"]),
    ]);
    const [first, second, third] = bench.assessment.journals;
    expect(nextJournal(bench, second as Journal, [])?.id).toBe("R2");
    expect(nextJournal(bench, third as Journal, [])?.id).toBe(first?.id);
  });
  it("is of the other set when this one is read", () => {
    const bench = benchOf([journal("M1", SPOTS), journal("R1", []), journal("R2", [])]);
    expect(nextJournal(bench, bench.assessment.journals[1] as Journal, [])?.id).toBe("M1");
  });
  it("is none when all is read", () => {
    const bench = benchOf([journal("M1", []), journal("R1", [])]);
    expect(nextJournal(bench, bench.assessment.journals[0] as Journal, [])).toBeUndefined();
  });
});
