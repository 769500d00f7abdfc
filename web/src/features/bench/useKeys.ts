import { useEffect } from "react";

import type { Desk } from "./useDesk";

interface Also {
  showKeys: () => void;
  otherUnit: () => void;
  warmth: () => void;
  gauge: () => void;
  /** Eye and nail find nothing on the part in hand. */
  sound: () => void;
  /** Take the first (0) or second (1) thing a reading may have meant; null keeps what was read. */
  answer: (nth: number | null) => void;
}

/** The keys of the bench. Letters belong to the entry, so shortcuts use Alt. */
export function useKeys(desk: Desk, also: Also): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.altKey) {
        // A reading that never went out is brought again here; all else is the frame's to take back.
        if (event.key.toLowerCase() === "z") {
          if (!event.shiftKey || !desk.gone) return;
          desk.undo();
        } else if (!altKey(event.key.toLowerCase(), desk, also)) return;
      } else if (event.key === "Escape") {
        if (!desk.question || !inEntry(event.target)) return;
        also.answer(null);
      } else if (event.key in FUNCTION_KEYS) {
        FUNCTION_KEYS[event.key]?.(also, desk);
      } else if (!inEntry(event.target) || desk.text !== "" || desk.question) {
        return;
      } else if (!plainKey(event.key, desk)) {
        return;
      }
      event.preventDefault();
    };
    window.addEventListener("keydown", onKey, { capture: true });
    return () => window.removeEventListener("keydown", onKey, { capture: true });
  });
}

const FUNCTION_KEYS: Record<string, (also: Also, desk: Desk) => void> = {
  F2: (also) => also.answer(0),
  F8: (also) => also.answer(1),
  F4: (also) => also.answer(null),
  F6: (also) => also.warmth(),
  F9: (_also, desk) => desk.nextStation(),
};

const inEntry = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement && (target.getAttribute("aria-label") ?? "").startsWith("Reading at");

function altKey(key: string, desk: Desk, also: Also): boolean {
  const station = desk.bench.assessment.stations[Number(key) - 1];
  if (station) desk.goToStation(station.key);
  else if (key === "k") also.showKeys();
  else if (key === "u") also.otherUnit();
  else if (key === "g") also.gauge();
  else if (key === "s") also.sound();
  else if (key === "c") desk.setReplace(!desk.replace);
  else return false;
  return true;
}

function plainKey(key: string, desk: Desk): boolean {
  const { part, spot } = desk;
  const names = desk.spots.map((one) => one.name);
  const at = spot ? names.indexOf(spot) : names.length;
  if (key === "Backspace") desk.withdrawLast();
  else if (key === "ArrowLeft") desk.goToSpot(names[Math.max(0, at - 1)] ?? null);
  else if (key === "ArrowRight") desk.goToSpot(names[Math.min(names.length - 1, at + 1)] ?? null);
  else if (key === "ArrowUp" || key === "ArrowDown") {
    const here = desk.bench.assessment.parts.filter((one) => one.station === part.station);
    const next = here[here.indexOf(part) + (key === "ArrowUp" ? -1 : 1)];
    if (next) desk.goTo(next.id);
  } else return false;
  return true;
}
