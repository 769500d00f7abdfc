import "fake-indexeddb/auto";

import { IDBFactory } from "fake-indexeddb";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import { Refused } from "../../api";
import { Queue } from "./queue";
import { type Fact, isFact, type Kept, nameOf } from "./record";
import { openStore } from "./store";
import { byLease, type Turns } from "./turn";

const JOB = { jobId: 7, job: "41" };
const reading = (id: string, more: object = {}): Fact =>
  ({
    fact: "reading", id, part: "R1", feature: "diameter", spot: "1a", typed: "371", unit: "in", gauge: "mic",
    at: "2031-05-04T12:00:00Z", chosen_nm: null, corrects: null, by_button: false, ...more,
  }); // prettier-ignore
const removal = (id: string): Fact => ({
  fact: "removal", id, what: "dip tube", place: "block", at: "2031-05-04T12:00:00Z",
}); // prettier-ignore
const withdrawal = (id: string, of: string): Fact => ({
  fact: "withdrawal",
  id,
  of,
  at: "2031-05-04T12:00:00Z",
});
const picture = (id: string, on = "engine") => ({
  picture: { id, on, words: "", cleaned: false, at: "2031-05-04T12:00:00Z" },
  file: new Blob(["x"]),
});

interface Result {
  asked: unknown;
  refused: string;
  code: string;
  faults: { where: string; what: string }[];
  conflict: string;
}
const changed = { state: "a.1", whole: false, bench: {}, assessment: {}, parts: [], sets: [] };
const json = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), { status, headers: { "Content-Type": "application/json" } });

/** A server that answers as told: by the name of a fact, or by a status for whole letters. */
class Server {
  up = true;
  status = 200;
  readonly sent: string[][] = [];
  readonly landed: string[] = [];
  readonly says = new Map<string, Partial<Result>>();
  readonly people: (string | null)[] = [];
  readonly fetch = async (request: Request): Promise<Response> => {
    if (!this.up) throw new TypeError("Failed to fetch");
    if (this.status !== 200) return json({ code: "x", message: "no room", faults: [] }, this.status);
    this.people.push(request.headers.get("X-Person"));
    if (request.url.endsWith("/pictures")) {
      const form = await request.formData();
      const id = form.get("id") as string;
      this.sent.push([id]);
      const said = this.says.get(id);
      if (said?.refused) return json({ code: "no-picture", message: said.refused, faults: [] }, 422);
      this.landed.push(id);
      return json({ pictures: [] });
    }
    const { facts } = (await request.json()) as { facts: { id: string }[] };
    this.sent.push(facts.map((one) => one.id));
    const results = facts.map(({ id }) => {
      const said = { asked: null, refused: "", code: "", faults: [], conflict: "", ...this.says.get(id) };
      if (!said.asked && !said.refused && !this.landed.includes(id)) this.landed.push(id);
      return { id, ...said };
    });
    return json({ changed, results });
  };
}

let server: Server;
/** The tabs of one browser: what one posts the others hear. */
let listeners: { tab: number; hear: (event: MessageEvent) => void }[];
let count: number;

function channelOf(tab: number) {
  return {
    postMessage: (data: unknown) =>
      listeners
        .filter((one) => one.tab !== tab)
        .forEach((one) => queueMicrotask(() => one.hear({ data } as MessageEvent))),
    addEventListener: (_: string, hear: unknown) => {
      listeners.push({ tab, hear: hear as (event: MessageEvent) => void });
    },
  } as never;
}

/** A tab of this browser, opened anew over what the store holds. */
async function tab(person = "bench", turns?: Turns): Promise<Queue> {
  const own = ++count;
  const queue = new Queue(async () => {
    const store = await openStore();
    return { store, turns: turns ?? byLease(store, `tab${own}`), channel: channelOf(own), keeps: true };
  });
  queue.signedInAs(person);
  await vi.waitFor(async () => expect(await queue.opened()).toBe(true));
  return queue;
}

