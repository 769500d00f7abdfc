import { describe, expect, it } from "vitest";

import type { Bench, Part } from "../../shared/job";
import type { Parcel } from "./useReadings";
import { firstStop, nextPart, type Stop, stopAfter } from "./route";

const SPOTS = ["1a", "1b", "2a", "2b"];
const stop = (part: string, spot: string): Stop => ({ part, feature: "journal", spot });
const ROUND = ["R1", "R2"].flatMap((id) => SPOTS.map((spot) => stop(id, spot)));
const ALONG = ["1a", "2a", "1b", "2b"].flatMap((spot) => ["R1", "R2"].map((id) => stop(id, spot)));

function part(id: string, toRead: string[], again: string[] = []): Part {
  return {
    id,
    set: id.startsWith("M") ? "mains" : "rods",
    station: id.startsWith("B") ? "block" : "crank",
    to_read: toRead.map((spot) => stop(id, spot)),
    to_repeat: again.map((spot) => ({ ...stop(id, spot), times: 2 })),
  } as unknown as Part;
}

function benchOf(parts: Part[], order = ROUND): Bench {
  const mains = parts.filter((one) => one.set === "mains");
  const sets = [
    { set: "mains", reading_order: mains.flatMap((one) => SPOTS.map((spot) => stop(one.id, spot))) },
    { set: "rods", reading_order: order },
  ];
  return { assessment: { parts, sets } } as unknown as Bench;
}

const pending = (id: string, spot: string): Parcel => ({ landing: stop(id, spot) }) as unknown as Parcel;

describe("the stop after this one", () => {
  it("is the next to read in the order of the plan", () => {
    const bench = benchOf([part("R1", ["1b", "2a", "2b"]), part("R2", SPOTS)]);
    expect(stopAfter(bench, stop("R1", "1a"), [])).toEqual(stop("R1", "1b"));
  });
  it("goes to the next journal at the same angle where the plan runs along the shaft", () => {
    const bench = benchOf([part("R1", ["1b", "2b", "2a"]), part("R2", SPOTS)], ALONG);
    expect(stopAfter(bench, stop("R1", "1a"), [])).toEqual(stop("R2", "1a"));
  });
  it("goes back to one left out", () => {
    const bench = benchOf([part("R1", ["1b"]), part("R2", [])]);
    expect(stopAfter(bench, stop("R2", "2b"), [])).toEqual(stop("R1", "1b"));
  });
  it("leaves out what is on its way", () => {
    const bench = benchOf([part("R1", SPOTS), part("R2", [])]);
    const sent = [pending("R1", "1b"), pending("R2", "2a")];
    expect(stopAfter(bench, stop("R1", "1a"), sent)).toEqual(stop("R1", "2a"));
  });
  it("is a spot that is asked for again, once all is read", () => {
    const bench = benchOf([part("R1", [], ["1b"]), part("R2", [])]);
    expect(firstStop(bench, bench.assessment.parts[0] as Part, [])).toEqual(stop("R1", "1b"));
  });
  it("is none when all is read", () => {
    const bench = benchOf([part("R1", []), part("R2", [])]);
    expect(stopAfter(bench, stop("R1", "2b"), [])).toBeUndefined();
  });
});

describe("the next part", () => {
  it("is of the same set first", () => {
    const bench = benchOf([part("M1", SPOTS), part("R1", []), part("M2", SPOTS), part("R2", ["2b"])]);
    const [first, second, third] = bench.assessment.parts;
    expect(nextPart(bench, second as Part, [])?.id).toBe("R2");
    expect(nextPart(bench, third as Part, [])?.id).toBe(first?.id);
  });
  it("is of the other set when this one is read", () => {
    const bench = benchOf([part("M1", SPOTS), part("R1", []), part("R2", [])]);
    expect(nextPart(bench, bench.assessment.parts[1] as Part, [])?.id).toBe("M1");
  });
  it("is none when all is read", () => {
    const bench = benchOf([part("M1", []), part("R1", [])]);
    expect(nextPart(bench, bench.assessment.parts[0] as Part, [])).toBeUndefined();
  });
});
