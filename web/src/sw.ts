/// <reference lib="webworker" />
import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute } from "workbox-precaching";
import { registerRoute, setCatchHandler } from "workbox-routing";
import { NetworkFirst } from "workbox-strategies";

interface Asset {
  url: string;
  revision: string | null;
}
declare const self: Omit<ServiceWorkerGlobalScope, "__WB_MANIFEST"> & { __WB_MANIFEST: Asset[] };

/** The page itself as the server last gave it, and what it last said of jobs: opened when the server is away. */
const SHELL = "half-thou.shell";
const KNOWN = "half-thou.known";
const ANSWERS_IN_S = 8;
const WANTED = [
  /^\/api\/session$/,
  /^\/api\/key$/,
  /^\/api\/kinds$/,
  /^\/api\/limits$/,
  /^\/api\/gauges$/,
  /^\/api\/rack$/,
  /^\/api\/door$/,
  /^\/api\/jobs\/\d+$/,
  /^\/api\/jobs\/\d+\/(door|looks|strip|pictures|evidence)$/,
];

// The assets by their hashed names. The page is not among them: its nonce is the server's.
precacheAndRoute(self.__WB_MANIFEST.filter((entry) => !entry.url.endsWith(".html")));
cleanupOutdatedCaches();

const onePage = { cacheKeyWillBeUsed: () => Promise.resolve("/") };
registerRoute(
  ({ request, url }) => request.mode === "navigate" && !/^\/(api|phone)\//.test(url.pathname),
  new NetworkFirst({ cacheName: SHELL, networkTimeoutSeconds: ANSWERS_IN_S, plugins: [onePage] }),
);

/** An answer from the cache says so, and when it was true. */
const lastKnown = {
  cachedResponseWillBeUsed: ({ cachedResponse }: { cachedResponse?: Response | undefined }) => {
    if (!cachedResponse) return Promise.resolve(null);
    const headers = new Headers(cachedResponse.headers);
    headers.set("X-Last-Known", headers.get("date") ?? "before");
    const { status, statusText, body } = cachedResponse;
    return Promise.resolve(new Response(body, { status, statusText, headers }));
  },
};
registerRoute(
  ({ url }) => WANTED.some((wanted) => wanted.test(url.pathname)),
  new NetworkFirst({ cacheName: KNOWN, networkTimeoutSeconds: ANSWERS_IN_S, plugins: [lastKnown] }),
  "GET",
);
setCatchHandler(async ({ request }) =>
  request.destination === "document" ? ((await matchPrecache("/")) ?? Response.error()) : Response.error(),
);

self.addEventListener("message", (event: ExtendableMessageEvent) => {
  const said: unknown = event.data;
  if (said === "forget") event.waitUntil(caches.delete(KNOWN));
  if (typeof said === "object" && said !== null && "type" in said && said.type === "SKIP_WAITING")
    void self.skipWaiting();
});
