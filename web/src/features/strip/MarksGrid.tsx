import { type KeyboardEvent, useRef, useState } from "react";

import type { Schemas } from "../../api";
import { PlaceLink } from "../../shared/job";
import { type useFacts, waitingOf, Waits } from "../../shared/queue";
import { StampedMark } from "./StampedMark";

type Position = Schemas["PositionShown"];

interface Props {
  positions: readonly Position[];
  disabled: boolean;
  facts: ReturnType<typeof useFacts>;
  /** Told which position is in hand. */
  onHand: (id: string) => void;
}

/** Marks and places as a grid: one stop of the Tab key, arrows from cell to cell, Enter keeps what is typed and goes a
 * row down. */
export function MarksGrid({ positions, disabled, facts, onHand }: Props) {
  const grid = useRef<HTMLTableElement>(null);
  const [at, setAt] = useState("");
  const { tell } = facts;
  const cells = () => [...(grid.current?.querySelectorAll<HTMLElement>("[data-cell]") ?? [])];
  const first = positions[0] ? nameOf(positions[0], positions[0].mark ? "found" : "lies") : "";
  const hand = positions.some((one) => at.startsWith(`${one.id} `)) ? at : first;

  const go = (from: HTMLElement, down: number, along: number) => {
    const row = from.closest("tr");
    const own = cells().filter((one) => one.closest("tr") === row);
    if (along !== 0) {
      own[own.indexOf(from) + along]?.focus();
      return;
    }
    const column = from.dataset["cell"];
    const same = cells().filter((one) => one.dataset["cell"] === column);
    const next = same[same.indexOf(from) + down];
    if (next) next.focus();
    else from.blur();
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const from = event.target as HTMLElement;
    if (!from.dataset["cell"] || event.altKey || event.ctrlKey) return;
    const box = from instanceof HTMLInputElement ? from : null;
    const [start, end] = [box?.selectionStart ?? 0, box?.selectionEnd ?? 0];
    if (event.key === "ArrowDown" || (event.key === "Enter" && box)) go(from, 1, 0);
    else if (event.key === "ArrowUp") go(from, -1, 0);
    else if (event.key === "ArrowLeft" && start === 0) go(from, 0, -1);
    else if (event.key === "ArrowRight" && end === (box?.value.length ?? 0)) go(from, 0, 1);
    else return;
    event.preventDefault();
  };
  const stop = (position: Position, cell: Cell) => ({
    "data-cell": cell,
    tabIndex: nameOf(position, cell) === hand ? 0 : -1,
    onFocus: () => {
      setAt(nameOf(position, cell));
      onHand(position.id);
    },
  });

  return (
    <table ref={grid} role="grid" aria-label="Marks and places" className="w-full" onKeyDown={onKeyDown}>
      <thead className="text-left text-quiet">
        <tr>
          <th scope="col" className="py-1 font-semibold">
            Part
          </th>
          <th scope="col" className="font-semibold">
            Found on it
          </th>
          <th scope="col" className="font-semibold">
            Marked
          </th>
          <th scope="col" className="font-semibold">
            Lies in
          </th>
        </tr>
      </thead>
      <tbody>
        {positions.map((one) => (
          <tr key={one.id} aria-label={one.name} className="border-t border-line">
            <th scope="row" className="py-1 pr-3 text-left">
              <PlaceLink place={one.id} className="text-lg font-bold">
                {one.name}
              </PlaceLink>
              <Coming id={one.id} facts={facts} />
            </th>
            <td className="pr-3">
              {one.mark &&
                (disabled ? (
                  one.found
                ) : (
                  <Typed
                    key={one.found}
                    known={one.found}
                    label={`Found on ${one.name}`}
                    most={24}
                    {...stop(one, "found")}
                    keep={(mark) =>
                      tell.mutate([{ fact: "mark", part: one.id, mark, found: true, side: "" }])
                    }
                  />
                ))}
            </td>
            <td className="pr-3">
              {one.mark && (one.given || disabled) ? (
                <StampedMark text={one.given || one.mark} bare={!one.given} />
              ) : (
                one.mark && (
                  <button
                    type="button"
                    aria-label={`Marked ${one.mark}: ${one.name}`}
                    className="min-h-11 min-w-11"
                    {...stop(one, "marked")}
                    onClick={(event) => {
                      // On to the next: this cell is a mark once it has landed.
                      go(event.currentTarget, 1, 0);
                      tell.mutate([{ fact: "mark", part: one.id, mark: one.mark, found: false, side: "" }]);
                    }}
                  >
                    <StampedMark text={one.mark} bare />
                  </button>
                )
              )}
            </td>
            <td>
              {!one.lies && <span className="text-quiet">in its place</span>}
              {one.lies &&
                (disabled ? (
                  one.lies
                ) : (
                  <Typed
                    key={one.lies}
                    known={one.lies}
                    label={`Where ${one.name} lies`}
                    most={60}
                    {...stop(one, "lies")}
                    keep={(pocket) => tell.mutate([{ fact: "laying", part: one.id, pocket }])}
                  />
                ))}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

type Cell = "found" | "marked" | "lies";
const nameOf = (position: Position, cell: Cell) => `${position.id} ${cell}`;

interface TypedProps {
  known: string;
  label: string;
  most: number;
  keep: (text: string) => void;
  "data-cell": Cell;
  tabIndex: number;
  onFocus: () => void;
}

/** A cell that is typed in; leaving it keeps what is new, Escape puts back what was there. */
function Typed({ known, label, most, keep, onFocus, ...rest }: TypedProps) {
  const [typed, setTyped] = useState(known);
  return (
    <input
      {...rest}
      aria-label={label}
      maxLength={most}
      value={typed}
      className="h-11 w-full min-w-0 max-w-60 border-2 border-line bg-sheet px-2 focus:border-blue"
      onFocus={(event) => {
        event.target.select();
        onFocus();
      }}
      onChange={(event) => setTyped(event.target.value)}
      onKeyDown={(event) => {
        if (event.key === "Escape") setTyped(known);
      }}
      onBlur={() => {
        const text = typed.trim();
        if (text && text !== known) keep(text);
        else setTyped(known);
      }}
    />
  );
}

/** What of a part waits to be sent. */
function Coming({ id, facts }: { id: string; facts: Props["facts"] }) {
  const coming = [
    ...waitingOf(facts.facts, "mark")
      .filter((one) => one.part === id)
      .map((one) => `${one.found ? "found" : "marked"} ${one.mark}`),
    ...waitingOf(facts.facts, "laying")
      .filter((one) => one.part === id)
      .map((one) => `lies in ${one.pocket}`),
  ];
  if (coming.length === 0) return null;
  return (
    <span className="block text-[15px] font-normal">
      {coming.join("; ")} <Waits />
    </span>
  );
}
