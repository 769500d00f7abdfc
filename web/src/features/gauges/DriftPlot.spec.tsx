import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";

import type { Schemas } from "../../api";
import { DriftPlot } from "./DriftPlot";
import { StandingMark } from "./StandingMark";

const check = (zero_nm: number, out = false): Schemas["CheckOut"] => ({
  id: String(zero_nm), at: "2031-05-04T09:30:00Z", by: "bench", standard: "2.0000 in", against: "", read: ["2.0000"],
  zero: `${zero_nm / 25400}`, zero_nm, drift: "", out,
}); // prettier-ignore
const detail = (checks: Schemas["CheckOut"][]) =>
  ({
    checks,
    permissible_error_nm: 2540,
    gauge: { unit: "in", permissible_error: "0.0001" },
  }) as unknown as Schemas["GaugeDetail"];

afterEach(cleanup);

describe("the drift of a gauge", () => {
  it("is told in words, and one that is out is crossed, not only coloured", () => {
    const { container } = render(<DriftPlot detail={detail([check(0), check(1270), check(3810, true)])} />);
    expect(screen.getByRole("img").getAttribute("aria-label")).toContain("Zero error over time.");
    expect(container.querySelectorAll("circle")).toHaveLength(2);
    expect(container.querySelectorAll("path")).toHaveLength(1);
    expect(container.textContent).toContain("+0.0001");
  });

  it("draws a single check, and nothing where there is none", () => {
    const { container, rerender } = render(<DriftPlot detail={detail([check(0)])} />);
    expect(container.querySelectorAll("circle")).toHaveLength(1);
    rerender(<DriftPlot detail={detail([])} />);
    expect(container.innerHTML).toBe("");
  });
});

describe("the standing of a gauge", () => {
  it.each(["fit", "not checked", "out", "overdue"] as const)("%s has a word beside its mark", (standing) => {
    const { container } = render(<StandingMark standing={standing} />);
    expect(container.textContent).toBe(standing);
    expect(container.querySelector("path")).toBeTruthy();
  });
});
