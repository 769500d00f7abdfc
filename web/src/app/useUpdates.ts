import { useEffect, useState } from "react";
import { Workbox } from "workbox-window";

/** The service worker that keeps the page: registered once; a new version waits until somebody takes it up. */
export function useUpdates(): { waiting: boolean; takeUp: () => void } {
  const [worker, setWorker] = useState<Workbox | null>(null);
  const [waiting, setWaiting] = useState(false);
  useEffect(() => {
    // Vite's own server has no built worker; beyond loopback without TLS browsers offer none.
    if (!import.meta.env.PROD || !("serviceWorker" in navigator)) return;
    const made = new Workbox("/sw.js");
    made.addEventListener("waiting", () => setWaiting(true));
    made.addEventListener("controlling", (event) => {
      if (event.isUpdate) window.location.reload();
    });
    void made.register().then(
      () => setWorker(made),
      () => undefined,
    );
  }, []);
  return { waiting, takeUp: () => worker?.messageSkipWaiting() };
}
