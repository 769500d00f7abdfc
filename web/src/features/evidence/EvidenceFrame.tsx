import type { ReactNode } from "react";
import { useOutletContext } from "react-router";

import { WaitingNotice, useFacts } from "../../shared/queue";
import type { Bench } from "../../shared/job";
import { Button, Faults, LinkButton, Page } from "../../shared/ui";
import { StopPages } from "../../shared/way";
import { useMay } from "../session";
import { type Board, useEvidence } from "./useEvidence";

const TABS = [
  ["", "Bearings and oil", (board: Board) => (board.to_grade ? `${board.to_grade} to grade` : "all graded")],
  ["/looks", "Looks", (board: Board) => `${board.looks.filter((one) => one.said.length > 0).length} taken`],
  ["/cause", "Cause", (board: Board) => causeLine(board)],
  ["/metal", "Metal", (board: Board) => metalLine(board)],
  [
    "/report",
    "Report",
    (board: Board) => (board.reports.length ? `${board.reports.length} sent` : "none sent"),
  ],
] as const;

function causeLine(board: Board): string {
  const leader = board.causes.find((one) => one.stands);
  return leader ? leader.word : "nothing yet";
}

function metalLine(board: Board): string {
  const open = board.contaminated.filter((one) => one.open).length;
  return open ? `${open} open` : "none open";
}

export interface Shown {
  bench: Bench;
  board: Board;
  facts: ReturnType<typeof useFacts>;
  /** Nothing can be written down any more. */
  closed: boolean;
  mayDecide: boolean;
}

interface Props {
  title: string;
  children: (shown: Shown) => ReactNode;
}

/** What the views of the evidence have in common: their tabs, what contradicts itself, and what waits to be sent. */
export function EvidenceFrame({ title, children }: Props) {
  const bench = useOutletContext<Bench>();
  const jobId = bench.card.id;
  const evidence = useEvidence(jobId);
  const facts = useFacts(jobId);
  const may = useMay();
  const board = evidence.data;
  if (!bench.card.identified) {
    return (
      <Page untitled title={title}>
        <p className="mb-3 text-lg">The map follows the engine. Say at the door which engine it is.</p>
        <LinkButton to={`/jobs/${jobId}/door`} kind="strong">
          To the door
        </LinkButton>
      </Page>
    );
  }
  const closed = bench.card.signed || bench.card.stage === "handed over";
  return (
    <main id="main" className="mx-auto max-w-[1280px] px-7 pb-3 pt-1 max-md:px-3">
      <h1 className="sr-only">{title}</h1>
      <StopPages
        name="Evidence"
        pages={TABS.map(([end, name, line]) => ({
          to: `/jobs/${jobId}/evidence${end}`,
          name,
          count: board ? line(board) : "",
        }))}
      />
      <WaitingNotice waiting={facts} />
      <Faults error={facts.tell.error ?? evidence.error} />
      {evidence.isError && <Button onClick={() => void evidence.refetch()}>Try again</Button>}
      {board && <Contradictions found={board.contradictions.map((one) => one.text)} />}
      {board && children({ bench, board, facts, closed, mayDecide: may("decide and sign") })}
    </main>
  );
}

/** What contradicts itself: the first in full, the rest one press away. */
function Contradictions({ found }: { found: readonly string[] }) {
  const [first, ...rest] = found;
  if (first === undefined) return null;
  return (
    <section aria-label="What contradicts itself" className="mb-2 border-l-4 border-red bg-sheet px-3 py-1">
      {rest.length === 0 ? (
        <p>{first}</p>
      ) : (
        <details>
          <summary className="min-h-8 cursor-pointer">
            {first} <span className="font-semibold text-blue">and {rest.length} more</span>
          </summary>
          <ul>
            {rest.map((text) => (
              <li key={text} className="border-t border-line/60 py-1">
                {text}
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}
