import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";

import type { Bench, Part } from "../../shared/job";
import { PistonSection } from "./drawings/LooseSections";
import { OpenPump } from "./drawings/OpenPump";
import { PistonsDrawing } from "./drawings/PistonsDrawing";
import type { Desk } from "./useDesk";

afterEach(cleanup);
const mark = { code: "reuse", letter: "U", word: "reuse", meaning: "" };
const piece = (id: string, place: string, more: object = {}): Part =>
  ({ id, name: id, short_name: id, kind: id.startsWith("ring") ? "ring" : "piston", place, out: place === "", mark, headline: "Reuse",
     under_headline: "", size_words: "3.5604", left: 0, set: "pistons", figures: [], ...more }) as unknown as Part; // prettier-ignore
const bench = {
  banks: [{ name: "", cylinders: [1, 2] }],
  hints: { pistons: { nominal: "", oil_hole_deg: null, made: { datum: "the skirt's foot", "gauge height": "0.60 in" } } },
} as unknown as Bench; // prettier-ignore

describe("the drawings of loose pieces", () => {
  it("make pistons and rings a menu by where they lie, spares apart", () => {
    const onSelect = vi.fn();
    const parts = [
      piece("piston-1", "piston-1"),
      piece("piston-s1", "piston-2"),
      piece("piston-2", ""),
      piece("ring-1.1", "ring-1.1"),
    ];
    render(<PistonsDrawing bench={bench} parts={parts} selected="piston-1" onSelect={onSelect} />);
    const names = screen
      .getAllByRole("button")
      .map((one) => one.getAttribute("aria-label") ?? one.textContent);
    expect(names.some((name) => name.includes("piston-s1"))).toBe(true);
    screen.getByRole("button", { name: /ring-1\.1/ }).click();
    expect(onSelect).toHaveBeenCalledWith("ring-1.1");
    screen.getByRole("button", { name: /piston-2/ }).click();
    expect(onSelect).toHaveBeenCalledWith("piston-2");
  });

  it("say that no piston lies in a bore", () => {
    render(
      <PistonsDrawing bench={bench} parts={[piece("piston-1", "piston-1")]} selected="" onSelect={vi.fn()} />,
    );
    expect(screen.getByText("no piston")).toBeTruthy();
  });

  it("show where a skirt is read, and from which datum", () => {
    const feature = {
      key: "skirt",
      name: "skirt",
      hold: "square to the pin",
      plane_names: [],
      angle_names: {},
    };
    const spot = { name: "1a", plane: 1, angle: "a", angle_deg: 0, current: null, size: null };
    const desk = {
      bench,
      part: piece("piston-1", "piston-1"),
      feature,
      spot: "1a",
      spots: [spot],
    } as unknown as Desk;
    render(<PistonSection desk={desk} onSpot={vi.fn()} />);
    expect(screen.getByRole("img").getAttribute("aria-label")).toBe("piston-1: skirt. square to the pin.");
    expect(screen.getByText("0.60 in from the the skirt's foot")).toBeTruthy();
  });

  it.each([
    ["spur gears", 3],
    ["gerotor", 3],
    ["vane", 7],
  ])("draw a pump of %s true to its kind", (kind, least) => {
    const { container } = render(
      <svg>
        <OpenPump kind={kind} cx={0} cy={0} scale={1} />
      </svg>,
    );
    expect(container.querySelectorAll("path, line, circle, rect").length).toBeGreaterThanOrEqual(least);
  });
});
