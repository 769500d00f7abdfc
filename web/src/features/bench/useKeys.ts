import { useEffect } from "react";

import type { Desk } from "./useDesk";

interface Also {
  showKeys: () => void;
  otherUnit: () => void;
  warmth: () => void;
  /** Take the first (0) or second (1) thing a reading may have meant; null keeps what was read. */
  answer: (nth: number | null) => void;
}

/** The keys of the bench. Letters belong to the entry, so shortcuts use Alt. */
export function useKeys(desk: Desk, also: Also): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.altKey) {
        if (!altKey(event.key.toLowerCase(), desk, also)) return;
      } else if (event.key in FUNCTION_KEYS) {
        FUNCTION_KEYS[event.key]?.(also);
      } else if (!inEntry(event.target) || desk.text !== "" || desk.question) {
        return;
      } else if (!plainKey(event.key, desk)) {
        return;
      }
      event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
}

const FUNCTION_KEYS: Record<string, (also: Also) => void> = {
  F2: (also) => also.answer(0),
  F8: (also) => also.answer(1),
  F4: (also) => also.answer(null),
  F6: (also) => also.warmth(),
};

const inEntry = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement && (target.getAttribute("aria-label") ?? "").startsWith("Reading at");

function altKey(key: string, desk: Desk, also: Also): boolean {
  if (key === "k") also.showKeys();
  else if (key === "u") also.otherUnit();
  else if (key === "g") document.getElementById("gauge")?.focus();
  else if (key === "c") desk.setReplace(!desk.replace);
  else if (key === "z") desk.undo();
  else return false;
  return true;
}

function plainKey(key: string, desk: Desk): boolean {
  const { journal, spot } = desk;
  const names = desk.spots.map((one) => one.name);
  const at = spot ? names.indexOf(spot) : names.length;
  if (key === "Backspace") desk.withdrawLast();
  else if (key === "ArrowLeft") desk.goTo(journal.id, names[Math.max(0, at - 1)] ?? null);
  else if (key === "ArrowRight") desk.goTo(journal.id, names[Math.min(names.length - 1, at + 1)] ?? null);
  else if (key === "ArrowUp" || key === "ArrowDown") {
    const journals = desk.bench.assessment.journals;
    const next = journals[journals.indexOf(journal) + (key === "ArrowUp" ? -1 : 1)];
    if (next) desk.goTo(next.id);
  } else return false;
  return true;
}
