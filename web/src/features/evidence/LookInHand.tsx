import { useEffect, useState } from "react";

import type { Schemas } from "../../api";
import { momentText } from "../../shared/dates";
import { seenAs } from "../../shared/job";
import { PictureStrip } from "../../shared/pictures";
import { drop, waitingOf, Waits } from "../../shared/queue";
import { Button, Chip, Choice, Dialog, Field } from "../../shared/ui";
import { DebrisAsked } from "./DebrisAsked";
import type { Shown } from "./EvidenceFrame";
import { isTyping } from "../../shared/keys";
import type { BoardLook } from "./useEvidence";

interface Props {
  jobId: number;
  look: BoardLook;
  next: Schemas["NextLook"] | undefined;
  place: string;
  onPlace: (place: string) => void;
  facts: Shown["facts"];
  disabled: boolean;
  mayDecide: boolean;
  mistrusts: readonly Schemas["Mistrust"][];
  debris: Schemas["AskedOfDebris"];
}

/** The look in hand: how it is taken, its answers by one key, what was said of it, and by whom. */
export function LookInHand({
  jobId,
  look,
  next,
  place,
  onPlace,
  facts,
  disabled,
  mayDecide,
  mistrusts,
  debris,
}: Props) {
  const [cleaned, setCleaned] = useState(look.gone);
  const [doubted, setDoubted] = useState("");
  const waiting = waitingOf(facts.facts, "seen").filter((one) => one.look === look.key);
  const asked = look.said.filter((one) => look.of_debris.includes(one.answer) && !one.mistrusted);
  const here = look.said.filter((one) => look.places.length < 2 || one.on === place);
  const answer = (text: string) => {
    if (disabled || !place) return;
    facts.tell.mutate([seenAs(place, look.key, text, { cleaned })]);
  };
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const text = isTyping(event) ? undefined : look.answers[Number(event.key) - 1];
      if (text) answer(text);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
  return (
    <section aria-label="The look in hand" className="border-2 border-ink bg-sheet p-4">
      <h2 className="text-2xl font-semibold leading-tight">{look.name}</h2>
      <p className="text-lg">
        {look.how} <span className="text-quiet">{look.minutes} min.</span>
      </p>
      {next && <p className="font-semibold text-blue">{next.why}</p>}
      {look.lost && !look.gone && <p className="font-semibold">Before: {look.lost}. It goes with it.</p>}
      {look.gone && <p className="text-quiet">It was washed: what is seen now counts less.</p>}
      {look.at_bench ? (
        <p className="mt-2 text-lg">
          Its answer comes from what is read at the bench, or graded on the map. Nothing is to be pressed
          here.
        </p>
      ) : look.measured ? (
        <p className="mt-2 text-lg">Its heights are kept bore by bore, under “Deposit line”.</p>
      ) : (
        <>
          {look.places.length > 1 && (
            <div className="mt-2 max-w-xs">
              <Choice
                label="On which"
                value={place}
                options={look.places.map((one) => ({ value: one.id, label: one.name }))}
                onChange={onPlace}
              />
            </div>
          )}
          <div role="group" aria-label="What it shows" className="mt-3 flex flex-wrap gap-1.5">
            {look.answers.map((text, nth) => (
              <Chip
                key={text}
                {...(nth < 9 ? { letter: String(nth + 1) } : {})}
                chosen={
                  here.some((one) => one.answer === text && !one.mistrusted) ||
                  waiting.some((one) => one.answer === text && (look.places.length < 2 || one.on === place))
                }
                disabled={disabled}
                onClick={() => answer(text)}
              >
                {text}
              </Chip>
            ))}
          </div>
          {asked.map((one) => (
            <DebrisAsked
              key={one.fact}
              answer={one.answer}
              said={one.debris}
              asked={debris}
              disabled={disabled}
              onSay={(like) =>
                facts.tell.mutate([seenAs(one.on, look.key, one.answer, { cleaned, debris: like })])
              }
            />
          ))}
          <label className="mt-1 flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={cleaned}
              onChange={() => setCleaned(!cleaned)}
            />
            It was clean already: kept, and counts less
          </label>
          <PictureStrip jobId={jobId} on={`look:${look.key}`} name={look.name} disabled={disabled} />
        </>
      )}
      {look.said.length + waiting.length > 0 && (
        <ul aria-label="What was said" className="mt-3 border-t border-line">
          {waiting.map((one) => (
            <li
              key={one.id}
              className="flex items-center justify-between gap-x-3 border-b border-line/60 py-1"
            >
              <span>
                {look.places.length > 1 && (
                  <strong>{look.places.find((other) => other.id === one.on)?.name ?? one.on}: </strong>
                )}
                {one.answer} <Waits />
              </span>
              <Button kind="quiet" onClick={() => drop(one.id)}>
                Take back
              </Button>
            </li>
          ))}
          {look.said.map((one) => (
            <li
              key={one.fact}
              className="flex flex-wrap items-center justify-between gap-x-3 border-b border-line/60 py-1"
            >
              <span className={one.mistrusted ? "line-through" : ""}>
                {one.place && <strong>{one.place}: </strong>}
                {one.answer}
                {one.described && `: ${one.described}`}
                <span className="text-quiet">
                  , {one.by}, {momentText(one.at)}
                  {one.weak && ", after cleaning"}
                </span>
              </span>
              {one.mistrusted && (
                <span>mistrusted: {mistrusts.find((other) => other.of === one.fact)?.reason}</span>
              )}
              {!disabled && (
                <span className="flex">
                  <Button
                    kind="quiet"
                    onClick={() => facts.tell.mutate([{ fact: "withdrawal", of: one.fact }])}
                  >
                    Take back
                  </Button>
                  {mayDecide && !one.mistrusted && (
                    <Button kind="quiet" onClick={() => setDoubted(one.fact)}>
                      Mistrust it
                    </Button>
                  )}
                </span>
              )}
            </li>
          ))}
        </ul>
      )}
      <MistrustDialog of={doubted} facts={facts} onClose={() => setDoubted("")} />
    </section>
  );
}

function MistrustDialog({ of, facts, onClose }: { of: string; facts: Shown["facts"]; onClose: () => void }) {
  const [reason, setReason] = useState("");
  return (
    <Dialog
      open={of !== ""}
      onOpenChange={(open) => !open && onClose()}
      title="Mistrust this look"
      note="It proves nothing and rules nothing out until that is taken back. It stays on record."
    >
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          facts.tell.mutate([{ fact: "mistrust", of, reason: reason.trim() }], { onSuccess: onClose });
        }}
      >
        <Field
          label="Why"
          hint="The screen had been swapped before it came."
          value={reason}
          maxLength={200}
          onChange={(event) => setReason(event.target.value)}
        />
        <Button kind="strong" type="submit" disabled={!reason.trim()}>
          Mistrust it
        </Button>
      </form>
    </Dialog>
  );
}
