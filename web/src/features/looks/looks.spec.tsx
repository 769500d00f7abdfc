import { cleanup, fireEvent, render, screen, within } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";

import type { Schemas } from "../../api";
import { OrderList } from "./OrderList";
import { Stops } from "./Stops";

afterEach(cleanup);
const look = (key: string, more: Partial<Schemas["LookShown"]> = {}): Schemas["LookShown"] => ({
  key, name: key, how: "", minutes: 30, time: "30 min", spoils: "", harm_minutes: 0, percent: 20, after: "", ends: "may end it",
  look: key, on: "engine", answers: [], cautions: [], ...more,
}); // prettier-ignore
const stop = (id: string, more: Partial<Schemas["StopShown"]> = {}): Schemas["StopShown"] => ({
  id, name: id, lit: false, words: "", decided: "", on: null, agreed: true, ...more,
}); // prettier-ignore
const report = (more: Partial<Schemas["LooksReport"]> = {}): Schemas["LooksReport"] => ({
  kinds: ["knock"], order: [look("Filter"), look("Crank", { after: "One main cap" })], taken: [], barred: [],
  expected: 60, plain: 90, expected_time: "1 h", plain_time: "1 h 30", spent_time: "40 min", spent_money: "57 EUR",
  hour_money: "85 EUR", currency: "EUR", stops: [], ways: [], stopped: false, reasons: [], waits_for: "", ...more,
}); // prettier-ignore

describe("the order of looks", () => {
  it("says which comes first, what it waits for, and what the order saves", () => {
    render(<OrderList report={report()} />);
    const items = screen.getAllByRole("listitem");
    expect(items[0]?.textContent).toContain("Filter");
    expect(items[1]?.textContent).toContain("after: One main cap");
    expect(screen.getByText("1 h")).toBeTruthy();
    expect(screen.getByText("1 h 30")).toBeTruthy();
  });

  it("says why a look is not taken on this engine", () => {
    render(
      <OrderList
        report={report({ barred: [{ key: "p", name: "Pressure on the starter", why: "It is locked." }] })}
      />,
    );
    const list = within(screen.getByRole("list", { name: "Not taken on this engine" }));
    expect(list.getByText(/It is locked/)).toBeTruthy();
  });
});

describe("stop points", () => {
  const stops = [stop("at 600 EUR"), stop("before the heads", { lit: true })];

  it("asks for a decision only where one is reached, and puts it first", () => {
    const choose = vi.fn();
    render(<Stops report={report({ stops })} disabled={false} onChoose={choose} />);
    const groups = screen.getAllByRole("group");
    expect(groups[0]?.getAttribute("aria-label")).toBe("Stop point: before the heads");
    expect(within(groups[1] as HTMLElement).queryByRole("button")).toBeNull();
    const on = screen.getByRole("button", { name: "Go on" });
    expect((on as HTMLButtonElement).disabled).toBe(true);
    fireEvent.change(screen.getByLabelText("Why, at before the heads"), {
      target: { value: "told by telephone " },
    });
    fireEvent.click(on);
    expect(choose).toHaveBeenCalledWith({
      fact: "way on",
      point: "before the heads",
      on: true,
      reason: "told by telephone",
    });
  });

  it("tells what was decided, and asks no more", () => {
    const decided = [stop("x", { lit: true, decided: "Stopped: too dear (machinist)", on: false })];
    render(<Stops report={report({ stops: decided })} disabled={false} onChoose={vi.fn()} />);
    expect(screen.getByText("Stopped: too dear (machinist)")).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Stop here" })).toBeNull();
  });

  it("leaves the decision to who may decide", () => {
    render(<Stops report={report({ stops })} disabled onChoose={vi.fn()} />);
    const why = screen.getByLabelText("Why, at before the heads");
    expect((why as HTMLInputElement).disabled).toBe(true);
  });
});
