import { useEffect } from "react";

import type { Desk } from "./useDesk";

interface Also {
  showKeys: () => void;
  otherUnit: () => void;
}

/** The keys of the bench. Letters belong to the entry, so shortcuts use Alt. */
export function useKeys(desk: Desk, { showKeys, otherUnit }: Also): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.altKey) {
        if (!altKey(event.key.toLowerCase(), desk, { showKeys, otherUnit })) return;
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

const inEntry = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement && (target.getAttribute("aria-label") ?? "").startsWith("Reading at");

function altKey(key: string, desk: Desk, also: Also): boolean {
  if (key === "k") also.showKeys();
  else if (key === "u") also.otherUnit();
  else if (key === "g") document.getElementById("gauge")?.focus();
  else if (key === "c") desk.setReplace(!desk.replace);
  else return false;
  return true;
}

function plainKey(key: string, desk: Desk): boolean {
  const { journal, spot } = desk;
  const names = journal.spots.map((one) => one.name);
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
