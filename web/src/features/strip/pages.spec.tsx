import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, fireEvent, render, screen, within } from "@testing-library/react";
import type { ReactNode } from "react";
import { createMemoryRouter, Outlet, RouterProvider } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import { Refused, type Schemas } from "../../api";
import { queue } from "../../shared/queue";
import { LabelSheet } from "./LabelSheet";
import { MarksPage } from "./MarksPage";
import { LeavePage } from "./LeavePage";
import { OpenPage } from "./OpenPage";

const report = vi.hoisted(() => vi.fn<(fact: Record<string, unknown>) => Promise<void>>());
vi.mock("../../shared/pictures", () => ({ PictureStrip: () => null }));
const may = vi.hoisted(() => ({ decide: true }));
vi.mock("../session", () => ({ useMay: () => () => may.decide }));

type Strip = Schemas["StripTold"];
const SHAPE: Schemas["EngineShape"] = {
  arrangement: "inline", bank_deg: 0, banks: [[1]], shaft: ["M1", "R1", "M2"], pins: [[1]], throws_deg: [0],
  heads: ["head"], one_head: true, overhead_cams: 0, block_cam: true, side_valves: false, push_rods: true, valves: 2,
  mains_in: "caps", barrels: false, wet_liners: false, pan: true, drive_at_flywheel: false, driven_by: "chain",
}; // prettier-ignore
const end = (more: Partial<Schemas["OpenEnd"]>): Schemas["OpenEnd"] => ({
  id: "tube", kind: "taken out for access", what: "dip tube", place: "block", why: "", by: "bench", at: "2031-05-04T12:00:00Z",
  bars: true, may_close: ["back in its place", "renewed", "goes along loose"], closed: null, words: "", closed_by: "", ...more,
}); // prettier-ignore
const cap = (more: Partial<Schemas["PositionShown"]> = {}): Schemas["PositionShown"] => ({
  id: "cap-rod-2", kind: "rod cap", name: "Cap of rod 2", short: "Cap 2", mark: "2", how: "", of: "R2", found: "", given: "",
  lies: "", ...more,
}); // prettier-ignore
const strip = (more: Partial<Strip> = {}): Strip => ({
  steps: [], next: "", done: 0, positions: [], fasteners: [], ends: [], open: 0, barring: 0, findings: [],
  closed_by: [], keep_shells: true, handed_over: null, asked: [], not_judged: [], stray: [], left_out: [], minutes_done: 0,
  minutes_left: 0, state: "", shape: SHAPE, groups: [], ...more,
}); // prettier-ignore
const bench = { card: { id: 7, signed: false, stage: "stripping", archived: false }, gauges: [] };

function show(page: ReactNode, found: Strip, card: object = {}) {
  const queries = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity, retry: false } } });
  queries.setQueryData(["bench", 7, "strip"], found);
  const context = { ...bench, card: { ...bench.card, ...card } };
  const frame = {
    path: "/",
    element: <Outlet context={context} />,
    children: [{ index: true, element: page }],
  };
  render(
    <QueryClientProvider client={queries}>
      <RouterProvider router={createMemoryRouter([frame])} />
    </QueryClientProvider>,
  );
}

beforeEach(() => {
  may.decide = true;
  report.mockResolvedValue(undefined);
  vi.spyOn(queue, "tell").mockImplementation(async (_making, fact) => {
    await report(fact);
    return "landed";
  });
});
afterEach(() => {
  cleanup();
  report.mockReset();
});

