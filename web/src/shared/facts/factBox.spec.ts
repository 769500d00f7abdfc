import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import { type Fact, FactBox } from "./factBox";

const JSON_TYPE = { headers: { "Content-Type": "application/json" } };
const answer = (body: unknown, status = 200) => new Response(JSON.stringify(body), { status, ...JSON_TYPE });
const landed = (refused = "") =>
  answer({ results: [{ id: "a", refused, asked: null, faults: [] }], changed: {} });

class Shelf implements Storage {
  private kept = new Map<string, string>();
  get length() {
    return this.kept.size;
  }
  clear = () => this.kept.clear();
  getItem = (key: string) => this.kept.get(key) ?? null;
  key = () => null;
  removeItem = (key: string) => void this.kept.delete(key);
  setItem = (key: string, value: string) => void this.kept.set(key, value);
}

const fact = (id: string): Fact => ({
  fact: "removal",
  id,
  what: "dip tube",
  place: "block",
  at: "2031-05-04T12:00:00Z",
});
const server = vi.fn<(request: Request) => Promise<Response>>();
let shelf: Shelf;
let box: FactBox;

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal("fetch", server);
  shelf = new Shelf();
  box = new FactBox(shelf);
  box.person = "bench";
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
  server.mockReset();
});

const sent = async () =>
  Promise.all(
    server.mock.calls.map(
      async ([request]) => ((await request.clone().json()) as { facts: Fact[] }).facts[0]?.id,
    ),
  );

describe("what is written down while the server is away", () => {
  it("waits, survives a reload, and lands once in its order", async () => {
    server.mockRejectedValueOnce(new TypeError("away"));
    box.add(7, fact("a"));
    box.add(7, fact("b"));
    await vi.advanceTimersByTimeAsync(1600);
    expect(box.snapshot()).toHaveLength(2);

    const again = new FactBox(shelf);
    again.person = "bench";
    server.mockImplementation(() => Promise.resolve(landed()));
    await again.send();
    expect(again.snapshot()).toHaveLength(0);
    expect((await sent()).slice(-2)).toEqual(["a", "b"]);
  });

  it("keeps what was refused, says why, and goes on with the rest", async () => {
    server
      .mockResolvedValueOnce(landed("It leaves its place only with its mark."))
      .mockResolvedValueOnce(landed());
    box.add(7, fact("a"));
    box.add(7, fact("b"));
    await box.send();
    expect(box.snapshot().map((one) => [one.fact.id, one.message])).toEqual([
      ["a", "It leaves its place only with its mark."],
    ]);
    expect(box.waits(7)).toBe(false);
    box.drop("a");
    expect(box.snapshot()).toHaveLength(0);
  });

  it("is sent by nobody but who wrote it", async () => {
    box.add(7, fact("a"));
    box.person = "machinist";
    await box.send();
    expect(server).not.toHaveBeenCalled();
    expect(box.waits(7)).toBe(false);
  });

  it("begins anew where what was kept cannot be read", () => {
    shelf.setItem("half-thou.facts", "{broken");
    expect(new FactBox(shelf).snapshot()).toEqual([]);
  });
});