const names = (queue: Queue): string[] => queue.snapshot().records.map(nameOf);
const state = (queue: Queue, name: string): string | undefined =>
  queue.snapshot().records.find((one) => nameOf(one) === name)?.state;
const until = (check: () => void) => vi.waitFor(check, { timeout: 4000, interval: 10 });

beforeEach(() => {
  server = new Server();
  listeners = [];
  count = 0;
  vi.stubGlobal("indexedDB", new IDBFactory());
  vi.stubGlobal("fetch", server.fetch);
});
afterEach(() => vi.unstubAllGlobals());

describe("the queue", () => {
  it("keeps everything while the server is away, over a reload, and sends it once and in order", async () => {
    server.up = false;
    const before = await tab();
    before.add(JOB, { fact: reading("a") });
    await expect(before.tell(JOB, removal("b"))).resolves.toBe("kept");
    before.add(JOB, picture("p"));
    await until(() => expect(before.snapshot().away).toMatch(/does not answer/));
    await until(() => expect(before.snapshot().records.every((one) => one.n > 0)).toBe(true));

    const again = await tab();
    expect(names(again)).toEqual(["a", "b", "p"]);
    server.up = true;
    again.send();
    await until(() => expect(names(again)).toEqual([]));
    expect(server.landed.filter((one) => one !== "p")).toEqual(["a", "b"]);
    expect(server.landed.length).toBe(3);
  });

  it("loses nothing where two tabs write at once, and only one of them sends at a time", async () => {
    server.up = false;
    const [one, other] = [await tab(), await tab()];
    for (let n = 0; n < 10; n++) {
      one.add(JOB, { fact: reading(`one.${n}`) });
      other.add(JOB, { fact: reading(`other.${n}`) });
    }
    await until(() => expect(one.snapshot().records.length).toBe(20));
    await until(() => expect(other.snapshot().records.length).toBe(20));
    server.up = true;
    one.send();
    other.send();
    await until(() => expect([...names(one), ...names(other)]).toEqual([]));
    expect(new Set(server.landed).size).toBe(20);
    const order = (whose: string) => server.landed.filter((name) => name.startsWith(whose));
    expect(order("one.")).toEqual(Array.from({ length: 10 }, (_, n) => `one.${n}`));
    expect(order("other.")).toEqual(Array.from({ length: 10 }, (_, n) => `other.${n}`));
  });

  it("takes a turn over from a tab that was killed, once its lease has run out", async () => {
    const store = await openStore();
    let now = 1_000_000;
    const dead = byLease(store, "dead", () => now);
    void dead.take("facts", () => new Promise(() => undefined));
    await until(() => expect(vi.isMockFunction(now)).toBe(false));
    const took = vi.fn(() => Promise.resolve());
    const next = byLease(store, "next", () => now).take("facts", took);
    await new Promise((go) => setTimeout(go, 400));
    expect(took).not.toHaveBeenCalled();
    now += 9_000;
    await next;
    expect(took).toHaveBeenCalledOnce();
  });

  it("lets nothing go in another person's session", async () => {
    server.up = false;
    const queue = await tab("bench");
    queue.add(JOB, { fact: reading("a") });
    await until(() => expect(queue.snapshot().away).not.toBe(""));
    server.up = true;
    queue.signedInAs("machinist");
    queue.add(JOB, { fact: reading("b") });
    await until(() => expect(server.landed).toEqual(["b"]));
    expect(names(queue)).toEqual(["a"]);
    queue.signedInAs("bench");
    await until(() => expect(names(queue)).toEqual([]));
    expect(server.people).toEqual(["machinist", "bench"]);
  });

  it("waits for its person where the session has ended: nothing is tried again before, nothing is refused", async () => {
    server.status = 401;
    const queue = await tab();
    const ended = vi.fn();
    queue.heard = { ...queue.heard, signedOut: ended };
    await expect(queue.tell(JOB, removal("a"))).resolves.toBe("kept");
    expect(ended).toHaveBeenCalledOnce();
    expect(queue.snapshot().signedOut).toBe(true);
    server.status = 200;
    await expect(queue.tell(JOB, removal("b"))).resolves.toBe("kept");
    await new Promise((go) => setTimeout(go, 1700));
    expect(server.sent).toEqual([]);
    queue.signedInAs("bench");
    await until(() => expect(server.landed).toEqual(["a", "b"]));
  });

  it.each([503, 507, 429, 502])("is sent again where the server says %i", async (status) => {
    server.status = status;
    const queue = await tab();
    queue.add(JOB, { fact: reading("a") });
    await until(() => expect(queue.snapshot().away).not.toBe(""));
    expect(state(queue, "a")).toBe("waiting");
    server.status = 200;
    await until(() => expect(server.landed).toEqual(["a"]));
    await until(() => expect(queue.snapshot().away).toBe(""));
  });

  it("keeps what depends on a refused one beside it, with the one it waits for; the rest goes on", async () => {
    server.up = false;
    server.says.set("brought", { refused: "A piece of that name is there.", code: "name-taken" });
    const queue = await tab();
    const piece = { fact: "piece", id: "brought", part: "piston-new-1", kind: "piston", new: true, step: "", note: "", at: "2031-05-04T12:00:00Z" } as Fact; // prettier-ignore
    const fitting = { fact: "fitting", id: "fit", piece: "piston-new-1", place: "piston-2", note: "", at: "2031-05-04T12:00:00Z" } as Fact; // prettier-ignore
    queue.add(JOB, { fact: piece }, { fact: fitting }, picture("shot", "piston-new-1"), {
      fact: reading("free"),
    });
    queue.add(JOB, { fact: withdrawal("back", "fit") });
    await until(() => expect(queue.snapshot().away).not.toBe(""));
    server.up = true;
    await until(() => expect(server.landed).toEqual(["free"]));
    expect(names(queue)).toEqual(["brought", "fit", "shot", "back"]);
    const { held } = queue.snapshot();
    expect([...held].map(([name, behind]) => [name, nameOf(behind)])).toEqual([
      ["fit", "brought"], ["shot", "brought"], ["back", "brought"],
    ]); // prettier-ignore
    expect(server.sent.flat()).not.toContain("fit");
    server.says.clear();
    queue.sendAgain("brought");
    await until(() => expect(names(queue)).toEqual([]));
    expect(server.landed.filter((name) => name !== "shot")).toEqual(["free", "brought", "fit", "back"]);
    expect(server.landed.indexOf("shot")).toBeGreaterThan(server.landed.indexOf("brought"));
  });

  it("holds back by a picture only what names it", async () => {
    server.up = false;
    const queue = await tab();
    queue.add(JOB, picture("p"), { fact: withdrawal("back", "p") }, { fact: reading("free") });
    await until(() => expect(queue.snapshot().away).not.toBe(""));
    server.up = true;
    await until(() => expect(names(queue)).toEqual([]));
    expect(server.landed.indexOf("back")).toBeGreaterThan(server.landed.indexOf("p"));
    expect(server.landed).toContain("free");
  });

  it("does not send a refused picture again by itself, not over a reload either", async () => {
    server.says.set("p", { refused: "That is no picture." });
    const queue = await tab();
    queue.add(JOB, picture("p"));
    await until(() => expect(state(queue, "p")).toBe("refused"));
    const again = await tab();
    again.send();
    await until(() => expect(state(again, "p")).toBe("refused"));
    expect(server.sent).toEqual([["p"]]);
    await again.putAway("p");
    await until(() => expect(names(queue)).toEqual([]));
  });

  it("gives a page the refusal of what it has in hand, and keeps nothing of it", async () => {
    server.says.set("a", { refused: "Not so.", code: "mark-first", faults: [{ where: "mark", what: "2" }] });
    const queue = await tab();
    const refused = await queue.tell(JOB, removal("a")).catch((error: unknown) => error);
    expect(refused).toBeInstanceOf(Refused);
    expect(refused).toMatchObject({
      code: "mark-first",
      message: "Not so.",
      faults: [{ where: "mark", what: "2" }],
    });
    await until(() => expect(names(queue)).toEqual([]));
  });

  it("asks, and takes the answer along in the same place", async () => {
    server.says.set("a", { asked: { question: "Which?", choices: [{ nm: 5, words: "five" }] } });
    const queue = await tab();
    queue.add(JOB, { fact: reading("a") });
    await until(() => expect(state(queue, "a")).toBe("asked"));
    server.says.clear();
    queue.choose("a", 5);
    await until(() => expect(server.landed).toEqual(["a"]));
  });

  it("takes back at the server what was taken back here while it was on its way", async () => {
    const queue = await tab();
    let go: () => void = () => undefined;
    const answered = server.fetch;
    vi.stubGlobal("fetch", async (request: Request) => {
      await new Promise<void>((release) => (go = release));
      return answered(request);
    });
    queue.add(JOB, { fact: reading("a") });
    await until(() => expect(queue.snapshot().records[0]?.n).toBeGreaterThan(0));
    await new Promise((later) => setTimeout(later, 20));
    await queue.drop("a");
    vi.stubGlobal("fetch", answered);
    go();
    await until(() => expect(server.landed).toEqual(["a", "back.a"]));
    await until(() => expect(names(queue)).toEqual([]));
  });

  it("takes back what never went out without a word to the server", async () => {
    server.up = false;
    const queue = await tab();
    queue.signedInAs("");
    queue.signedInAs("bench");
    queue.sessionEnded();
    queue.add(JOB, { fact: reading("a") });
    await queue.drop("a");
    server.up = true;
    queue.signedInAs("bench");
    await until(() => expect(names(queue)).toEqual([]));
    expect(server.sent).toEqual([]);
  });

  it("sends each by itself where a whole letter fails, and sets the bad one aside", async () => {
    server.up = false;
    const queue = await tab();
    queue.add(JOB, { fact: reading("a") }, { fact: reading("bad") }, { fact: reading("c") });
    await until(() => expect(queue.snapshot().away).not.toBe(""));
    const answered = server.fetch;
    vi.stubGlobal("fetch", async (request: Request) => {
      const { facts } = (await request.clone().json()) as { facts: { id: string }[] };
      const bad = facts.some((one) => one.id === "bad");
      return bad
        ? json({ code: "fault", message: "The program failed on this.", faults: [] }, 500)
        : answered(request);
    });
    server.up = true;
    await until(() => expect(server.landed).toEqual(["a", "c"]));
    await until(() => expect(state(queue, "bad")).toBe("refused"));
  });

  it("says so where the browser has no room, and still sends what it has", async () => {
    server.up = false;
    const queue = new Queue(async () => {
      const store = await openStore();
      return {
        store: { ...store, add: () => Promise.reject(new DOMException("full", "QuotaExceededError")) },
        turns: byLease(store, "full"),
        channel: null,
        keeps: true,
      };
    });
    queue.signedInAs("bench");
    queue.add(JOB, { fact: reading("a") });
    await until(() => expect(queue.snapshot().keeps).toBe(false));
    server.up = true;
    await until(() => expect(server.landed).toEqual(["a"]));
    await until(() => expect(names(queue)).toEqual([]));
  });

  it("writes each record by itself, through to the disk", async () => {
    const queue = await tab();
    server.up = false;
    queue.add(JOB, { fact: reading("a") });
    queue.add(JOB, { fact: reading("b") });
    const store = await openStore();
    await vi.waitFor(async () => expect((await store.all()).length).toBe(2));
    const kept: readonly Kept[] = await store.all();
    expect(kept.filter(isFact).map((one) => [one.fact.id, one.by, one.job])).toEqual([
      ["a", "bench", "41"], ["b", "bench", "41"],
    ]); // prettier-ignore
  });
});
