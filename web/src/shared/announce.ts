import { useSyncExternalStore } from "react";

let said = "";
const listeners = new Set<() => void>();

/** Say something to those who do not see the page. The last thing said stands. */
export function announce(words: string): void {
  if (!words || words === said) return;
  said = words;
  listeners.forEach((listener) => listener());
}

export function useAnnounced(): string {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => said,
  );
}
