import { useEffect } from "react";
import { useRouteError } from "react-router";

import { stringOf } from "../api";

const LOAD = /dynamically imported module|module script|Loading chunk|Failed to fetch/i;
const AGAIN_MS = 4000;

/** A page that failed: what happened in words, and the way back. It tries again by itself when the server answers. */
export function ErrorPage() {
  const error = useRouteError();
  const away = LOAD.test(stringOf(error));
  useEffect(() => {
    document.title = "Something failed, Half Thou";
    if (!away) return;
    const timer = window.setInterval(() => {
      void fetch("/api/session").then(
        (answer) => {
          if (answer.ok && !answer.headers.get("X-Last-Known")) window.location.reload();
        },
        () => undefined,
      );
    }, AGAIN_MS);
    return () => window.clearInterval(timer);
  }, [away]);
  return (
    <main className="mx-auto max-w-xl p-10" role="alert">
      <h1 className="text-3xl font-semibold">
        {away ? "This page could not be loaded" : "This page failed"}
      </h1>
      <p className="my-4 text-lg">
        {away
          ? "The server does not answer. Readings typed so far are kept in this browser. The page comes back by itself when the server does."
          : "The program failed here. What was kept is kept: readings on their way stay in this browser until they land."}
      </p>
      {!away && <p className="mb-4 text-quiet">{stringOf(error)}</p>}
      <div className="flex gap-3">
        <button
          type="button"
          className="min-h-11 border-2 border-blue bg-blue px-4 font-semibold text-paper"
          onClick={() => window.location.reload()}
        >
          Load it again
        </button>
        <a className="flex min-h-11 items-center border-2 border-line px-4 font-semibold" href="/">
          To the rack
        </a>
      </div>
    </main>
  );
}
