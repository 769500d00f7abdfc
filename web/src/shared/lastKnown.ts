import { keepsPage } from "./away";

/** The cache that the service worker opens a job from when the server is away (sw.ts). */
const KNOWN = "half-thou.known";
/** So long after the last change it is kept: not with every reading. */
const QUIET_MS = 1_500;

/** Keep what is at an address for a reload without the server, once it has been quiet. Gives what calls it off. */
export function keepForReload(path: string, told: object): (() => void) | undefined {
  if (!keepsPage() || !("caches" in window)) return undefined;
  const timer = window.setTimeout(() => {
    const headers = { "Content-Type": "application/json", Date: new Date().toUTCString() };
    const answer = new Response(JSON.stringify(told), { headers });
    const address = new URL(path, window.location.origin).href;
    // A browser that gives no room for it opens what it kept before.
    caches
      .open(KNOWN)
      .then((cache) => cache.put(address, answer))
      .catch(() => undefined);
  }, QUIET_MS);
  return () => window.clearTimeout(timer);
}
