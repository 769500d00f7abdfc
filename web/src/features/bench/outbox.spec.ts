import { beforeEach, describe, expect, it, vi } from "vitest";

import { type Landing, Outbox } from "./outbox";

const landing = (id: string): Landing => ({
  id,
  part: "R1",
  spot: "1a",
  typed: "371",
  unit: "in",
  gauge: "mic",
  at: "2031-05-04T12:00:00Z",
  chosen_nm: null,
  corrects: null,
  feature: "diameter",
  by_button: false,
});
const changed = { state: "a.1", whole: false, bench: {}, assessment: {}, parts: [], sets: [] };
const answer = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), { status, headers: { "Content-Type": "application/json" } });

type Batch = { facts: (Landing & { fact: string })[] };
const landed = (batch: Batch) =>
  answer({
    changed,
    results: batch.facts.map(({ id }) => ({ id, asked: null, refused: "", conflict: "" })),
  });

function boxWith(replies: ((batch: Batch) => Promise<Response>)[]) {
  const sent: string[][] = [];
  vi.stubGlobal("fetch", async (request: Request) => {
    const batch = (await request.json()) as Batch;
    sent.push(batch.facts.map((one) => one.id));
    return (replies.shift() ?? ((one: Batch) => Promise.resolve(landed(one))))(batch);
  });
  const box = new Outbox();
  box.person = "bench";
  return { box, sent };
}

const settled = () =>
  vi.waitFor(() => Promise.resolve(), { timeout: 50 }).then(() => new Promise((r) => setTimeout(r, 20)));
const down = () => Promise.reject(new TypeError("Failed to fetch"));

describe("the outbox", () => {
  beforeEach(() => localStorage.clear());

  it("sends what was kept before a reading named its part", () => {
    const { part, ...old } = landing("a");
    const kept = { ...old, journal: part, feature: "journal" };
    localStorage.setItem(
      "half-thou.outbox",
      JSON.stringify([{ jobId: 1, by: "bench", state: "waiting", landing: kept }]),
    );
    const { box } = boxWith([down, down]);
    expect(box.snapshot()[0]?.landing).toEqual({ ...old, part: "R1", feature: "diameter" });
  });

  it("sends in the order typed and empties as readings land", async () => {
    const { box, sent } = boxWith([]);
    ["a", "b", "c"].forEach((id) => box.add(1, landing(id)));
    await settled();
    expect(sent.flat()).toEqual(["a", "b", "c"]);
    expect(box.snapshot()).toEqual([]);
  });

  it("keeps a reading while the server is down, over a reload too, and sends it once after", async () => {
    const { box } = boxWith([down]);
    box.add(1, landing("a"));
    await settled();
    expect(box.reachable).toBe(false);
    const { box: reloaded, sent } = boxWith([]);
    expect(reloaded.snapshot().map((parcel) => parcel.landing.id)).toEqual(["a"]);
    await reloaded.send();
    expect(sent).toEqual([["a"]]);
    expect(reloaded.snapshot()).toEqual([]);
  });

  it("keeps a question until it is answered, and goes on with the readings after it", async () => {
    const asked = { question: "Which?", choices: [{ nm: 5, words: "this" }] };
    const question = { changed, results: [{ id: "a", asked, refused: "", conflict: "" }] };
    const { box, sent } = boxWith([() => Promise.resolve(answer(question))]);
    box.add(1, landing("a"));
    box.add(1, landing("b"));
    await settled();
    expect(box.snapshot().map((parcel) => [parcel.landing.id, parcel.state])).toEqual([["a", "asked"]]);
    box.choose("a", 5);
    await settled();
    expect(sent.flat()).toEqual(["a", "b", "a"]);
    expect(box.snapshot()).toEqual([]);
  });

  it("keeps what was refused, with the server's words", async () => {
    const refusal = { code: "no-unit", message: "A word that is no unit.", faults: [] };
    const { box } = boxWith([() => Promise.resolve(answer(refusal, 422))]);
    box.add(1, landing("a"));
    await settled();
    expect(box.snapshot()[0]).toMatchObject({ state: "refused", message: "A word that is no unit." });
  });

  it("sends a reading only for the person who typed it", async () => {
    const { box } = boxWith([down]);
    box.add(1, landing("a"));
    await settled();
    const { box: later, sent } = boxWith([]);
    later.person = "machinist";
    await later.send();
    expect(sent).toEqual([]);
    expect(later.snapshot()).toHaveLength(1);
  });

  it("keeps everything when the person is signed out meanwhile", async () => {
    const { box } = boxWith([() => Promise.resolve(answer({ detail: "Unauthorized" }, 401))]);
    box.add(1, landing("a"));
    await settled();
    expect(box.snapshot()[0]).toMatchObject({ state: "waiting" });
  });

  it("sends a thousand kept readings in few letters, in order, each once", async () => {
    const kept = Array.from({ length: 1000 }, (_, n) => `k${n}`);
    const parcels = kept.map((id) => ({
      jobId: 1,
      by: "bench",
      landing: landing(id),
      state: "waiting",
      question: null,
      message: "",
    }));
    localStorage.setItem("half-thou.outbox", JSON.stringify(parcels));
    const { box, sent } = boxWith([]);
    await box.send();
    expect(sent.flat()).toEqual(kept);
    expect(sent.length).toBeLessThan(10);
    expect(box.snapshot()).toEqual([]);
  });

  it("tells of a reading that landed beside somebody else's", async () => {
    const result = { id: "a", asked: null, refused: "", conflict: "R1 1a was read by machinist meanwhile." };
    const { box } = boxWith([() => Promise.resolve(answer({ changed, results: [result] }))]);
    box.add(1, landing("a"));
    await settled();
    expect(box.conflicts).toEqual([result.conflict]);
    box.putConflictsAway();
    expect(box.conflicts).toEqual([]);
  });

  it("takes back at the server what was taken back here while it was on its way", async () => {
    const asked: string[] = [];
    let answerNow: () => void = () => undefined;
    vi.stubGlobal("fetch", async (request: Request) => {
      const body = (await request.json()) as Batch;
      asked.push(...body.facts.map(({ fact, id }) => `${fact} ${id}`));
      if (asked.length > 1) return answer({ changed: { ...changed, state: "a.2" }, results: [] });
      await new Promise<void>((go) => (answerNow = go));
      return landed(body);
    });
    const box = new Outbox();
    box.person = "bench";
    const told = vi.fn();
    box.onLanded = told;
    box.add(1, landing("a"));
    await settled();
    box.drop("a");
    expect(box.snapshot()).toMatchObject([{ recalled: true }]);
    answerNow();
    await settled();
    expect(asked).toEqual(["reading a", "withdrawal back.a"]);
    expect(told).toHaveBeenLastCalledWith(1, { ...changed, state: "a.2" });
    expect(box.snapshot()).toEqual([]);
  });

  it("starts empty when what was stored cannot be read", () => {
    localStorage.setItem("half-thou.outbox", "{broken");
    expect(new Outbox().snapshot()).toEqual([]);
  });
});
