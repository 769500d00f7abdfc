import { cleanup, fireEvent, render, screen, within } from "@testing-library/react";
import { useState } from "react";
import { afterEach, describe, expect, it, vi } from "vitest";

import { type Drafts, Questions, type Said, toldIn, type Topic } from "./Questions";

const topic = (key: string, more: Partial<Topic> = {}): Topic => ({
  key, group: "What happened", question: key, answers: [], free: false, several: false, claim: false, source: "",
  hint: "", ...more,
}); // prettier-ignore
const TOPICS = [
  topic("Turns by hand", { answers: ["free", "locked"] }),
  topic("Hours", { free: true, several: true, source: "who says so" }),
  topic("Inside", { free: true, several: true, claim: true, source: "by what" }),
];
const said = (topicKey: string, answer: string, more: Partial<Said> = {}): Said => ({
  id: `${topicKey}.${answer}`, topic: topicKey, answer, source: "", verified: false, ...more,
}); // prettier-ignore

function ask(stands: readonly Said[]) {
  const onTell = vi.fn();
  const onTakeBack = vi.fn();
  function Asked() {
    const [drafts, setDrafts] = useState<Drafts>({});
    return (
      <Questions
        topics={TOPICS}
        said={stands}
        drafts={drafts}
        onDrafts={setDrafts}
        onTell={onTell}
        onTakeBack={onTakeBack}
      />
    );
  }
  render(<Asked />);
  return { onTell, onTakeBack };
}
afterEach(cleanup);
const of = (name: string) => within(screen.getByRole("group", { name }));

describe("questions at the door", () => {
  it("are answered by one press, and taken back by another", () => {
    const { onTell, onTakeBack } = ask([said("Turns by hand", "free")]);
    fireEvent.click(of("Turns by hand").getByRole("button", { name: "free" }));
    expect(onTakeBack).toHaveBeenCalledWith("Turns by hand.free");
    expect(onTell).not.toHaveBeenCalled();
  });

  it("hold one answer where only one can be true: the other goes", () => {
    const { onTell, onTakeBack } = ask([said("Turns by hand", "free")]);
    fireEvent.click(of("Turns by hand").getByRole("button", { name: "locked" }));
    expect(onTakeBack).toHaveBeenCalledWith("Turns by hand.free");
    expect(onTell).toHaveBeenCalledWith(expect.objectContaining({ answer: "locked" }));
  });

  it("keep two sources side by side", () => {
    const { onTell, onTakeBack } = ask([said("Hours", "6,210 h", { source: "meter" })]);
    fireEvent.change(of("Hours").getByLabelText("Hours, in words"), { target: { value: " 4,500 h " } });
    fireEvent.change(of("Hours").getByLabelText("Hours, who says so"), { target: { value: "foreman" } });
    fireEvent.keyDown(of("Hours").getByLabelText("Hours, who says so"), { key: "Enter" });
    expect(onTell).toHaveBeenCalledWith({
      topic: "Hours",
      answer: "4,500 h",
      source: "foreman",
      verified: false,
    });
    expect(onTakeBack).not.toHaveBeenCalled();
    expect(of("Hours").getByText("6,210 h")).toBeTruthy();
  });

  it("say whether something is claimed or was verified here", () => {
    ask([said("Inside", "Bramling 6", { verified: true }), said("Inside", "Bramling 4")]);
    expect(of("Inside").getByText(", verified here")).toBeTruthy();
    expect(of("Inside").getByText(", claimed")).toBeTruthy();
  });

  it("give what is typed and not written down to the page's main press", () => {
    const typed = { answer: " 4,500 h ", source: "foreman ", verified: false };
    expect(toldIn({ Hours: typed, Inside: { ...typed, answer: "  " } })).toEqual([
      { topic: "Hours", answer: "4,500 h", source: "foreman", verified: false },
    ]);
  });

  it("write nothing down where nothing was said", () => {
    const { onTell } = ask([]);
    const write = of("Hours").getByRole("button", { name: "Write down: Hours" });
    expect((write as HTMLButtonElement).disabled).toBe(true);
    fireEvent.keyDown(of("Hours").getByLabelText("Hours, in words"), { key: "Enter" });
    expect(onTell).not.toHaveBeenCalled();
  });
});
