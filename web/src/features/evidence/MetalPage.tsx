import { useState } from "react";

import type { Schemas } from "../../api";
import { Button, Dialog, Field } from "../../shared/ui";
import { EvidenceFrame, type Shown } from "./EvidenceFrame";

/** What metal went through: each to wash, renew or check; and parts that carry it into another engine. */
export function MetalPage() {
  return <EvidenceFrame title="What metal went through">{(shown) => <Metal {...shown} />}</EvidenceFrame>;
}

function Metal({ board, facts, closed }: Shown) {
  const [moving, setMoving] = useState(false);
  const open = board.contaminated.filter((one) => one.open).length;
  return (
    <div>
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h2 className="text-2xl font-semibold">
            {board.metal.length > 0
              ? `Metal of ${board.metal.join(", ")} went round`
              : "No metal is known to have gone round"}
          </h2>
          {board.contaminated.length > 0 && (
            <p className="text-quiet">
              {open} of {board.contaminated.length} not dealt with. What metal went through sheds it into the
              next engine.
            </p>
          )}
        </div>
        <Button onClick={() => setMoving(true)}>A used part leaves or came</Button>
      </div>
      <ul className="mt-3 border-t-2 border-line">
        {board.contaminated.map((one) => (
          <Item key={one.key} item={one} facts={facts} disabled={closed} />
        ))}
      </ul>
      {board.carried.length > 0 && (
        <section aria-label="Parts between engines" className="mt-4">
          <h2 className="text-xl font-semibold">Parts between engines</h2>
          <ul>
            {board.carried.map((one) => (
              <li key={one.id} className="border-b border-line/60 py-1">
                {one.what} {one.out ? "left for" : "came out of"} job{" "}
                <strong className="figure">{one.other}</strong>
                {one.with_metal ? (
                  <strong className="text-red">, with {one.with_metal}</strong>
                ) : (
                  ", nothing known against it"
                )}{" "}
                <span className="text-quiet">({one.by})</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <ul className="mt-4 text-[15px] text-quiet">
        {board.cautions.map((caution) => (
          <li key={caution.work}>
            <strong className="text-ink">{caution.work}.</strong> {caution.say} {caution.defer_to}
          </li>
        ))}
      </ul>
      <CarryDialog
        open={moving}
        facts={facts}
        onClose={() => setMoving(false)}
        names={board.contaminated.map((one) => one.name)}
      />
    </div>
  );
}

interface ItemProps {
  item: Schemas["Contaminated"];
  facts: Shown["facts"];
  disabled: boolean;
}

function Item({ item, facts, disabled }: ItemProps) {
  return (
    <li className="grid grid-cols-[13rem_minmax(0,1fr)_auto] items-center gap-x-4 gap-y-1 border-b border-line/60 py-2 max-md:grid-cols-1">
      <p className="text-lg font-semibold leading-tight">
        <span
          aria-hidden
          className={`mr-2 inline-block size-3 border-2 border-ink ${item.open ? "" : "bg-ink"}`}
        />
        {item.name}
        {item.from_job && (
          <span className="block text-[15px] font-normal">
            out of {/^\d+$/.test(item.from_job) ? `job ${item.from_job}` : item.from_job}
          </span>
        )}
      </p>
      <p className="leading-snug">
        {item.operation}. {item.danger && <strong className="text-red">{item.danger}</strong>}
        {item.done && <span className="block text-quiet">{item.done}</span>}
      </p>
      <div className="flex flex-wrap gap-1">
        {item.open
          ? item.settled_by.map((how) => (
              <Button
                key={how}
                disabled={disabled}
                aria-label={`${item.name}: ${how}`}
                onClick={() => facts.tell.mutate([{ fact: "dealt", item: item.key, how, words: "" }])}
              >
                {how}
              </Button>
            ))
          : !disabled && (
              <Button kind="quiet" onClick={() => facts.tell.mutate([{ fact: "withdrawal", of: item.fact }])}>
                Take back
              </Button>
            )}
      </div>
    </li>
  );
}

interface CarryProps {
  open: boolean;
  facts: Shown["facts"];
  names: readonly string[];
  onClose: () => void;
}

/** A used part that goes to another job, or came from elsewhere: its flag goes along. */
function CarryDialog({ open, facts, names, onClose }: CarryProps) {
  const [out, setOut] = useState(true);
  const [what, setWhat] = useState("");
  const [other, setOther] = useState("");
  const [metal, setMetal] = useState("");
  const keep = () => {
    facts.tell.mutate(
      [
        {
          fact: "carried part",
          what: what.trim(),
          out,
          other: other.trim(),
          with_metal: out ? "" : metal.trim(),
        },
      ],
      { onSuccess: onClose },
    );
  };
  return (
    <Dialog
      open={open}
      onOpenChange={(now) => !now && onClose()}
      title="A used part between engines"
      note="What metal went through takes that along: the other job says so until it is washed or renewed there."
    >
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <div role="group" aria-label="Which way" className="grid grid-cols-2 gap-2">
          <Button kind={out ? "strong" : "plain"} aria-pressed={out} onClick={() => setOut(true)}>
            It leaves
          </Button>
          <Button kind={out ? "plain" : "strong"} aria-pressed={!out} onClick={() => setOut(false)}>
            It came
          </Button>
        </div>
        <Field
          label="Which part"
          list="metal-parts"
          value={what}
          maxLength={200}
          onChange={(event) => setWhat(event.target.value)}
        />
        <datalist id="metal-parts">
          {names.map((name) => (
            <option key={name} value={name} />
          ))}
        </datalist>
        <Field
          label={out ? "For which job" : "Out of which engine"}
          hint={out ? "its number" : "job, or in words"}
          value={other}
          maxLength={60}
          onChange={(event) => setOther(event.target.value)}
        />
        {!out && (
          <Field
            label="What went through it"
            hint="bearing metal; empty where nothing is known"
            value={metal}
            maxLength={200}
            onChange={(event) => setMetal(event.target.value)}
          />
        )}
        <Button kind="strong" type="submit" disabled={!what.trim() || !other.trim()}>
          Write it down
        </Button>
      </form>
    </Dialog>
  );
}
