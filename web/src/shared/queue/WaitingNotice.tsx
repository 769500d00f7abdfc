import type { ReactNode } from "react";

import { keepsPage, useLastKnown } from "../away";
import { momentText } from "../dates";
import { Button, Notice } from "../ui";
import type { Kept } from "./record";
import { nameOf, putAway, sendAgain, usePersonName, useShownQueue, type Waiting } from "./useQueue";
import { counted, perJob, wordsOf } from "./words";

/** Under the top line of every page: that the server is away or the session over, how much waits here, for which jobs
 * and whose. `signIn` is what brings the session back. */
export function QueueLine({ signIn, jobId }: { signIn?: ReactNode; jobId?: number }) {
  const { records, away, signedOut, keeps } = useShownQueue();
  const person = usePersonName();
  const known = useLastKnown();
  const here = records.filter((one) => one.state !== "recalled");
  const mine = here.filter((one) => one.by === person && one.state !== "refused");
  // On the pages of their own job they stand in full.
  const refused = here.filter((one) => one.by === person && one.state === "refused" && one.jobId !== jobId);
  const stopped = signedOut || away !== "" || known !== "";
  const when =
    known && !Number.isNaN(Date.parse(known)) ? `, ${momentText(new Date(known).toISOString())}` : "";
  return (
    <>
      {stopped && (
        <Notice tone="wrong">
          {signedOut ? "Your session has ended." : away || "The server does not answer."}{" "}
          {known && `This is as last known${when}. `}
          {mine.length > 0
            ? `${waits(mine)} and ${mine.length === 1 ? "goes" : "go"} ${signedOut ? "when you sign in" : "when it is back"}. `
            : ""}
          {!keepsPage() && !signedOut && "Do not reload: a reload needs the server. "}
          Go on.
          {signedOut && signIn}
        </Notice>
      )}
      {refused.length > 0 && (
        <Notice tone="wrong">
          {counted(refused.length, "entry was", "entries were")} not taken ({perJob(refused)}): its pages say
          why.
        </Notice>
      )}
      {!keeps && mine.length > 0 && (
        <Notice tone="wrong">
          This browser has no room to keep what waits: leave this page open until all of it has gone.
        </Notice>
      )}
      <OfOthers records={here.filter((one) => one.by !== person)} />
    </>
  );
}

/** On the rack: how much of a job waits in this browser. */
export function WaitsHere({ jobId }: { jobId: number }) {
  const { records } = useShownQueue();
  const here = records.filter((one) => one.jobId === jobId && one.state !== "recalled").length;
  if (here === 0) return null;
  return (
    <span className="ml-2 inline-block border border-dashed border-ink px-1 text-[15px] leading-tight">
      {here} {here === 1 ? "waits" : "wait"} here
    </span>
  );
}

const waits = (mine: readonly Kept[]): string =>
  `${counted(mine.length, "entry waits", "entries wait")} here (${perJob(mine)})`;

/** How much of other people's waits, and whose; never what. */
export function OfOthers({ records }: { records: readonly Kept[] }) {
  if (records.length === 0) return null;
  const people = [...new Set(records.map((one) => one.by))];
  return (
    <Notice>
      {people.map((by) => {
        const theirs = records.filter((one) => one.by === by);
        return (
          <span key={by} className="block">
            {counted(theirs.length, "entry", "entries")} of {by} {theirs.length === 1 ? "waits" : "wait"} in
            this browser ({perJob(theirs)}): sent when {by} signs in.
          </span>
        );
      })}
    </Notice>
  );
}

/** On a page of a job: what was refused when it was sent later, what waits behind it, and all else that waits. */
export function WaitingNotice({ waiting }: { waiting: Waiting }) {
  const { away, signedOut } = useShownQueue();
  const all: readonly Kept[] = [...waiting.facts, ...waiting.pictures];
  const refused = all.filter((one) => one.state === "refused");
  const behind = all.filter((one) => waiting.held.has(nameOf(one)));
  const others = all.filter((one) => one.state === "waiting" && !waiting.held.has(nameOf(one)));
  return (
    <>
      {refused.map((one) => (
        <Notice key={nameOf(one)} tone="wrong">
          Not kept by the server: {wordsOf(one)}. {one.message}{" "}
          <Button kind="quiet" onClick={() => sendAgain(nameOf(one))}>
            Send it again
          </Button>
          <Button kind="quiet" onClick={() => putAway(nameOf(one))}>
            Put away
          </Button>
        </Notice>
      ))}
      {behind.map((one) => (
        <Notice key={nameOf(one)}>
          {wordsOf(one)} waits behind {wordsOf(waiting.held.get(nameOf(one)) ?? one)}.{" "}
          <Button kind="quiet" onClick={() => putAway(nameOf(one))}>
            Put away
          </Button>
        </Notice>
      ))}
      {(away !== "" || signedOut) && others.length > 0 && (
        <details className="mb-2 border-l-4 border-line bg-sheet px-4 py-1">
          <summary className="min-h-8 cursor-pointer">What waits of this job, in words</summary>
          <ul>
            {others.map((one) => (
              <li key={nameOf(one)} className="border-t border-line/60 py-1">
                {wordsOf(one)}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}
