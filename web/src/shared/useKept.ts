import { useCallback, useState } from "react";

/** State that stays over a reload and between the views of a tab, under a name of its own. */
export function useKept<T>(
  name: string,
  start: () => T,
  fits: (kept: unknown) => kept is T,
): [T, (next: T) => void] {
  const key = `half-thou.${name}`;
  const [value, setValue] = useState<T>(() => {
    try {
      const kept: unknown = JSON.parse(sessionStorage.getItem(key) ?? "null");
      if (fits(kept)) return kept;
    } catch {
      // What cannot be read any more is begun anew.
    }
    return start();
  });
  const keep = useCallback(
    (next: T) => {
      setValue(next);
      sessionStorage.setItem(key, JSON.stringify(next));
    },
    [key],
  );
  return [value, keep];
}
