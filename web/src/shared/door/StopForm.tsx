import type { Schemas } from "../../api";
import { Button } from "../ui";

export interface Stop {
  name: string;
  spend: string;
  before: string;
}

/** A stop point that is typed and not agreed yet: it goes along with the page's main press. */
export type StopDraft = Pick<Stop, "spend" | "before">;
export const NO_STOP: StopDraft = { spend: "", before: "" };

/** The stop point that a draft comes to; null where it says nothing. */
export function stopIn({ spend, before }: StopDraft, asked: Schemas["AskedAtDoor"]): Stop | null {
  const look = asked.looks.find((one) => one.key === before);
  if (look) return { name: `before: ${look.name}`, spend: "", before };
  return spend.trim()
    ? { name: `at ${spend.trim()} ${asked.currency}`, spend: spend.trim(), before: "" }
    : null;
}

interface Props {
  asked: Schemas["AskedAtDoor"];
  draft: StopDraft;
  onDraft: (draft: StopDraft) => void;
  onSet: (stop: Stop) => void;
}

/** A stop point agreed with the customer: at a sum, or before a look. */
export function StopForm({ asked, draft, onDraft, onSet }: Props) {
  const { spend, before } = draft;
  const stop = stopIn(draft, asked);
  const set = () => {
    if (!stop) return;
    onSet(stop);
    onDraft(NO_STOP);
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
          onChange={(event) => onDraft({ ...draft, spend: event.target.value })}
        />
        {asked.currency}
      </label>
      <label className="flex min-w-0 items-center gap-1.5">
        or before
        <select
          className={`${box} max-w-64`}
          aria-label="Stop before a look"
          value={before}
          onChange={(event) => onDraft({ ...draft, before: event.target.value })}
        >
          <option value="">no look</option>
          {asked.looks.map(({ key, name }) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <Button className="!px-3" disabled={!stop} onClick={set}>
        Agree a stop point
      </Button>
    </div>
  );
}
