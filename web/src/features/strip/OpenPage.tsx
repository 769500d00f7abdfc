import { useState } from "react";
import { useOutletContext } from "react-router";

import type { Schemas } from "../../api";
import { useStripReport } from "../../shared/door";
import { drop, useFacts, waitingOf, WaitingNotice, Waits } from "../../shared/queue";
import type { Bench } from "../../shared/job";
import { Button, Faults, LinkButton, Page } from "../../shared/ui";
import { AddOpen } from "./AddOpen";
import { FastenerTable } from "./FastenerTable";
import { StripTabs } from "./StripTabs";

type End = Schemas["OpenEnd"];

/** What stands open until the engine leaves, the fasteners by place, and the hand-over. */
export function OpenPage() {
  const bench = useOutletContext<Bench>();
  const jobId = bench.card.id;
  const strip = useStripReport(jobId);
  const facts = useFacts(jobId);
  const report = strip.data;
  const coming = [
    ...waitingOf(facts.facts, "removal").map(({ id, what, place }) => ({ id, words: `${what}, ${place}` })),
    ...waitingOf(facts.facts, "fragment").map(({ id, what, place }) => ({ id, words: `${what}, ${place}` })),
    ...waitingOf(facts.facts, "fastener").map(({ id, place, state }) => ({
      id,
      words: `${place}: ${state}`,
    })),
  ];
  const closing = new Set(waitingOf(facts.facts, "closing").map((one) => one.of));
  const left = bench.card.stage === "handed over";
  const open = report?.ends.filter((end) => !end.closed) ?? [];
  const closed = report?.ends.filter((end) => end.closed) ?? [];
  return (
    <Page untitled title="Fasteners and removed parts" pages={<StripTabs jobId={jobId} />}>
      <WaitingNotice waiting={facts} />
      <Faults error={facts.tell.error ?? strip.error} />
      {report && (
        <div className="grid grid-cols-[minmax(0,6fr)_minmax(0,5fr)] gap-x-8 gap-y-5 max-[979px]:grid-cols-1">
          <section aria-label="Stands open">
            <div className="mb-2 flex flex-wrap items-center justify-between gap-2">
              <h2 className="text-2xl font-semibold">
                {open.length === 0 ? "Nothing stands open" : `${open.length} stand open before it leaves`}
              </h2>
              {report.handed_over ? (
                <strong>Handed over to {report.handed_over.to}</strong>
              ) : (
                <LinkButton to={`/jobs/${jobId}/leave`}>To the hand-over</LinkButton>
              )}
            </div>
            <ul>
              {open.map((end) => (
                <EndLine key={end.id} end={end} closing={closing.has(end.id)} disabled={left} facts={facts} />
              ))}
              {coming.map((one) => (
                <li key={one.id} className="flex items-center gap-2 border-b border-line py-2 text-lg">
                  {one.words} <Waits />
                  <Button kind="quiet" onClick={() => drop(one.id)}>
                    Take back
                  </Button>
                </li>
              ))}
            </ul>
            {closed.length > 0 && (
              <details className="mt-3">
                <summary className="min-h-11 cursor-pointer font-semibold">{closed.length} closed</summary>
                <ul>
                  {closed.map((end) => (
                    <li key={end.id} className="border-b border-line/60 py-1">
                      {end.what}, {end.place}: <strong>{end.closed}</strong>
                      {end.words && `, ${end.words}`} <span className="text-quiet">{end.closed_by}</span>
                    </li>
                  ))}
                </ul>
              </details>
            )}
            {report.keep_shells && !left && (
              <p className="mt-3 text-[15px] text-quiet">
                House rule: old half bearings stay in their bags until the engine is handed over.
              </p>
            )}
          </section>
          <div className="flex flex-col gap-5">
            {!left && <AddOpen gauges={bench.gauges} facts={facts} signed={bench.card.signed} />}
            <FastenerTable
              fasteners={report.fasteners}
              onTakeBack={
                bench.card.signed || left
                  ? undefined
                  : (of) => facts.tell.mutate([{ fact: "withdrawal", of }])
              }
            />
          </div>
        </div>
      )}
    </Page>
  );
}

interface EndProps {
  end: End;
  /** How it was closed has not landed yet. */
  closing: boolean;
  disabled: boolean;
  facts: ReturnType<typeof useFacts>;
}

function EndLine({ end, closing, disabled, facts }: EndProps) {
  const [words, setWords] = useState("");
  return (
    <li aria-label={`${end.what}, ${end.place}`} className="border-b border-line py-2">
      <p className="text-lg leading-tight">
        <span className="text-[15px] text-quiet">{end.kind}</span>
        <span className="block">
          <strong>{end.what}</strong>, {end.place}
          {end.why && `: ${end.why}`}
          {closing && <Waits />}
          {!end.bars && <span className="text-quiet">; does not bar the hand-over</span>}
        </span>
      </p>
      {!disabled && (
        <div className="mt-1 flex flex-wrap gap-1.5">
          <input
            className="h-11 min-w-0 flex-[1_1_9rem] border-2 border-line bg-sheet px-2 focus:border-blue"
            aria-label={`Words for ${end.what}`}
            placeholder={end.kind === "fragment" ? "where it came from" : "words, where wanted"}
            maxLength={300}
            value={words}
            onChange={(event) => setWords(event.target.value)}
          />
          {end.may_close.map((how) => (
            <Button
              key={how}
              className="!px-3"
              disabled={(how === "known where it came from" || how === "goes along loose") && !words.trim()}
              onClick={() => facts.tell.mutate([{ fact: "closing", of: end.id, how, words: words.trim() }])}
            >
              {how}
            </Button>
          ))}
        </div>
      )}
    </li>
  );
}
