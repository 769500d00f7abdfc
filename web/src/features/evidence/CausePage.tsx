import { useState } from "react";

import { momentText } from "../../shared/dates";
import { Button } from "../../shared/ui";
import { NextPanel } from "./CausePanel";
import { SayDialog, type Asked } from "./SayDialog";
import { EvidenceFrame, type Shown } from "./EvidenceFrame";
import type { CauseRow } from "./useEvidence";

const REST: readonly CauseRow["word"][] = ["unlikely", "ruled out", "not looked"];

/** The causes weighed: for, against, what each leaves unexplained; what a person makes of them; the gate. */
export function CausePage() {
  return <EvidenceFrame title="Cause">{(shown) => <Causes {...shown} />}</EvidenceFrame>;
}

function Causes({ bench, board, facts, closed, mayDecide }: Shown) {
  const [asked, setAsked] = useState<Asked | null>(null);
  const may = mayDecide && !closed;
  const standing = board.causes.filter((one) => one.stands);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_360px] gap-x-8 gap-y-4 max-[1099px]:grid-cols-1">
      <div>
        {standing.length === 0 && (
          <p className="mb-3 text-lg">
            No cause stands. Grade the bearings and take the looks; what is not looked at says nothing.
          </p>
        )}
        <ol>
          {standing.map((one, nth) => (
            <li key={one.key}>
              <Cause
                row={one}
                first={nth === 0}
                may={may}
                onSettle={() => setAsked({ stand: "settled on", cause: one.key, name: one.name })}
                onRemove={() => setAsked({ stand: "removed", cause: one.key, name: one.name })}
              />
            </li>
          ))}
        </ol>
        {board.unexplained.length > 0 && (
          <section className="mb-3 border-l-4 border-red bg-sheet px-4 py-2">
            <h2 className="text-xl font-semibold">Nothing explains</h2>
            <p>{board.unexplained.join("; ")}</p>
          </section>
        )}
        {REST.map((word) => {
          const rows = board.causes.filter((one) => one.word === word);
          return rows.length === 0 ? null : (
            <details key={word} className="border-t border-line">
              <summary className="min-h-11 cursor-pointer py-2 text-lg font-semibold">
                {word} <span className="figure font-normal text-quiet">{rows.length}</span>
                {word !== "not looked" && (
                  <span className="ml-2 font-normal">
                    {rows
                      .map((one) => one.name)
                      .slice(0, 5)
                      .join(", ")}
                  </span>
                )}
              </summary>
              <ul>
                {rows.map((one) => (
                  <li key={one.key} className="border-t border-line/60 py-1 leading-snug">
                    <strong className="font-semibold">{one.name}</strong>
                    {one.against.length > 0 && (
                      <span className="block">against: {one.against.join("; ")}</span>
                    )}
                    {one.speaks_for.length > 0 && (
                      <span className="block">for: {one.speaks_for.join("; ")}</span>
                    )}
                    <span className="block text-quiet">settled by: {one.settled}</span>
                  </li>
                ))}
              </ul>
            </details>
          );
        })}
      </div>
      <aside className="flex flex-col gap-3">
        <GatePart board={board} />
        <NextPanel jobId={bench.card.id} board={board} />
        {board.reminders.length > 0 && (
          <p className="border-l-4 border-line pl-3">
            Known for: {board.reminders.join("; ")}.{" "}
            <span className="text-quiet">A reminder to look, without weight.</span>
          </p>
        )}
        {may && (
          <div className="grid grid-cols-2 gap-2">
            <Button onClick={() => setAsked({ stand: "a cause of their own", cause: "", name: "" })}>
              Another cause
            </Button>
            <Button onClick={() => setAsked({ stand: "left open", cause: "", name: "" })}>
              Leave it open
            </Button>
          </div>
        )}
        {board.said.length > 0 && (
          <section aria-label="What people made of it">
            <h2 className="text-xl font-semibold">On record</h2>
            <ul>
              {board.said.map((one) => (
                <li key={one.fact} className="border-t border-line/60 py-1 leading-snug">
                  <strong>{one.by}</strong> {one.stand}
                  {one.name && ` ${one.name}`}: {one.reason}{" "}
                  <span className="text-quiet">{momentText(one.at)}</span>
                  {may && (
                    <Button
                      kind="quiet"
                      onClick={() => facts.tell.mutate([{ fact: "withdrawal", of: one.fact }])}
                    >
                      Take back
                    </Button>
                  )}
                </li>
              ))}
            </ul>
          </section>
        )}
        {board.remedies.map((one) => (
          <p key={one.id} className="border-t border-line/60 py-1 leading-snug">
            {one.done ? "Removed" : "To be removed"}:{" "}
            {board.causes.find((row) => row.key === one.cause)?.name ?? one.cause}, {one.words}
            {one.shop && `, by ${one.shop}, ${one.paper}`} ({one.by})
          </p>
        ))}
      </aside>
      {asked && <SayDialog asked={asked} facts={facts} onClose={() => setAsked(null)} />}
    </div>
  );
}

