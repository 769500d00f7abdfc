import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { Outlet, useLocation, useParams } from "react-router";

import { stringOf } from "../api";
import { PlaceDialog } from "../features/place";
import { PersonMenu, SignInAgain } from "../features/session";
import { isBeside, QueueLine } from "../shared/queue";
import { type Bench, useAskedPart, useBench, useKinds } from "../shared/job";
import { Name } from "../shared/Name";
import { Way } from "../shared/way";
import { Button, LinkButton, Notice } from "../shared/ui";
import { useTitle } from "../shared/useTitle";
import { useUndo } from "./useUndo";
import { Waiting } from "./Waiting";

/** What the views of a job are called, by where each is. */
const VIEWS: Readonly<Record<string, string>> = {
  door: "At the door",
  looks: "Looks",
  strip: "Strip",
  evidence: "Evidence",
  "": "Bench",
  sheet: "Decision sheet",
  leave: "Before it leaves",
  story: "Story",
};

/** The head line of a job: which engine, how far, who is at the bench. */
export function JobFrame() {
  const jobId = Number(useParams().jobId);
  const bench = useBench(jobId);
  const kinds = useKinds();
  const asked = useAskedPart();
  const queries = useQueryClient();
  const undoing = useUndo(jobId);
  const told = bench.data?.beside_readings;
  const pictures = bench.data?.pictures;
  // Something landed, here or at another bench: what is asked for beside the bench may be other now. What is asked for
  // already is not asked for again.
  useEffect(() => {
    const beside = (key: readonly unknown[]) => isBeside(key, jobId) && key[2] !== "pictures";
    void queries.invalidateQueries(
      { predicate: ({ queryKey }) => beside(queryKey) },
      { cancelRefetch: false },
    );
  }, [queries, jobId, told]);
  useEffect(() => {
    void queries.invalidateQueries({ queryKey: ["bench", jobId, "pictures"] }, { cancelRefetch: false });
  }, [queries, jobId, pictures]);
  const end = useLocation().pathname.split("/")[3] ?? "";
  const view = VIEWS[end] ?? "Bench";
  useTitle(bench.data ? `${bench.data.card.number} ${bench.data.card.title}, ${view}` : view);
  return (
    <>
      <header className="flex min-h-[62px] items-center justify-between gap-x-4 border-b-2 border-line px-7 max-xl:px-4 max-[1023px]:flex-wrap max-[1023px]:py-1 max-md:px-3">
        <div className="flex min-w-0 flex-1 items-center gap-5 max-xl:gap-3 max-sm:contents">
          <Name />
          {bench.data && <Title bench={bench.data} />}
        </div>
        {bench.data && (
          <div className="max-[1023px]:order-last max-[1023px]:basis-full">
            <Way jobId={jobId} stage={bench.data.card.stage} page={end} />
          </div>
        )}
        <div className="flex shrink-0 items-center gap-2">
          <PersonMenu
            own={[
              { words: "Take back my last", keys: "Alt+Z", onSelect: undoing.back },
              { words: "Bring it again", keys: "Alt+Shift+Z", onSelect: undoing.again },
            ]}
          />
        </div>
      </header>
      {bench.isPending && <Waiting />}
      {bench.isError && !bench.data && (
        <main className="mx-auto max-w-xl p-10">
          <Notice tone="wrong">{stringOf(bench.error)}</Notice>
          <div className="mt-4">
            <LinkButton to="/" kind="strong">
              To the rack
            </LinkButton>
          </div>
        </main>
      )}
      <QueueLine signIn={<SignInAgain />} jobId={jobId} />
      {undoing.said && (
        <div className="px-7 pt-2 max-md:px-3">
          <Notice tone={undoing.said.wrong ? "wrong" : "plain"}>
            {undoing.said.words}{" "}
            {undoing.said.again && (
              <Button kind="quiet" className="!px-0" onClick={undoing.again}>
                Bring it again <kbd className="figure text-sm">Alt+Shift+Z</kbd>
              </Button>
            )}{" "}
            <Button kind="quiet" className="!px-0" onClick={undoing.seen}>
              Seen
            </Button>
          </Notice>
        </div>
      )}
      {bench.data && kinds.length > 0 && <Outlet context={bench.data} key={`${jobId} ${asked?.at ?? ""}`} />}
      {bench.data && <PlaceDialog jobId={jobId} disabled={bench.data.card.archived} />}
    </>
  );
}

function Title({ bench }: { bench: Bench }) {
  const { card } = bench;
  const limits = card.identified ? [`limits revision ${card.limits_revision}`] : [];
  const state = card.identified && card.limits_state !== "confirmed" ? [card.limits_state] : [];
  const engine = [card.engine, ...limits, ...state].join(", ");
  return (
    <div className="flex min-w-0 flex-1 items-center gap-3 max-sm:order-1 max-sm:basis-full">
      <span
        className="figure max-w-36 shrink-0 truncate text-2xl font-bold text-blue"
        title={bench.card.number}
      >
        {bench.card.number}
      </span>
      <div className="min-w-[200px] max-sm:min-w-0 flex-1 leading-tight">
        <h1 className="truncate text-lg font-semibold" title={bench.card.title}>
          {bench.card.title}
        </h1>
        <p className="truncate text-quiet" title={engine}>
          {engine}
        </p>
      </div>
    </div>
  );
}
