import { useMutation } from "@tanstack/react-query";

import { type Schemas, stringOf } from "../../api";
import { newId } from "../../shared/job";
import { useReport, useWaiting, waitingOf, Waits } from "../../shared/queue";
import { Button, Notice } from "../../shared/ui";
import type { Desk } from "./useDesk";

type Doubt = Schemas["DoubtShown"];

/** The question that stands open on the part in hand: the one at the spot in hand first. */
export function openDoubt(desk: Desk): Doubt | null {
  const all = desk.part.features.flatMap((one) => [...one.spots, ...one.outside]);
  const asked = [...desk.spots, ...all].filter((spot) => spot.doubt !== null);
  const here = asked.find((spot) => spot.name === desk.spot) ?? asked.find((spot) => spot.doubt?.holds);
  return (here ?? asked[0])?.doubt ?? null;
}

/** Taking what a reading was meant to be, or keeping what was read. */
export function useSlipAnswer(desk: Desk) {
  const report = useReport(desk.bench.card.id);
  return useMutation({
    mutationFn: ({ doubt, taken }: { doubt: Doubt; taken: number | null }) =>
      report({ fact: "slip answer", id: newId(), reading: doubt.reading, taken_nm: taken }),
  });
}

interface Props {
  desk: Desk;
  doubt: Doubt;
  answer: ReturnType<typeof useSlipAnswer>;
}

/** "Did you mean": quiet, beside the readings, with one key to take and one to keep. */
export function SlipPanel({ desk, doubt, answer }: Props) {
  const all = desk.part.features.flatMap((one) => one.spots);
  const spot = all.find((one) => one.current?.id === doubt.reading);
  const read = spot?.current?.read || spot?.current?.size.text;
  const signed = desk.bench.card.signed;
  const given = waitingOf(useWaiting(desk.bench.card.id).facts, "slip answer").find(
    (one) => one.reading === doubt.reading,
  );
  if (given) {
    const meant = doubt.offers.find((offer) => offer.meant.nm === given.taken_nm);
    return (
      <section aria-label="Did you mean" className="border-l-4 border-blue bg-sheet p-2" aria-live="polite">
        <span className="figure">{doubt.spot}</span> {meant ? meant.words : `kept as read, ${read ?? ""}`}{" "}
        <Waits />
      </section>
    );
  }
  return (
    <section aria-label="Did you mean" className="border-l-4 border-blue bg-sheet p-2" aria-live="polite">
      <p className="text-[16px] font-semibold leading-tight">
        <span className="figure">{doubt.throughout ? "All" : doubt.spot}</span> {doubt.question}
      </p>
      <div className="mt-1 flex flex-col gap-1">
        {doubt.offers.map((offer, n) => (
          <Button
            key={offer.meant.nm}
            kind={n === 0 ? "strong" : "plain"}
            className="!min-h-10 !justify-start !px-2 text-left text-[15px] !leading-tight"
            disabled={signed || answer.isPending}
            onClick={() => answer.mutate({ doubt, taken: offer.meant.nm })}
          >
            <kbd className="figure text-sm">{n === 0 ? "F2" : "F8"}</kbd> {offer.words}
            {doubt.throughout && ", all of it"}
          </Button>
        ))}
        <Button
          className="!min-h-10 !justify-start !px-2 text-[15px]"
          disabled={signed || answer.isPending}
          onClick={() => answer.mutate({ doubt, taken: null })}
        >
          <kbd className="figure text-sm">F4</kbd> Keep <span className="figure">{read}</span>
        </Button>
      </div>
      {doubt.holds && <p className="mt-1 text-sm text-quiet">It is not judged until it is answered.</p>}
      {answer.error && <Notice tone="wrong">{stringOf(answer.error)}</Notice>}
    </section>
  );
}