/** The gate: found by which proof, removed by what; open, it wants words at the signature. */
function GatePart({ board }: Pick<Shown, "board">) {
  const { gate } = board;
  if (!gate.asked) return null;
  const metal = gate.items.filter((item) => item.kind === "metal");
  return (
    <section
      aria-label="The gate"
      className={`border-2 bg-sheet px-4 py-3 ${gate.open ? "border-red" : "border-ink"}`}
    >
      <h2 className="text-xl font-semibold">{gate.open ? "The gate is shut" : "The gate is open"}</h2>
      {gate.items.length === 0 ? (
        <p>{gate.words}</p>
      ) : (
        <ul>
          {gate.items
            .filter((item) => !metal.includes(item))
            .map((item) => (
              <li key={item.key} className="border-b border-line/60 py-1 leading-snug">
                {item.words}
              </li>
            ))}
          {metal.length > 0 && (
            <li className="border-b border-line/60 py-1 leading-snug">
              Metal went through, and not washed, checked or renewed:{" "}
              {metal.map((item) => item.part).join(", ")}.
            </li>
          )}
        </ul>
      )}
      {gate.found.map((line) => (
        <p key={line} className="leading-snug">
          Found: {line}
        </p>
      ))}
      {gate.removed.map((line) => (
        <p key={line} className="leading-snug">
          Removed: {line}
        </p>
      ))}
      {gate.open && (
        <p className="mt-1 text-quiet">The sheet is signed only with words that answer for each.</p>
      )}
    </section>
  );
}

interface CauseProps {
  row: CauseRow;
  first: boolean;
  may: boolean;
  onSettle: () => void;
  onRemove: () => void;
}

function Cause({ row, first, may, onSettle, onRemove }: CauseProps) {
  return (
    <section
      aria-label={row.name}
      className={`mb-3 border-l-4 bg-sheet px-4 py-3 ${first ? "border-blue" : "border-line"}`}
    >
      <div className="flex items-baseline justify-between gap-3">
        <h2 className="text-2xl font-semibold">{row.name}</h2>
        <span className={`text-xl font-semibold ${first ? "text-blue" : ""}`}>{row.word}</span>
      </div>
      <dl className="grid grid-cols-[7.5rem_minmax(0,1fr)] gap-x-3 gap-y-1 leading-snug max-sm:grid-cols-1">
        <Line name="for" lines={row.speaks_for} />
        <Line name="against" lines={row.against} none="nothing looked at yet" />
        <Line name="makes" lines={row.makes} />
        <Line name="behind" lines={row.behind} />
        <Line name="leaves open" lines={row.unexplained} />
        <Line name="because" lines={row.because ? [`it stands higher because ${row.because}`] : []} />
        <Line name="settled by" lines={[row.settled]} />
      </dl>
      {row.question && <p className="text-quiet">A question for the customer, never a verdict.</p>}
      {may && (
        <div className="mt-1 flex flex-wrap">
          <Button kind="quiet" onClick={onSettle}>
            Settle on this
          </Button>
          {!row.harmless && (
            <Button kind="quiet" onClick={onRemove}>
              What removes it
            </Button>
          )}
        </div>
      )}
    </section>
  );
}

function Line({ name, lines, none = "" }: { name: string; lines: readonly string[]; none?: string }) {
  if (lines.length === 0 && !none) return null;
  return (
    <>
      <dt className="text-quiet">{name}</dt>
      <dd>{lines.length > 0 ? lines.join("; ") : none}</dd>
    </>
  );
}
