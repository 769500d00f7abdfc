import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, fireEvent, render, screen, within } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { afterEach, describe, expect, it, vi } from "vitest";

import { BearingMap } from "./BearingMap";
import { CausePanel } from "./CausePanel";
import { HalfInHand } from "./HalfInHand";
import { OilWay } from "./OilWay";
import type { Board, CauseRow, Grade, Half } from "./useEvidence";

vi.mock("../../shared/pictures", () => ({ PictureStrip: () => null }));

const grade = (key: string, answer: string, harm: number): Grade => ({
  key, answer, means: "as it is", harm, rejected: harm > 1, sheds: harm > 2,
}); // prettier-ignore
const COPPER = grade("C", "copper through", 3);
const half = (id: string, upper: boolean, more: Partial<Half> = {}): Half => ({
  id, bearing: "rod-1", journal: "R1", upper, name: `Half bearing of rod 1, ${upper ? "upper" : "lower"}`, grade: null,
  fact: "", wear: "", arc: null, back: "", seat: "", weak: false, by: "", ...more,
}); // prettier-ignore
const cause = (key: string, name: string, word: CauseRow["word"], more: Partial<CauseRow> = {}): CauseRow => ({
  key, name, word, stands: word === "proved" || word === "possible", signs: ["screen blocked"], speaks_for: ["screen blocked"], against: [], makes: [], unexplained: [],
  settled: "Look first", proof: [], behind: [], because: "", remedy: "", harmless: false, question: false, ...more,
}); // prettier-ignore
const board = (more: Partial<Board> = {}): Board =>
  ({
    grades: [grade("O", "as new", 0), COPPER], wears: ["centre", "front edge"], backs: ["clean"], seats: ["in place"],
    halves: [half("u", true), half("l", false)], bearings: [{ id: "rod-1", name: "Rod 1", main: false, heat: "blue", thrust: "rear face only", place: "rod-1" }],
    to_grade: 2, kinds: [{ of: "rod", look: "rod shell kind", kind: "coated", normal: "Three-layer: grey." }], causes: [], unexplained: [], next: [],
    gate: {
      asked: true, open: true, found: [], removed: [], words: "The cause is not found.",
      items: [{ key: "cause", kind: "not found", part: "", words: "The cause is not found." }],
    },
    ...more,
  }) as unknown as Board; // prettier-ignore
const wrapped = (what: React.ReactNode) =>
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>{what}</MemoryRouter>
    </QueryClientProvider>,
  );

afterEach(() => {
  cleanup();
});

describe("the bearing map", () => {
  it("says of every half what it shows, and of a rod that it is hot", () => {
    const choose = vi.fn();
    wrapped(<BearingMap board={board()} chosen="u" coming={new Map([["l", COPPER]])} onChoose={choose} />);
    expect(screen.getByRole("button", { name: "Half bearing of rod 1, upper: to grade" })).toHaveProperty(
      "ariaPressed",
      "true",
    );
    fireEvent.click(
      screen.getByRole("button", { name: "Half bearing of rod 1, lower: copper through, waits" }),
    );
    expect(choose).toHaveBeenCalledWith("l");
    expect(screen.getByText("rod blue")).toBeTruthy();
    expect(screen.getByText("thrust rear face only")).toBeTruthy();
  });

  it("draws the worn place where it was drawn", () => {
    const { container } = wrapped(
      <BearingMap
        board={board({ halves: [half("u", true, { grade: COPPER, arc: [40, 120] })] })}
        chosen=""
        coming={new Map()}
        onChoose={vi.fn()}
      />,
    );
    expect(container.querySelectorAll("svg path")).toHaveLength(2);
  });
});

describe("the half in hand", () => {
  it("gives its grade, its wear and its seat, and nothing once the sheet is signed", () => {
    const onGrade = vi.fn();
    const onSay = vi.fn();
    const shown = (disabled: boolean) => (
      <HalfInHand
        jobId={7}
        board={board()}
        half={half("u", true)}
        grade={null}
        waits={false}
        cleaned={false}
        disabled={disabled}
        onGrade={onGrade}
        onSay={onSay}
        onCleaned={vi.fn()}
      />
    );
    wrapped(shown(false));
    fireEvent.click(screen.getByRole("button", { name: /copper through/ }));
    fireEvent.click(screen.getByRole("button", { name: /front edge/ }));
    expect(onGrade).toHaveBeenCalledWith(COPPER);
    expect(onSay).toHaveBeenCalledWith("wear", "front edge");
    cleanup();
    wrapped(shown(true));
    expect(screen.getByRole("button", { name: /copper through/ })).toHaveProperty("disabled", true);
  });
});

describe("the oil's way", () => {
  it("tells every station to whoever cannot see the drawing, and hangs each rod under its main", () => {
    const station = (key: string, name: string, fed_by: string[], harm: number | null, words = "") => ({
      key, name, short: name, fed_by, harm, words,
    }); // prettier-ignore
    const { container } = wrapped(
      <OilWay
        way={{
          stations: [
            station("pan", "Pan", [], null),
            station("pump", "Pump", ["pan"], 3, "scored"),
            station("M1", "Main 1", ["pump"], 1, "fine lines"),
            station("R1", "Drilling", ["M1"], null),
            station("rod-1", "Rod 1", ["R1"], 4, "melted"),
            station("turbo", "Turbocharger", ["pump"], null),
          ],
          readings: [{ rule: "evidence.oil-way", text: "Rod 1 alone.", spots: [] }],
          source: "usual",
          from_rear: false,
          feeds: {},
          extras: [],
          known_extras: {},
        }}
      />,
    );
    expect(screen.getByRole("img").getAttribute("aria-label")).toContain("Pump scored; Main 1 fine lines");
    expect(screen.getByText("Rod 1 alone.")).toBeTruthy();
    expect(screen.getByText(/Turbocharger/)).toBeTruthy();
    const at = [...container.querySelectorAll("circle")].map((one) => Number(one.getAttribute("cx")));
    expect((at[3] ?? 0) - (at[2] ?? 0)).toBe(18);
  });
});

describe("the causes beside the map", () => {
  it("puts the best first, with what is behind it, what nothing explains, and the look that comes next", () => {
    wrapped(
      <CausePanel
        jobId={7}
        board={board({
          causes: [
            cause("a", "Pickup blocked", "proved", { makes: ["pump body scored"] }),
            cause("b", "Oil past its time", "possible", { behind: ["Pickup blocked"] }),
            cause("c", "Mixed caps", "ruled out"),
          ],
          unexplained: ["ports wet"],
          next: [
            { key: "breather", name: "Breather", where: "", how: "", minutes: 20, why: "Is it behind it?", lost: "Before: heads." },
          ],
        })}
      />,
    ); // prettier-ignore
    const panel = within(screen.getByRole("region", { name: "What did this" }));
    expect(panel.getAllByRole("listitem").map((one) => one.textContent)).toEqual([
      expect.stringContaining("Pickup blockedproved"),
      expect.stringContaining("Oil past its timepossible, behind it"),
    ]);
    expect(panel.getByText("ports wet")).toBeTruthy();
    expect(panel.getByText(/Ruled out: Mixed caps/)).toBeTruthy();
    const next = within(screen.getByRole("region", { name: "Look next" }));
    expect(next.getByText("Before: heads.")).toBeTruthy();
    expect(next.getByRole("link", { name: "Take it" }).getAttribute("href")).toContain("look=breather");
  });

  it("says that nothing points anywhere where nothing does", () => {
    wrapped(<CausePanel jobId={7} board={board()} />);
    expect(screen.getByText(/Nothing points anywhere yet/)).toBeTruthy();
  });
});
