import { useState } from "react";

import type { Desk } from "./useDesk";

const KEPT = "half-thou.keypad";
/** The keys as they lie; the last of the second and third row are signs. */
const KEYS = ["7", "8", "9", "4", "5", "6", "1", "2", "3", ".", "0", "−"] as const;
const BIG = "figure min-h-14 border-2 border-line bg-sheet text-2xl font-bold active:bg-tint";

/** Whether the keypad stands below the entry: as chosen on this device, else where there is a finger and no mouse. */
export function useKeypad(): [boolean, (on: boolean) => void] {
  const [on, setOn] = useState(() => {
    const kept = localStorage.getItem(KEPT);
    return kept === null ? window.matchMedia("(pointer: coarse) and (hover: none)").matches : kept === "on";
  });
  const choose = (next: boolean) => {
    localStorage.setItem(KEPT, next ? "on" : "off");
    setOn(next);
  };
  return [on, choose];
}

/** Figures, point, minus, back and landing for a hand in a glove: the device's own keys stay away. */
export function Keypad({ desk }: { desk: Desk }) {
  const { text, type } = desk;
  const press = (key: string) => {
    // A minus is a sign: it stands first, and a second press takes it away.
    if (key === "−") type(text.startsWith("-") ? text.slice(1) : `-${text}`);
    else type(text + key);
  };
  const back = () => {
    if (text === "") desk.withdrawLast();
    else type(text.slice(0, -1));
  };
  return (
    <div
      role="group"
      aria-label="Keypad"
      className="grid grid-cols-[repeat(3,1fr)_minmax(5.5rem,1.2fr)] gap-1.5"
    >
      <div className="col-span-3 grid grid-cols-3 gap-1.5">
        {KEYS.map((key) => (
          <button
            key={key}
            type="button"
            className={BIG}
            aria-label={key === "." ? "point" : key === "−" ? "minus" : key}
            onClick={() => press(key)}
          >
            {key}
          </button>
        ))}
      </div>
      <div className="flex flex-col gap-1.5">
        <button
          type="button"
          className="min-h-14 flex-1 border-2 border-line bg-sheet text-xl font-semibold active:bg-tint"
          onClick={back}
        >
          Back
        </button>
        <button
          type="button"
          className="min-h-14 flex-[2] border-2 border-blue bg-blue text-xl font-semibold text-sheet active:opacity-80"
          onClick={desk.land}
        >
          {desk.stop || desk.again.doubted ? "Land" : "Next"}
        </button>
      </div>
    </div>
  );
}
