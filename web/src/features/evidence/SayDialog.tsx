import { useState } from "react";

import type { Schemas } from "../../api";
import { Button, Chip, Dialog, Field } from "../../shared/ui";
import type { Shown } from "./EvidenceFrame";

export interface Asked {
  stand: "settled on" | "a cause of their own" | "left open" | "removed";
  cause: string;
  name: string;
}

type How = Schemas["RemedyHow"];
const HOWS: readonly How[] = ["an operation", "a new part", "work done elsewhere", "a check"];
const WHAT: Record<How, string> = {
  "an operation": "Which operation",
  "a new part": "Which part",
  "work done elsewhere": "What was done",
  "a check": "Which check, and what it came to",
};
const HINTS: Record<How, string> = {
  "an operation": "galleries brushed, plugs out",
  "a new part": "pickup with its seal",
  "work done elsewhere": "nozzles tested and set",
  "a check": "rods hard, whole and to size",
};

const TITLES: Record<Asked["stand"], string> = {
  "settled on": "Settle on this cause",
  "a cause of their own": "Another cause",
  "left open": "Leave the cause open",
  removed: "What removes the cause",
};

/** What a person makes of a cause, or what removes it: with a reason, and on record. */
export function SayDialog({
  asked,
  facts,
  onClose,
}: {
  asked: Asked;
  facts: Shown["facts"];
  onClose: () => void;
}) {
  const [words, setWords] = useState("");
  const [reason, setReason] = useState("");
  const [how, setHow] = useState<How>("an operation");
  const [shop, setShop] = useState("");
  const [paper, setPaper] = useState("");
  const [done, setDone] = useState(true);
  const own = asked.stand === "a cause of their own";
  const removed = asked.stand === "removed";
  const elsewhere = removed && how === "work done elsewhere";
  const whose = elsewhere ? { shop: shop.trim(), paper: paper.trim() } : { shop: "", paper: "" };
  const said = reason.trim() && (!own || words.trim()) && (!elsewhere || (whose.shop && whose.paper));
  const keep = () => {
    const { stand } = asked;
    facts.tell.mutate(
      [
        stand === "removed"
          ? { fact: "remedy", cause: asked.cause, words: reason.trim(), how, done, ...whose }
          : { fact: "cause", stand, cause: asked.cause, words: words.trim(), reason: reason.trim() },
      ],
      { onSuccess: onClose },
    );
  };
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={TITLES[asked.stand]}
      {...(asked.name ? { note: asked.name } : {})}
    >
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        {own && (
          <Field
            label="What it was"
            value={words}
            maxLength={200}
            onChange={(event) => setWords(event.target.value)}
          />
        )}
        {removed && (
          <div role="group" aria-label="By what" className="flex flex-wrap gap-1.5">
            {HOWS.map((one) => (
              <Chip key={one} chosen={how === one} onClick={() => setHow(one)}>
                {one}
              </Chip>
            ))}
          </div>
        )}
        <Field
          label={removed ? WHAT[how] : "Why"}
          hint={removed ? HINTS[how] : "what decides it for you"}
          value={reason}
          maxLength={200}
          onChange={(event) => setReason(event.target.value)}
        />
        {elsewhere && (
          <>
            <Field
              label="By whom"
              value={shop}
              maxLength={200}
              onChange={(event) => setShop(event.target.value)}
            />
            <Field
              label="On what paper"
              hint="invoice 4411, their test sheet"
              value={paper}
              maxLength={200}
              onChange={(event) => setPaper(event.target.value)}
            />
          </>
        )}
        {removed && (
          <label className="flex min-h-11 items-center gap-2">
            <input type="checkbox" className="size-5" checked={done} onChange={() => setDone(!done)} />
            It is done. It counts from then on.
          </label>
        )}
        <Button kind="strong" type="submit" disabled={!said}>
          Keep it
        </Button>
      </form>
    </Dialog>
  );
}
