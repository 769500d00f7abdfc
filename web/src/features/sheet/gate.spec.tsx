import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";

import { allAnswered, GateAnswers } from "./GateAnswers";

const ITEMS = ["cause", "metal.Pan", "metal.Pump"].map((key) => ({
  key,
  kind: "metal" as const,
  words: `${key} is open.`,
  part: key,
}));

afterEach(cleanup);

describe("what is open at the signature", () => {
  it("is answered thing by thing, and the same words go to what is left by one press", () => {
    const onAnswer = vi.fn();
    render(<GateAnswers items={ITEMS} answers={{ cause: "Told in writing." }} onAnswer={onAnswer} />);
    fireEvent.change(screen.getByLabelText("metal.Pan is open."), { target: { value: "Washed Monday." } });
    expect(onAnswer).toHaveBeenCalledWith({ cause: "Told in writing.", "metal.Pan": "Washed Monday." });
    fireEvent.click(screen.getByRole("button", { name: "The same for the 2 that are left" }));
    expect(onAnswer).toHaveBeenLastCalledWith(
      Object.fromEntries(ITEMS.map(({ key }) => [key, "Told in writing."])),
    );
  });

  it("is answered only where each has words", () => {
    expect(allAnswered(ITEMS, { cause: "so", "metal.Pan": "so", "metal.Pump": " " })).toBe(false);
    expect(allAnswered([], {})).toBe(true);
  });
});
