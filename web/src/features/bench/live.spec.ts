import { describe, expect, it, vi } from "vitest";

import type { Desk } from "./useDesk";
import { enter, type Told } from "./useLive";

const told: Told = {
  gauge: "g",
  state: "sent to the bench",
  text: "+57.112 mm",
  words: "",
  entry: { typed: "57.112", unit: "mm" },
};

function deskOf(more: object = {}): Desk {
  const plain = { spot: "1a", question: undefined, movedAt: { current: 0 }, landText: vi.fn() };
  vi.spyOn(performance, "now").mockReturnValue(10_000);
  return { bench: { card: { signed: false } }, ...plain, ...more } as unknown as Desk;
}

describe("a line of the gauge", () => {
  it("is entered at the spot in hand as if it had been typed", () => {
    const desk = deskOf();
    expect(enter(desk, told)).toBe(told);
    expect(desk.landText).toHaveBeenCalledWith("57.112", "mm", true);
  });

  it.each([
    ["a signed job", { bench: { card: { signed: true } } }, "Signed"],
    ["an open question", { question: {} }, "Answer the question first"],
    ["no spot in hand", { spot: null }, "No spot in hand"],
    ["a spot that was just changed by hand", { movedAt: { current: 9_700 } }, "just as the spot changed"],
  ])("is only shown with %s", (_, more, words) => {
    const desk = deskOf(more);
    const said = enter(desk, told);
    expect(said.entry).toBeNull();
    expect(said.words).toContain(words);
    expect(desk.landText).not.toHaveBeenCalled();
  });

  it("that the server found to be no reading stays one", () => {
    const desk = deskOf();
    const garbage = { ...told, state: "no reading" as const, entry: null, words: "no text" };
    expect(enter(desk, garbage)).toBe(garbage);
    expect(desk.landText).not.toHaveBeenCalled();
  });
});
