import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { NavLink, Outlet, useLocation, useParams } from "react-router";

import { stringOf } from "../api";
import { PlaceDialog } from "../features/place";
import { PersonMenu, SignInAgain } from "../features/session";
import { isBeside, QueueLine } from "../shared/queue";
import { type Bench, useAskedPart, useBench, useKinds } from "../shared/job";
import { Name } from "../shared/Name";
import { StageRule } from "../shared/StageRule";
import { Button, LinkButton, Notice } from "../shared/ui";
import { useTitle } from "../shared/useTitle";
import { useUndo } from "./useUndo";
import { Waiting } from "./Waiting";

/** The views of a job in the order of the work: where each is, what its tab says, and what it is called. */
const TABS = [
  ["/door", "Door", "At the door"],
  ["/looks", "Looks", "Looks"],
  ["/strip", "Strip", "Strip"],
  ["/evidence", "Evidence", "Evidence"],
  ["", "Bench", "Bench"],
  ["/sheet", "Sheet", "Decision sheet"],
  ["/story", "Story", "Story"],
] as const;

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
  const end = useLocation().pathname.split("/")[3];
  const view = TABS.find(([path]) => path === (end ? `/${end}` : ""))?.[2] ?? "Bench";
  useTitle(bench.data ? `${bench.data.card.number} ${bench.data.card.title}, ${view}` : view);
  return (
    <>
      <header className="flex h-[62px] items-center justify-between gap-4 border-b-2 border-line px-7 max-md:h-auto max-md:flex-wrap max-md:gap-y-0 max-md:px-3 max-md:py-2">
        <div className="flex min-w-0 items-center gap-5">
          <Name />
          {bench.data && <Title bench={bench.data} />}
        </div>
        {bench.data && (
          <div className="max-[1199px]:hidden">
            <StageRule stage={bench.data.card.stage} />
          </div>
        )}
        <div className="flex items-center gap-2">
          <nav aria-label="Job" className="flex max-md:flex-wrap">
            {TABS.map(([path, name]) => (
              <NavLink
                key={path}
                to={`/jobs/${jobId}${path}`}
                end={path === ""}
                className={({ isActive }) =>
                  `flex min-h-11 items-center border-b-4 px-2 font-semibold ${isActive ? "border-blue text-blue" : "border-transparent hover:bg-tint"}`
                }
              >
                {name}
              </NavLink>
            ))}
          </nav>
          <PersonMenu />
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
  return (
    <div className="flex min-w-0 items-center gap-3">
      <span className="figure text-2xl font-bold text-blue">{bench.card.number}</span>
      <div className="min-w-0 leading-tight">
        <h1 className="truncate text-lg font-semibold">{bench.card.title}</h1>
        <p className="truncate text-quiet">
          {bench.card.engine}
          {bench.card.identified && `, limits revision ${bench.card.limits_revision}`}
          {bench.card.identified && bench.card.limits_state !== "confirmed"
            ? `, ${bench.card.limits_state}`
            : ""}
        </p>
      </div>
    </div>
  );
}
