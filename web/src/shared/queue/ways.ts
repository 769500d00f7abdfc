import { openDB } from "idb";

import { type Fact, isFact, type Kept, nameOf } from "./record";
import type { Ways } from "./records";
import { openStore, pageStore, type Store } from "./store";
import { byLease, byLocks } from "./turn";

/** What this browser gives for a queue over all its tabs. */
export async function openWays(tab: string): Promise<Ways> {
  const store = await openStore().catch(() => null);
  const kept = store ?? pageStore();
  if (store) await takeUpOlder(store).catch(() => undefined);
  return {
    store: kept,
    // Beyond this machine a browser gives locks over TLS only.
    turns: "locks" in navigator ? byLocks(navigator.locks) : byLease(kept, tab),
    channel: "BroadcastChannel" in globalThis ? new BroadcastChannel("half-thou.queue") : null,
    keeps: store !== null,
  };
}

const READINGS = "half-thou.outbox";
const FACTS = "half-thou.facts";
const PICTURES = "half-thou.pictures";

/** What an older version of the page kept, in three places of its own, goes into the queue. */
async function takeUpOlder(store: Store): Promise<void> {
  const texts = [READINGS, FACTS].map((name) => [name, localStorage.getItem(name)] as const);
  const found = [...olderReadings(), ...olderFacts(), ...(await olderPictures())];
  const known = new Set((await store.all()).map(nameOf));
  const missing = found.filter((one) => !known.has(nameOf(one)));
  if (missing.length > 0) await store.add(missing);
  // A tab of the older version may have kept more meanwhile: that is taken up when a page opens next.
  for (const [name, text] of texts) if (localStorage.getItem(name) === text) localStorage.removeItem(name);
  if (found.some((one) => !isFact(one))) indexedDB.deleteDatabase(PICTURES);
}

const WAITS = {
  n: 0, job: "", state: "waiting", sent: true, question: null, message: "", code: "", faults: [],
} as const; // prettier-ignore

interface Older {
  jobId: number;
  by: string;
}

function listIn(name: string): readonly unknown[] {
  try {
    const found: unknown = JSON.parse(localStorage.getItem(name) ?? "[]");
    return Array.isArray(found) ? found : [];
  } catch {
    return [];
  }
}

function olderReadings(): readonly Kept[] {
  const parcels = listIn(READINGS) as readonly (Older & { landing: object })[];
  return parcels.map(({ jobId, by, landing }) => ({
    ...WAITS,
    jobId,
    by,
    fact: { fact: "reading", ...landing } as Fact,
  }));
}

function olderFacts(): readonly Kept[] {
  const kept = listIn(FACTS) as readonly (Older & { fact: Fact })[];
  return kept.map(({ jobId, by, fact }) => ({ ...WAITS, jobId, by, fact }));
}

async function olderPictures(): Promise<readonly Kept[]> {
  // Not every browser lists its databases; opening one that is not there makes an empty one.
  const there = "databases" in indexedDB ? await indexedDB.databases() : [{ name: PICTURES }];
  if (!there.some((one) => one.name === PICTURES)) return [];
  const base = await openDB(PICTURES);
  const names = base.objectStoreNames as unknown as DOMStringList;
  const all = (names.contains("waiting") ? await base.getAll("waiting") : []) as readonly (Older & {
    id: string; on: string; words: string; cleaned: boolean; at: string; file: Blob;
  })[]; // prettier-ignore
  base.close();
  return all.map(({ jobId, by, file, id, on, words, cleaned, at }) => ({
    ...WAITS,
    jobId,
    by,
    file,
    picture: { id, on, words, cleaned, at },
  }));
}