describe("what stands open", () => {
  const chip = end({
    id: "chip",
    kind: "fragment",
    what: "grey chip",
    place: "pan",
    bars: false,
    may_close: ["known where it came from"],
  });

  it("is closed by the ways it may be, words where they are wanted", async () => {
    show(<OpenPage />, strip({ ends: [end({}), chip], open: 2, barring: 1 }));
    expect(screen.getByRole("heading", { name: "2 stand open before it leaves" })).toBeTruthy();
    const tube = within(screen.getByRole("listitem", { name: "dip tube, block" }));
    expect(tube.getByRole<HTMLButtonElement>("button", { name: "goes along loose" }).disabled).toBe(true);
    fireEvent.click(tube.getByRole("button", { name: "back in its place" }));
    await vi.waitFor(() =>
      expect(report).toHaveBeenCalledWith(
        expect.objectContaining({ fact: "closing", of: "tube", how: "back in its place" }),
      ),
    );
    const fragment = within(screen.getByRole("listitem", { name: "grey chip, pan" }));
    expect(fragment.getByText(/does not bar the hand-over/)).toBeTruthy();
    fireEvent.change(fragment.getByLabelText("Words for grey chip"), { target: { value: "the old pump" } });
    fireEvent.click(fragment.getByRole("button", { name: "known where it came from" }));
    await vi.waitFor(() =>
      expect(report).toHaveBeenLastCalledWith(expect.objectContaining({ words: "the old pump" })),
    );
  });

  it("is listed where the hand-over was refused, and nothing typed is lost", async () => {
    const faults = [{ where: "taken out for access", what: "dip tube, block" }];
    report.mockRejectedValue(
      new Refused(422, "still-open", "The engine does not leave yet: this stands open.", faults),
    );
    show(<LeavePage />, strip({ ends: [end({})], open: 1, barring: 1 }));
    fireEvent.click(screen.getByRole("button", { name: "Hand over" }));
    const dialog = within(screen.getByRole("dialog"));
    fireEvent.change(dialog.getByLabelText("To whom"), { target: { value: "the skipper" } });
    fireEvent.click(dialog.getByRole("button", { name: "Handed over" }));
    expect(await dialog.findByText(/dip tube, block/)).toBeTruthy();
    expect(dialog.getByLabelText<HTMLInputElement>("To whom").value).toBe("the skipper");
  });

  it("cannot be handed over by who may not, and is read only once it has left", () => {
    may.decide = false;
    show(<LeavePage />, strip({ ends: [end({})] }), { stage: "handed over" });
    expect(screen.queryByRole("button", { name: "Hand over" })).toBeNull();
    cleanup();
    show(<OpenPage />, strip({ ends: [end({})] }), { stage: "handed over" });
    expect(screen.queryByRole("button", { name: "back in its place" })).toBeNull();
    expect(screen.queryByRole("region", { name: "Write down" })).toBeNull();
  });

  it("takes no fasteners on a signed sheet: they would change what was signed", () => {
    show(<OpenPage />, strip(), { signed: true });
    const write = within(screen.getByRole("region", { name: "Write down" }));
    expect(write.queryByRole("button", { name: "fastener or hole" })).toBeNull();
    expect(write.getByRole("button", { name: "fragment" })).toBeTruthy();
  });

  it("says of each fastener what becomes of it", () => {
    const seen = (id: string, more: object): Schemas["FastenerShown"] => ({
      id, place: id, kind: "reusable", state: "right", count: 1, uses: null, new_length: "", length: "", growth: "", renew: "",
      by: "bench", at: "2031-05-04T12:00:00Z", ...more,
    }); // prettier-ignore
    const fasteners = [
      seen("pan", { count: 22 }),
      seen("housing", { state: "hole found empty", renew: "hole found empty" }),
      seen("rod 1", {
        kind: "stretch bolt",
        uses: 2,
        new_length: "2.2500 in",
        length: "2.2520 in",
        growth: "0.0020 in",
        renew: "grown 0.0020 in",
      }),
    ];
    show(<OpenPage />, strip({ fasteners }));
    const rows = within(screen.getByRole("region", { name: "Fasteners" }))
      .getAllByRole("row")
      .slice(1)
      .map((row) => row.textContent);
    expect(rows[0]).toContain("used again");
    expect(rows[1]).toContain("gets its bolt");
    expect(rows[2]).toContain("renew: grown 0.0020 in");
    expect(rows[2]).toContain("used 2 times");
  });
});

describe("marks and places", () => {
  it("say what a part bears and where it lies, and take both down", async () => {
    const positions = [
      cap({ found: "4", given: "2", lies: "Cap 2" }),
      cap({ id: "rod-2", kind: "rod", name: "Rod of cylinder 2" }),
    ];
    show(<MarksPage />, strip({ positions }));
    fireEvent.click(screen.getByRole("button", { name: "rod cap" }));
    const line = within(screen.getByRole("row", { name: "Cap of rod 2" }));
    expect(line.getByLabelText<HTMLInputElement>("Found on Cap of rod 2").value).toBe("4");
    expect(line.getByRole("img", { name: "marked: 2" })).toBeTruthy();
    expect(line.queryByRole("button", { name: /^Marked 2/ })).toBeNull();
    const lies = line.getByLabelText("Where Cap of rod 2 lies");
    fireEvent.change(lies, { target: { value: " tray 3 " } });
    fireEvent.blur(lies);
    await vi.waitFor(() =>
      expect(report).toHaveBeenCalledWith(expect.objectContaining({ fact: "laying", pocket: "tray 3" })),
    );
  });

  it("offer no place for a part that is still in the engine", () => {
    show(<MarksPage />, strip({ positions: [cap({ kind: "rod" })] }));
    expect(screen.queryByLabelText(/^Where .* lies$/)).toBeNull();
    expect(screen.getByText("in its place")).toBeTruthy();
  });

  it("say at once what two marks say together", () => {
    const findings = [{ rule: "strip.caps", text: "Rod 2 bears 2, its cap 4: they are no pair.", spots: [] }];
    show(<MarksPage />, strip({ findings }));
    expect(screen.getByRole("alert", { name: "Said at once" }).textContent).toContain("they are no pair");
  });
});

describe("the labels", () => {
  const first = {
    count: 5,
    first: "Cap of main 1",
    mark: "M1",
    code: "<svg xmlns='http://www.w3.org/2000/svg'/>",
  };

  it("show the first one, and how the sheet is cut", () => {
    render(
      <LabelSheet
        form={{ roll: false, width: 99, height: 57, columns: 2, rows: 5, skip: 3 }}
        first={first}
        job="57, Grab"
      />,
    );
    expect(screen.getByText("Cap of main 1")).toBeTruthy();
    expect(screen.getByRole("img", { name: "QR code of the first label" })).toBeTruthy();
    const sheet = screen.getByRole("img", { name: "First sheet: 2 by 5" });
    const used = [...sheet.querySelectorAll("rect")].slice(1).map((one) => one.getAttribute("fill"));
    expect(used.slice(0, 3)).toEqual(["none", "none", "none"]);
    expect(used.filter((fill) => fill !== "none")).toHaveLength(5);
  });

  it("are one a page on a roll", () => {
    render(
      <LabelSheet
        form={{ roll: true, width: 57, height: 32, columns: 1, rows: 1, skip: 0 }}
        first={first}
        job="57, Grab"
      />,
    );
    expect(screen.queryByRole("img", { name: /First sheet/ })).toBeNull();
  });
});
