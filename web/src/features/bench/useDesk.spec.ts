import { describe, expect, it } from "vitest";

import type { Journal } from "../../shared/job";
import type { Parcel } from "./outbox";
import { nextJournal, nextSpot } from "./useDesk";

const SPOTS = ["1a", "1b", "2a", "2b"];

function journal(id: string, toRead: string[]): Journal {
  const set = id.startsWith("M") ? "mains" : "rods";
  return { id, set, to_read: toRead, spots: SPOTS.map((name) => ({ name })) } as unknown as Journal;
}

const pending = (id: string, spot: string): Parcel =>
  ({ landing: { journal: id, spot } }) as unknown as Parcel;

describe("the next spot", () => {
  it("is the next to read after this one, in the order of the plan", () => {
    expect(nextSpot(journal("R1", ["1b", "2a", "2b"]), [], "1a")).toBe("1b");
  });
  it("goes back to one left out", () => {
    expect(nextSpot(journal("R1", ["1b"]), [], "2b")).toBe("1b");
  });
  it("leaves out what is on its way", () => {
    expect(nextSpot(journal("R1", SPOTS), [pending("R1", "1b"), pending("R2", "2a")], "1a")).toBe("2a");
  });
  it("is none when the journal is read", () => {
    expect(nextSpot(journal("R1", []), [], "2b")).toBeNull();
  });
});

describe("the next journal", () => {
  const engine = [journal("M1", SPOTS), journal("R1", []), journal("M2", SPOTS), journal("R2", ["2b"])];
  it("is of the same set first", () => {
    expect(nextJournal(engine, engine[1] as Journal, [])?.id).toBe("R2");
    expect(nextJournal(engine, engine[2] as Journal, [])?.id).toBe("M1");
  });
  it("is of the other set when this one is read", () => {
    const read = [journal("M1", SPOTS), journal("R1", []), journal("R2", [])];
    expect(nextJournal(read, read[1] as Journal, [])?.id).toBe("M1");
  });
  it("is none when all is read", () => {
    const read = [journal("M1", []), journal("R1", [])];
    expect(nextJournal(read, read[0] as Journal, [])).toBeUndefined();
  });
});
