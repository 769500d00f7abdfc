import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import { OneStream } from "./oneStream";

/** A stream that the test speaks into. */
class Fake extends EventTarget {
  readyState = 1;
  closed = false;
  constructor(readonly address: string) {
    super();
  }
  close(): void {
    this.closed = true;
  }
  say(event: string, body: object): void {
    this.dispatchEvent(Object.assign(new Event(event), { data: JSON.stringify(body) }));
  }
}

describe("the one stream of a browser", () => {
  let opened: Fake[];
  let stream: OneStream;
  beforeEach(() => {
    vi.useFakeTimers();
    opened = [];
    stream = new OneStream((address) => {
      const fake = new Fake(address);
      opened.push(fake);
      return fake as unknown as EventSource;
    });
  });
  afterEach(() => {
    vi.useRealTimers();
  });

  it("serves all pages, and tells each what is meant for it", () => {
    const [one, other] = [vi.fn(), vi.fn()];
    stream.join({ bench: "a", job: 7 }, one);
    stream.join({ bench: "b", job: 8 }, other);
    vi.advanceTimersByTime(100);
    expect(opened.map((fake) => fake.address)).toEqual(["/api/live/events?open=a~7&open=b~8"]);
    opened[0]?.say("job", { for: "b", job: 8 });
    expect(one).not.toHaveBeenCalled();
    expect(other).toHaveBeenCalledOnce();
    opened[0]?.say("hello", {});
    expect(one).toHaveBeenCalledOnce();
  });

  it("opens anew where a page leaves, closes where the last does, and comes back where it was refused", () => {
    const leave = stream.join({ bench: "a", job: 7 }, vi.fn());
    const last = stream.join({ bench: "b", job: 8 }, vi.fn());
    vi.advanceTimersByTime(100);
    leave();
    vi.advanceTimersByTime(100);
    expect(opened.at(-1)?.address).toBe("/api/live/events?open=b~8");
    const refused = opened.at(-1);
    if (refused) refused.readyState = 2;
    refused?.dispatchEvent(new Event("error"));
    vi.advanceTimersByTime(6_000);
    expect(opened).toHaveLength(3);
    last();
    vi.advanceTimersByTime(100);
    expect(opened.at(-1)?.closed).toBe(true);
    expect(opened).toHaveLength(3);
  });
});
