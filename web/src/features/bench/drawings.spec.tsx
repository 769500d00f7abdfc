import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";

import type { Bench, Part } from "../../shared/job";
import { CrankDrawing } from "./drawings/CrankDrawing";
import { Section } from "./drawings/Section";
import { Figures } from "./Figures";
import { Scale } from "./Scale";
import type { Desk } from "./useDesk";

const shown = (nm: number) => ({ nm, text: String(nm) });
const spot = (name: string, size: number | null) => ({
  name,
  plane: Number(name[0]),
  angle: name[1],
  angle_deg: name[1] === "a" ? 0 : 90,
  current:
    size === null
      ? null
      : { id: name, size: shown(size), typed: "x", unit: "in", gauge: "g", by: "b", at: "" },
  others: [],
  size: size === null ? null : shown(size),
  times: 1,
  aside: [],
  doubt: null,
});
const spots = [spot("1a", 600), spot("1b", 900), spot("2a", 650), spot("2b", null)];
const part = {
  id: "R1",
  name: "Rod journal No. 1",
  short_name: "No. 1",
  kind: "journals",
  station: "crank",
  set: "rods",
  mark: { code: "regrind", letter: "G", word: "regrind", meaning: "" },
  own_action: "regrind",
  size: shown(600),
  size_words: "600",
  to_read: [{ part: "R1", feature: "journal", spot: "2b", times: 1 }],
  features: [{ part: "R1", feature: "journal", name: "journal", planned: true, spots, outside: [] }],
  figures: [
    {
      key: "size",
      of_size: true,
      words: "",
      rule: "r",
      name: "least size",
      called: "beyond",
      value: shown(600),
      limit: "800",
      limit_is_least: true,
      guard: shown(10),
      conforms: 0,
      spots: [],
      note: "",
    },
  ],
  fitted: "12",
  two_point: "11",
  clean_up: { sure: shown(300), possible: shown(600), to_spare: "5" },
} as unknown as Part;
const step = (least: number, words: string, chosen: boolean) => ({
  step: shown(1000 - least), words, least: shown(least), most: shown(least + 50), chosen,
  can_be_bought: true, allowed: true, part_number: "", outlook: "5 to spare",
}); // prettier-ignore
const bench = {
  card: { id: 1 },
  hints: { rods: { nominal: "", oil_hole_deg: 45 } },
  layout: { pins: [{ cylinders: [1], throw_deg: 0 }] },
  assessment: {
    parts: [part],
    sets: [{
      set: "rods",
      scale: {
        top_nm: 1100, bottom_nm: 0, graduations: [{ nm: 500, text: "500" }, { nm: 550, text: "" }],
        new_least: shown(950), new_most: shown(1000), limit: shown(800), limit_words: "service limit",
        steps: [step(500, "0.010 under", false), step(250, "0.020 under", true)],
      },
    }],
  },
} as unknown as Bench; // prettier-ignore

afterEach(cleanup);

describe("the drawings", () => {
  it("make the crank a menu whose keys say mark and size in words", () => {
    const onSelect = vi.fn();
    render(<CrankDrawing bench={bench} parts={[part]} selected="R1" onSelect={onSelect} />);
    screen.getByRole("button", { name: "Rod journal No. 1: regrind, least size 600" }).click();
    expect(onSelect).toHaveBeenCalledWith("R1");
  });

  it("tell the spot in words", () => {
    const desk = {
      bench,
      part,
      spot: "2b",
      spots,
      feature: {
        key: "journal",
        name: "journal",
        drawing: "shaft",
        hold: "",
        plane_names: [],
        angle_names: {},
      },
    } as unknown as Desk;
    render(<Section desk={desk} onSpot={vi.fn()} />);
    expect(screen.getByRole("img").getAttribute("aria-label")).toContain(
      "Next spot: plane 2, angle b. 1 spots to read. Oil hole at 45 degrees: keep clear.",
    );
  });

  it("place every reading on the scale, and say where the set goes", () => {
    const { container } = render(<Scale bench={bench} part={part} />);
    expect(container.querySelectorAll("path.landed")).toHaveLength(3);
    expect(screen.getByRole("img").getAttribute("aria-label")).toBe(
      "Scale for Rod journal No. 1: size 600, service limit 800, goes to 0.020 under.",
    );
    expect(container.textContent).toContain("0.010 under");
  });

  it("say beyond in a word, not by colour alone", () => {
    render(
      <QueryClientProvider client={new QueryClient()}>
        <Figures bench={bench} part={part} />
      </QueryClientProvider>,
    );
    expect(screen.getByText("beyond")).toBeTruthy();
    expect(screen.getByText(/Two-point 11, fitted 12/)).toBeTruthy();
  });
});
