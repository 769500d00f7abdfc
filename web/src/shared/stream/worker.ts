/** The worker that all tabs share: it holds the one stream of this browser. */
import { type ListeningPage, OneStream } from "./oneStream";

const stream = new OneStream();

self.addEventListener("connect", (event) => {
  const port = (event as MessageEvent).ports[0];
  if (!port) return;
  port.addEventListener("message", (said: MessageEvent<ListeningPage & { lock: string }>) => {
    const { lock, ...page } = said.data;
    const leave = stream.join(page, (told) => port.postMessage(told));
    // The page holds this lock while it listens, and lets go of it when it is closed or killed.
    void navigator.locks.request(lock, leave);
  });
  port.start();
});
