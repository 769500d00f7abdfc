import { useState } from "react";

import type { Schemas } from "../../api";
import { Button } from "../ui";

export interface Stop {
  name: string;
  spend: string;
  before: string;
}

interface Props {
  asked: Schemas["AskedAtDoor"];
  onSet: (stop: Stop) => void;
}

/** A stop point agreed with the customer: at a sum, or before a look. */
export function StopForm({ asked, onSet }: Props) {
  const [spend, setSpend] = useState("");
  const [before, setBefore] = useState("");
  const nameOf = (key: string) => asked.looks.find((one) => one.key === key)?.name ?? key;
  const set = () => {
    const name = before ? `before: ${nameOf(before)}` : `at ${spend.trim()} ${asked.currency}`;
    onSet({ name, spend: before ? "" : spend.trim(), before });
    setSpend("");
    setBefore("");
  };
  const box = "h-11 min-w-0 border-2 border-line bg-sheet px-2 focus:border-blue";
  return (
    <div className="flex flex-wrap items-center gap-1.5">
      <label className="flex items-center gap-1.5">
        at
        <input
          className={`${box} w-24`}
          aria-label={`Stop at a sum, ${asked.currency}`}
          inputMode="decimal"
          placeholder="600"
          value={spend}
          disabled={before !== ""}
          onChange={(event) => setSpend(event.target.value)}
        />
        {asked.currency}
      </label>
      <label className="flex min-w-0 items-center gap-1.5">
        or before
        <select
          className={`${box} max-w-64`}
          aria-label="Stop before a look"
          value={before}
          onChange={(event) => setBefore(event.target.value)}
        >
          <option value="">no look</option>
          {asked.looks.map(({ key, name }) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <Button className="!px-3" disabled={!spend.trim() && !before} onClick={set}>
        Agree a stop point
      </Button>
    </div>
  );
}
