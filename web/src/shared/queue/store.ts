import { type DBSchema, type IDBPDatabase, openDB } from "idb";

import type { Kept } from "./record";

/** Whose turn it is to send, where the browser has no locks. */
export interface Lease {
  turn: string;
  tab: string;
  until: number;
}

interface Schema extends DBSchema {
  queue: { key: number; value: Kept };
  leases: { key: string; value: Lease };
}

const NAME = "half-thou.queue";

export interface Change {
  n: number;
  how: (one: Kept) => Kept | null;
}

/** Where what waits is kept: one record each, written through to the disk before it is said to be kept. */
export interface Store {
  all: () => Promise<readonly Kept[]>;
  /** Keep new records, all or none; gives their places in the order. */
  add: (made: readonly Kept[]) => Promise<readonly number[]>;
  /** Change records as they stand in the store, where they still do; null takes one away. */
  change: (changes: readonly Change[], durability?: "strict") => Promise<void>;
  /** Change the lease of a turn in one step; gives whether it was taken or kept. */
  lease: (turn: string, how: (now: Lease | undefined) => Lease | null | undefined) => Promise<boolean>;
}

/** The browser's own database. */
export async function openStore(name = NAME): Promise<Store> {
  const base: IDBPDatabase<Schema> = await openDB<Schema>(name, 1, {
    upgrade(made) {
      made.createObjectStore("queue", { autoIncrement: true });
      made.createObjectStore("leases", { keyPath: "turn" });
    },
    // A newer page in another tab: it may change the form of the store, and this one opens it again when it loads.
    blocking: () => base.close(),
  });
  return {
    async all() {
      const found = base.transaction("queue");
      const [keys, values] = await Promise.all([found.store.getAllKeys(), found.store.getAll()]);
      return values.map((one, nth) => ({ ...one, n: keys[nth] ?? 0 }));
    },
    async add(made) {
      const writing = base.transaction("queue", "readwrite", { durability: "strict" });
      const [places] = await Promise.all([
        Promise.all(made.map((one) => writing.store.add(one))),
        writing.done,
      ]);
      return places;
    },
    async change(changes, durability) {
      const writing = base.transaction("queue", "readwrite", { durability: durability ?? "relaxed" });
      const one = async ({ n, how }: Change) => {
        const now = await writing.store.get(n);
        const next = now && how({ ...now, n });
        if (next) await writing.store.put({ ...next, n: 0 }, n);
        else if (now) await writing.store.delete(n);
      };
      await Promise.all([...changes.map(one), writing.done]);
    },
    async lease(turn, how) {
      const writing = base.transaction("leases", "readwrite", { durability: "relaxed" });
      const next = how(await writing.store.get(turn));
      if (next) await writing.store.put(next);
      else if (next === null) await writing.store.delete(turn);
      await writing.done;
      return next !== undefined;
    },
  };
}

/** Where a browser gives no store: what waits is kept by this page alone, which says so. */
export function pageStore(): Store {
  const kept = new Map<number, Kept>();
  const leases = new Map<string, Lease>();
  let last = 0;
  return {
    all: () => Promise.resolve([...kept].map(([n, one]) => ({ ...one, n }))),
    add(made) {
      const places = made.map((one) => {
        kept.set(++last, one);
        return last;
      });
      return Promise.resolve(places);
    },
    change(changes) {
      for (const { n, how } of changes) {
        const now = kept.get(n);
        const next = now && how({ ...now, n });
        if (next) kept.set(n, next);
        else kept.delete(n);
      }
      return Promise.resolve();
    },
    lease(turn, how) {
      const next = how(leases.get(turn));
      if (next) leases.set(turn, next);
      else if (next === null) leases.delete(turn);
      return Promise.resolve(next !== undefined);
    },
  };
}
