import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import type { ReactNode } from "react";
import { afterEach, describe, expect, it, vi } from "vitest";

import type { Schemas } from "../../api";
import { ReadingTable } from "./ReadingTable";
import { openDoubt, SlipPanel, type useSlipAnswer } from "./SlipPanel";
import type { Desk } from "./useDesk";

type Spot = Schemas["Spot"];
const shown = (text: string) => ({ text, nm: Number(text) * 1000 });
const reading = (text: string, read = ""): NonNullable<Spot["current"]> => ({
  id: text, size: shown(text), typed: text, unit: "in", gauge: "g", by: "bench", at: "", read,
}); // prettier-ignore

function spot(name: string, more: Partial<Spot> = {}): Spot {
  return {
    name, plane: Number(name[0]), angle: name[1] ?? "", angle_deg: 0, current: null, others: [], size: null, times: 0,
    aside: [], doubt: null, ...more,
  }; // prettier-ignore
}

const doubt: Schemas["DoubtShown"] = {
  reading: "2.0124", spot: "1b", holds: true, throughout: false, question: "0.0250 smaller. Did you mean 2.0374?",
  offers: [{ slip: "one turn of the thimble", meant: shown("2.0374"), words: "2.0374, one turn of the thimble" }],
  rule: "surveys.slips",
}; // prettier-ignore

const SPOTS = [
  spot("1a", { current: reading("2.0375"), size: shown("2.0375"), times: 3 }),
  spot("1b", { current: reading("2.0124"), doubt, times: 1 }),
  spot("2a", { aside: [{ id: "s", size: shown("2.0380"), by: "bench", why: "grind, 4 May" }] }),
  spot("2b", {
    current: reading("2.0375", "2.0377"),
    size: shown("2.0375"),
    others: [reading("2.0371")],
    times: 1,
  }),
];

const JOURNAL = {
  key: "journal", name: "journal", planned: true, purpose: "journals", hole: false, plan: null, spots: [],
  lies: {}, asks: {}, drawing: "shaft", hold: "", plane_names: [], angle_names: {},
}; // prettier-ignore
const WALL = {
  ...JOURNAL,
  key: "wall",
  name: "wall",
  planned: false,
  angle_names: { 0: "upper", 180: "lower" },
};

const wrapped = (children: ReactNode) => (
  <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>
);

function deskOf(more: Record<string, unknown> = {}): Desk {
  const spots = (more.spots as Spot[] | undefined) ?? SPOTS;
  const features = [{ part: "R1", feature: "journal", name: "journal", planned: true, spots, outside: [] }];
  return {
    spots, spot: "1b", feature: JOURNAL, mine: [], goTo: vi.fn(), goToSpot: vi.fn(), byPlan: true,
    kind: { features: [JOURNAL] }, target: { value: "", part: "R1", feature: JOURNAL },
    part: { id: "R1", name: "Rod journal No. 1", set: "rods", to_read: [], features },
    bench: { card: { signed: false }, plans: {} }, ...more,
  } as unknown as Desk; // prettier-ignore
}

const cell = (name: RegExp) => screen.getByRole("button", { name });

afterEach(cleanup);

describe("the table of readings", () => {
  it("says in words what is read, asked about, to be read again, or on its way", () => {
    const parcel = {
      state: "waiting",
      landing: { part: "R1", spot: "2a", feature: "journal", typed: "371" },
    };
    const { rerender } = render(<ReadingTable desk={deskOf()} lit={[]} />);
    expect(cell(/^1a: 2.0375$/)).toBeTruthy();
    expect(cell(/^1b: 2.0124, asked about$/)).toBeTruthy();
    expect(cell(/^2a: 2.0380, to read again$/)).toBeTruthy();
    rerender(<ReadingTable desk={deskOf({ mine: [parcel] })} lit={[]} />);
    expect(cell(/^2a: 371, waiting$/)).toBeTruthy();
  });

  it("tells how often a spot was read, and what it was before", () => {
    render(<ReadingTable desk={deskOf()} lit={[]} />);
    expect(cell(/^1a/).textContent).toContain("×3");
    expect(cell(/^2b/).title).toBe("typed 2.0375 in by bench; the gauge said 2.0377; before: 2.0371");
    expect(cell(/^2a/).title).toBe("2.0380 by bench no longer counts: grind, 4 May");
  });

  it("goes to the spot that is touched", () => {
    const desk = deskOf();
    render(<ReadingTable desk={desk} lit={[]} />);
    fireEvent.click(cell(/^2b/));
    expect(desk.goToSpot).toHaveBeenCalledWith("2b", "journal");
  });

  it("names the halves of a shell", () => {
    const walls = [spot("1a"), spot("1b", { angle_deg: 180 })];
    render(
      <ReadingTable
        desk={deskOf({
          spots: walls,
          feature: WALL,
          byPlan: false,
          target: { value: "wall", part: "R1", feature: WALL },
        })}
        lit={[]}
      />,
    );
    expect(screen.getAllByRole("columnheader").map((head) => head.textContent)).toEqual([
      "plane",
      "upper",
      "lower",
    ]);
  });
});

describe("did you mean", () => {
  const answer = (mutate = vi.fn()) =>
    ({ mutate, isPending: false, error: null }) as unknown as ReturnType<typeof useSlipAnswer>;

  it("shows the question of the spot in hand first, then of any spot that waits", () => {
    expect(openDoubt(deskOf())).toBe(doubt);
    expect(openDoubt(deskOf({ spot: "2b" }))).toBe(doubt);
    expect(openDoubt(deskOf({ spots: [spot("1a")] }))).toBeNull();
  });

  it("takes what was meant or keeps what was read", () => {
    const mutate = vi.fn();
    render(wrapped(<SlipPanel desk={deskOf()} doubt={doubt} answer={answer(mutate)} />));
    fireEvent.click(screen.getByRole("button", { name: /2.0374, one turn/ }));
    expect(mutate).toHaveBeenLastCalledWith({ doubt, taken: shown("2.0374").nm });
    fireEvent.click(screen.getByRole("button", { name: /Keep 2.0124/ }));
    expect(mutate).toHaveBeenLastCalledWith({ doubt, taken: null });
    expect(screen.getByText("It is not judged until it is answered.")).toBeTruthy();
  });

  it("offers nothing on a signed job", () => {
    const bench = { card: { signed: true } } as unknown as Desk["bench"];
    render(wrapped(<SlipPanel desk={deskOf({ bench })} doubt={doubt} answer={answer()} />));
    expect(screen.getByRole<HTMLButtonElement>("button", { name: /Keep/ }).disabled).toBe(true);
  });
});
