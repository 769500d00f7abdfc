import { useMutation } from "@tanstack/react-query";
import { useState } from "react";

import type { Schemas } from "../../api";
import { type Kind, newId, type Part } from "../../shared/job";
import { drop, type Fact, useReport, useWaiting, waitingOf, Waits } from "../../shared/queue";
import { PunchMark } from "../../shared/marks";
import { Button, Dialog, Faults } from "../../shared/ui";
import type { Desk } from "./useDesk";

interface Props {
  desk: Desk;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}

type Reported = Fact;
const now = (): string => new Date().toISOString();

/** Pieces of the kind in hand: brought in new or off the shelf, fitted, moved, taken out. Readings stay with the
 * piece. */
export function PiecesDialog({ desk, open, onOpenChange }: Props) {
  const { bench, kind, part } = desk;
  const report = useReport(bench.card.id);
  const all = bench.assessment.parts.filter((one) => one.kind === part.kind);
  const send = useMutation({
    mutationFn: async (facts: readonly Reported[]) => {
      for (const fact of facts) await report(fact);
    },
  });
  const { facts } = useWaiting(bench.card.id);
  const coming = waitingOf(facts, "piece");
  const moving = waitingOf(facts, "fitting");
  if (!kind) return null;
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      wide
      title={`${kind.name}s: what lies where`}
      note="A piece that is brought in is measured before it is fitted. What it replaces keeps its own readings."
    >
      <BringIn desk={desk} kind={kind} onSend={(facts) => send.mutate(facts)} />
      <Faults error={send.error} />
      <ul className="mt-3 grid grid-cols-2 gap-x-6 max-md:grid-cols-1">
        {coming.map((one) => (
          <li key={one.id} className="flex items-center justify-between gap-2 border-b border-line/60 py-1">
            <span>
              <span className="font-semibold">{one.part}</span>, brought in {one.new ? "new" : "used"}{" "}
              <Waits />
            </span>
            <Button kind="quiet" onClick={() => drop(one.id)}>
              Take back
            </Button>
          </li>
        ))}
        {all.map((one) => (
          <PieceLine
            key={one.id}
            piece={one}
            moving={moving.findLast((fact) => fact.piece === one.id)?.place}
            places={bench.places.find((place) => place.id === one.id)?.goes_in ?? []}
            name={(id) => bench.places.find((place) => place.id === id)?.short ?? id}
            signed={bench.card.signed}
            onMove={(place) =>
              send.mutate([{ fact: "fitting", id: newId(), piece: one.id, place, note: "", at: now() }])
            }
          />
        ))}
      </ul>
    </Dialog>
  );
}

interface LineProps {
  piece: Part;
  /** Where it was put, while that waits to be sent. */
  moving: string | undefined;
  places: readonly string[];
  name: (id: string) => string;
  signed: boolean;
  onMove: (place: string) => void;
}

function PieceLine({ piece, moving, places, name, signed, onMove }: LineProps) {
  return (
    <li className="flex items-center gap-2 border-b border-line/60 py-1">
      <PunchMark code={piece.mark.code} size={18} label={piece.mark.word} />
      <span className="w-28 font-semibold">{piece.short_name}</span>
      <label className="flex flex-1 items-center gap-1 text-[15px] text-quiet">
        lies as
        <select
          aria-label={`${piece.short_name} lies as`}
          className="h-10 min-w-0 flex-1 border-2 border-line bg-sheet px-1 text-ink"
          value={moving ?? piece.place}
          disabled={signed}
          onChange={(event) => onMove(event.target.value)}
        >
          <option value="">{piece.spare ? "spare, not fitted" : "taken out"}</option>
          {places.map((place) => (
            <option key={place} value={place}>
              {name(place)}
            </option>
          ))}
        </select>
        {moving !== undefined && <Waits />}
      </label>
    </li>
  );
}

interface BringInProps {
  desk: Desk;
  kind: Kind;
  onSend: (facts: readonly Reported[]) => void;
}

function BringIn({ desk, kind, onSend }: BringInProps) {
  const [isNew, setNew] = useState(true);
  const [note, setNote] = useState("");
  const rings = kind.kind === "ring";
  const cylinders = desk.bench.layout.cylinders;
  const [cylinder, setCylinder] = useState("");
  const bring = () => {
    const facts: Reported[] = (desk.bench.next_pieces[kind.kind] ?? []).flatMap((part) => {
      const piece: Schemas["BringingIn"] = {
        fact: "piece", id: newId(), part, kind: kind.kind, new: isNew, step: "", note, at: now(),
      }; // prettier-ignore
      if (!rings || !cylinder) return [piece];
      const place = `ring-${cylinder}.${part.split(".")[1] ?? ""}`;
      return [piece, { fact: "fitting", id: newId(), piece: part, place, note: "", at: now() } as const];
    });
    onSend(facts);
    setNote("");
  };
  return (
    <div className="flex flex-wrap items-end gap-3">
      <label className="block">
        <span className="block text-[15px] text-quiet">what</span>
        <select
          className="h-11 border-2 border-line bg-sheet px-2"
          value={isNew ? "new" : "used"}
          onChange={(event) => setNew(event.target.value === "new")}
        >
          <option value="new">new, goods in</option>
          <option value="used">used, off the shelf</option>
        </select>
      </label>
      {rings && (
        <label className="block">
          <span className="block text-[15px] text-quiet">fitted to cylinder</span>
          <select
            aria-label="fitted to cylinder"
            className="h-11 border-2 border-line bg-sheet px-2"
            value={cylinder}
            onChange={(event) => setCylinder(event.target.value)}
          >
            <option value="">none yet</option>
            {Array.from({ length: cylinders }, (_, n) => (
              <option key={n} value={String(n + 1)}>
                {n + 1}
              </option>
            ))}
          </select>
        </label>
      )}
      <label className="block flex-1">
        <span className="block text-[15px] text-quiet">part number, where from</span>
        <input
          className="h-11 w-full border-2 border-line bg-sheet px-2"
          value={note}
          maxLength={200}
          onChange={(event) => setNote(event.target.value)}
        />
      </label>
      <Button kind="strong" disabled={desk.bench.card.signed} onClick={bring}>
        {rings ? "Bring in a set of three" : `Bring in one ${kind.name.toLowerCase()}`}
      </Button>
    </div>
  );
}
