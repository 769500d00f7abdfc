import { useCallback, useRef, useState } from "react";

import { usePerson } from "../session";
import type { SheetForm } from "./useLimits";

const SETTLED_MS = 400;

const isSheet = (kept: unknown): kept is SheetForm =>
  typeof kept === "object" && kept !== null && "sets" in kept;

/** A limits sheet in the making, kept in this browser under its title and whose it is; null where nothing is typed. */
export function useSheetDraft(title: string | null) {
  const key = `half-thou.limits.${usePerson().name}.${title ?? ""}`;
  const [kept, setKept] = useState<SheetForm | null>(() => {
    if (title === null) return null;
    try {
      const found: unknown = JSON.parse(localStorage.getItem(key) ?? "null");
      return isSheet(found) ? found : null;
    } catch {
      return null;
    }
  });
  const timer = useRef<number | undefined>(undefined);
  const keep = useCallback(
    (form: SheetForm) => {
      if (title === null) return;
      window.clearTimeout(timer.current);
      timer.current = window.setTimeout(() => localStorage.setItem(key, JSON.stringify(form)), SETTLED_MS);
    },
    [key, title],
  );
  const forget = useCallback(() => {
    window.clearTimeout(timer.current);
    localStorage.removeItem(key);
    setKept(null);
  }, [key]);
  return { kept, keep, forget };
}
