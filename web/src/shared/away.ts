import { useSyncExternalStore } from "react";

/** Whether the server is away, and since when what is shown is the last known. */
let lastKnown = "";
const listeners = new Set<() => void>();

/** Tell of an answer: fresh from the server, or the last known of a time. */
export function heard(known: string): void {
  if (known === lastKnown) return;
  lastKnown = known;
  listeners.forEach((listener) => listener());
}

/** The time of the last known answer that is shown, empty where the server answers. */
export function useLastKnown(): string {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => lastKnown,
  );
}

/** Whether this browser keeps the page for a reload without the server. Beyond loopback it takes TLS. */
export const keepsPage = (): boolean => "serviceWorker" in navigator;

/** Nothing of a job stays readable after signing out. */
export function forgetKnown(): void {
  if (keepsPage()) navigator.serviceWorker.controller?.postMessage("forget");
}
