import type { Store } from "./store";

/** Another tab has taken the turn over: this one was away too long. */
export class TurnLost extends Error {}

/** One tab of all sends at a time. `still` is asked before each letter: whether the turn is still this tab's. */
export interface Turns {
  take: (turn: string, run: (still: () => Promise<void>) => Promise<void>) => Promise<void>;
}

/** By the browser's own locks: a tab that is closed or killed lets go at once. */
export const byLocks = (locks: LockManager): Turns => ({
  take: async (turn, run) => {
    await locks.request(`half-thou.${turn}`, () => run(() => Promise.resolve()));
  },
});

/** So long a lease stands that is not renewed, and how often it is. */
export const LEASE_MS = 8_000;
const RENEW_MS = 2_000;
const LOOK_AGAIN_MS = 250;

const wait = (ms: number): Promise<void> => new Promise((go) => globalThis.setTimeout(go, ms));

/** By a lease in the store, where the browser has no locks: without TLS it gives none beyond this machine. A tab that
 * is killed keeps it until it has run out. */
export function byLease(store: Store, tab: string, now: () => number = Date.now): Turns {
  const mine = (turn: string) => ({ turn, tab, until: now() + LEASE_MS });
  // A lease that stands longer than any is given was written by a clock that was set back since.
  const free = (one: { tab: string; until: number } | undefined): boolean =>
    !one || one.tab === tab || one.until <= now() || one.until > now() + LEASE_MS;
  return {
    async take(turn, run) {
      while (!(await store.lease(turn, (one) => (free(one) ? mine(turn) : undefined))))
        await wait(LOOK_AGAIN_MS);
      let renewed = now();
      const still = async () => {
        renewed = now();
        const kept = await store.lease(turn, (one) => (one?.tab === tab ? mine(turn) : undefined));
        if (!kept) throw new TurnLost();
      };
      // A long letter must not cost the turn.
      const timer = globalThis.setInterval(() => {
        if (now() - renewed >= RENEW_MS) void still().catch(() => undefined);
      }, RENEW_MS);
      try {
        await run(still);
      } finally {
        globalThis.clearInterval(timer);
        await store.lease(turn, (one) => (one?.tab === tab ? null : undefined)).catch(() => undefined);
      }
    },
  };
}
