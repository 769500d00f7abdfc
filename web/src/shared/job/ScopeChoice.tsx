import { type Kind, setName } from "./useKinds";

/** Scopes by name only fill the list of sets: what a kind brings later joins no old job by itself. */
const NAMED: readonly { label: string; stations: readonly string[] | null }[] = [
  { label: "crank only", stations: ["straightness", "crank"] },
  { label: "block only", stations: ["tunnel", "block"] },
  {
    label: "short engine",
    stations: ["straightness", "crank", "end float", "tunnel", "block", "pistons", "pump"],
  },
  { label: "whole engine", stations: null },
];

interface Props {
  kinds: readonly Kind[];
  /** The sets that the limits sheet speaks of. */
  sets: readonly string[];
  value: readonly string[];
  onChange: (sets: string[]) => void;
}

/** What is measured and judged: by a name, or set by set. */
export function ScopeChoice({ kinds, sets, value, onChange }: Props) {
  const setsOf = (stations: readonly string[] | null) =>
    kinds
      .filter((kind) => stations === null || stations.includes(kind.station))
      .flatMap((kind) => Object.keys(kind.sets))
      .filter((set) => sets.includes(set));
  const named = NAMED.map((one) => ({ ...one, sets: setsOf(one.stations) })).filter(
    (one, n, all) =>
      one.sets.length > 0 &&
      // Until the top end is judged too, a short engine and a whole one hold the same: both names are known.
      (one.stations === null || all.findIndex((other) => other.sets.join() === one.sets.join()) === n),
  );
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">What is measured</legend>
      <div className="flex flex-wrap gap-2">
        {named.map((one) => (
          <button
            key={one.label}
            type="button"
            aria-pressed={one.sets.join() === value.join()}
            className={`min-h-11 border-2 px-4 font-semibold ${one.sets.join() === value.join() ? "border-blue bg-blue text-onblue" : "border-ink bg-sheet hover:bg-tint"}`}
            onClick={() => onChange(one.sets)}
          >
            {one.label}
          </button>
        ))}
      </div>
      <div className="mt-2 flex flex-wrap gap-x-6">
        {sets.map((set) => (
          <label key={set} className="flex min-h-10 items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={value.includes(set)}
              onChange={(event) =>
                onChange(sets.filter((one) => (one === set ? event.target.checked : value.includes(one))))
              }
            />
            {setName(kinds, set).toLowerCase()}
          </label>
        ))}
      </div>
      <p className="text-[15px] text-quiet">It can grow later. What is not chosen is not missed.</p>
    </fieldset>
  );
}
