import type { Schemas } from "../../api";
import type { Given } from "../../shared/queue";
import { Button } from "../../shared/ui";

type Position = Schemas["PositionShown"];
export type Typed = Readonly<Record<string, string>>;

interface Props {
  positions: readonly Position[];
  typed: Typed;
  disabled: boolean;
  onType: (typed: Typed) => void;
  onWrite: () => void;
}

/** What was typed as found on parts, as facts. */
export const foundOf = (typed: Typed): Given[] =>
  Object.entries(typed)
    .filter(([, mark]) => mark.trim())
    .map(([part, mark]) => ({ fact: "mark", part, mark: mark.trim(), found: true, side: "" }));

/** What stands on a part already: typed before it is marked, so that numbers that disagree are said at once. */
export function FoundMarks({ positions, typed, disabled, onType, onWrite }: Props) {
  const wanted = positions.filter((one) => ["rod", "rod cap", "main cap"].includes(one.kind));
  if (wanted.length === 0) return null;
  return (
    <form
      aria-label="Marks found"
      className="mt-3 flex flex-wrap items-end gap-2 border-t border-line pt-2"
      onSubmit={(event) => {
        event.preventDefault();
        onWrite();
      }}
    >
      {wanted.map((one) => (
        <label key={one.id} className="block">
          <span className="block text-[15px] text-quiet">found on {one.short.toLowerCase()}</span>
          <input
            className="h-11 w-28 border-2 border-line bg-sheet px-2 text-lg focus:border-blue"
            placeholder={one.found || "number"}
            maxLength={24}
            disabled={disabled}
            value={typed[one.id] ?? ""}
            onChange={(event) => onType({ ...typed, [one.id]: event.target.value })}
          />
        </label>
      ))}
      <Button type="submit" disabled={disabled || foundOf(typed).length === 0}>
        Write down what it bears
      </Button>
    </form>
  );
}
