import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, fireEvent, render, screen, within } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import type { Schemas } from "../../api";
import { queue } from "../../shared/queue";
import { Ahead, StepInHand } from "./StepInHand";
import { StepList } from "./StepList";

const report = vi.hoisted(() => vi.fn<(fact: Record<string, unknown>) => Promise<void>>());

vi.mock("../../shared/pictures", () => ({ PictureStrip: () => null }));

type Step = Schemas["StripStepShown"];
const step = (more: Partial<Step> = {}): Step => ({
  id: "cap-rod-2.off", section: "Rods and pistons", text: "Cap of rod 2 off", hint: "Note the force.", tools: "", minutes: 5,
  joint: true, goes_back: "", cautions: [], takes: ["cap-rod-2"], marks: [], done: "", there: true, felt: [], by: "", at: null,
  off_already: false, behind: false, came_off: false, too_late: false, own: false, because: "", unmarked: [], unseen: [], held: [], reads: [], ...more,
}); // prettier-ignore
const cap: Schemas["PositionShown"] = {
  id: "cap-rod-2", kind: "rod cap", name: "Cap of rod 2", short: "Cap 2", mark: "2", how: "", of: "R2", found: "",
  given: "", lies: "",
}; // prettier-ignore

function show(one: Step, onDone = vi.fn(), ahead = new Ahead(), first: string[] = []) {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <StepInHand
          jobId={7}
          step={one}
          positions={[cap]}
          first={first}
          disabled={false}
          ahead={ahead}
          onDone={onDone}
          onNext={vi.fn()}
        />
      </MemoryRouter>
    </QueryClientProvider>,
  );
  return onDone;
}
const press = (key: string) => fireEvent.keyDown(document.body, { key });

beforeEach(() => {
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

describe("the step in hand", () => {
  it("counts each press of Enter that comes before the answer to the last one", async () => {
    const answers: (() => void)[] = [];
    report.mockImplementation(() => new Promise((go) => answers.push(go)));
    const ahead = new Ahead();
    const onDone = show(step(), vi.fn(), ahead);
    press("Enter");
    await vi.waitFor(() => expect(answers).toHaveLength(1));
    press("Enter");
    press("Enter");
    expect(report).toHaveBeenCalledTimes(1);
    answers.shift()?.();
    await vi.waitFor(() => expect(onDone).toHaveBeenCalled());
    cleanup();
    show(step({ id: "cap-rod-3.off" }), vi.fn(), ahead);
    await vi.waitFor(() =>
      expect(report).toHaveBeenLastCalledWith(expect.objectContaining({ step: "cap-rod-3.off" })),
    );
    expect(ahead.take()).toBe(true);
    expect(ahead.take()).toBe(false);
  });

  it("is written down by one key, with what was felt", async () => {
    const onDone = show(step());
    press("f");
    press("j");
    press("Enter");
    await vi.waitFor(() => expect(onDone).toHaveBeenCalled());
    expect(report).toHaveBeenCalledWith(
      expect.objectContaining({
        fact: "step",
        step: "cap-rod-2.off",
        there: true,
        felt: ["force needed", "step at the joint"],
      }),
    );
  });

  it("says with N that this engine has no such thing", async () => {
    const onDone = show(step());
    press("n");
    await vi.waitFor(() => expect(onDone).toHaveBeenCalled());
    expect(report).toHaveBeenCalledWith(expect.objectContaining({ there: false }));
  });

  it("takes no key for a joint where there is none, and none once it is done", () => {
    show(step({ joint: false, done: "x", behind: true, by: "bench" }));
    press("j");
    press("Enter");
    expect(report).not.toHaveBeenCalled();
    expect(screen.queryByRole("button", { name: /step at the joint/ })).toBeNull();
    expect(screen.getByRole("button", { name: "Take back" })).toBeTruthy();
  });

  it("sends what was typed as found along with the step: nothing typed is lost", async () => {
    const onDone = show(step({ id: "rod-2.marked", takes: [], marks: ["cap-rod-2"], joint: false }));
    fireEvent.change(screen.getByLabelText("found on cap 2"), { target: { value: "4" } });
    fireEvent.click(screen.getByRole("button", { name: /^Done/ }));
    await vi.waitFor(() => expect(onDone).toHaveBeenCalled());
    expect(report.mock.calls.map(([fact]) => fact.fact)).toEqual(["mark", "step"]);
    expect(report.mock.calls[0]?.[0]).toMatchObject({ part: "cap-rod-2", mark: "4", found: true });
  });

  it("shows what has to be looked at first, and what comes before it", () => {
    show(step({ unseen: ["Pan off: screen"] }), vi.fn(), new Ahead(), ["Pan off"]);
    expect(screen.getByText(/destroys what has not been looked at: Pan off: screen/)).toBeTruthy();
    expect(screen.getByText("First: Pan off.")).toBeTruthy();
    expect(screen.getByRole("img", { name: "to mark: 2" })).toBeTruthy();
  });
});

describe("the strip list", () => {
  it("says in words which steps are done, not there, and what was felt", () => {
    const steps = [
      step({ id: "a", text: "Pan off", done: "1", behind: true }),
      step({ id: "b", text: "Squirters out", done: "2", behind: true, there: false }),
      step({ id: "c", text: "Cap off", done: "3", behind: true, felt: ["came away stuck"] }),
      step({ id: "d", text: "Crank out" }),
    ];
    const strip = { steps, done: 3, next: "d" } as unknown as Schemas["StripTold"];
    const choose = vi.fn();
    render(<StepList report={strip} waiting={new Map()} chosen="d" onChange={undefined} onChoose={choose} />);
    const list = within(screen.getByRole("region", { name: "Strip list" }));
    expect(list.getByRole("button", { name: "Pan off, done" })).toBeTruthy();
    expect(list.getByRole("button", { name: "Squirters out, not on this engine" })).toBeTruthy();
    expect(list.getByText("came away stuck")).toBeTruthy();
    expect(list.getByRole("button", { name: "Crank out" }).getAttribute("aria-current")).toBe("step");
    fireEvent.click(list.getByRole("button", { name: "Pan off, done" }));
    expect(choose).toHaveBeenCalledWith("a");
  });
});
