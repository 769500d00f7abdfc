import { useEffect } from "react";
import { Outlet } from "react-router";

import { stringOf } from "../api";
import { SignInPage, useSession, useSessionOverTabs } from "../features/session";
import { FileDrop } from "../shared/files";
import { Button, Notice } from "../shared/ui";
import { Announcer } from "./Announcer";
import { Help } from "./Help";
import { useUpdates } from "./useUpdates";
import { Waiting } from "./Waiting";

const AHEAD_MS = 1_000;

/** The first stop of the Tab key on every page: past the head line. */
function SkipLink() {
  return (
    <a
      href="#main"
      className="sr-only z-20 bg-sheet px-4 py-3 font-semibold text-blue focus:not-sr-only focus:absolute"
      onClick={(event) => {
        event.preventDefault();
        const main = document.querySelector("main");
        main?.setAttribute("tabindex", "-1");
        main?.focus();
      }}
    >
      To the page
    </a>
  );
}

/** The program as one person sees it who is signed in: what stands on every page, and the page. */
export function App() {
  const session = useSession();
  const updates = useUpdates();
  useSessionOverTabs();
  // The bench is what comes next: it is fetched while the rack is looked at.
  useEffect(() => {
    const timer = window.setTimeout(() => void import("../features/bench"), AHEAD_MS);
    return () => window.clearTimeout(timer);
  }, []);
  if (session.isPending) return <Waiting />;
  if (session.isError) {
    return (
      <main className="mx-auto max-w-xl p-10">
        <Notice tone="wrong">{stringOf(session.error)}</Notice>
        <div className="mt-4">
          <Button kind="strong" onClick={() => void session.refetch()}>
            Try again
          </Button>
        </div>
      </main>
    );
  }
  if (!session.data.person) return <SignInPage session={session.data} />;
  return (
    <>
      {updates.waiting && (
        <Notice>
          A new version of Half Thou is here. What is typed stays.{" "}
          <Button kind="quiet" onClick={updates.takeUp}>
            Take it up
          </Button>
        </Notice>
      )}
      <SkipLink />
      <Announcer />
      <FileDrop />
      <Help />
      {/* Drawn anew where somebody reads it in another way. */}
      <Outlet key={Object.values(session.data.person.shown).join(" ")} />
    </>
  );
}
