import { type ListeningPage, OneStream, type Told } from "./oneStream";

/** Where the browser has no worker that tabs share, or no locks, each tab has a stream of its own. */
const alone = new OneStream();
let shared: SharedWorker | undefined;

/** Listen for what the server tells a page, until what is given back is called. All tabs share one stream: a browser
 * opens only a few connections to one server. */
export function listen(page: ListeningPage, tell: (told: Told) => void): () => void {
  if (typeof SharedWorker === "undefined" || !("locks" in navigator)) return alone.join(page, tell);
  shared ??= new SharedWorker(new URL("./worker.ts", import.meta.url), { type: "module", name: "half-thou" });
  const { port } = shared;
  const hear = (said: MessageEvent<Told>) => tell(said.data);
  const lock = `half-thou.listens.${page.bench}.${crypto.randomUUID()}`;
  let stop: () => void = () => undefined;
  void navigator.locks.request(lock, () => {
    port.postMessage({ ...page, lock });
    return new Promise<void>((go) => (stop = go));
  });
  port.addEventListener("message", hear);
  port.start();
  return () => {
    port.removeEventListener("message", hear);
    stop();
  };
}
