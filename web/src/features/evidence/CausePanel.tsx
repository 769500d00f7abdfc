import { Link } from "react-router";

import type { Board } from "./useEvidence";

/** The next look, the causes that stand, the best first, and what nothing explains: beside the map and the looks. */
export function CausePanel({ jobId, board }: { jobId: number; board: Board }) {
  const standing = board.causes.filter((one) => one.stands);
  const ruled = board.causes.filter((one) => one.word === "ruled out");
  return (
    <div className="flex flex-col gap-3">
      <NextPanel jobId={jobId} board={board} />
      <section aria-label="What did this" className="border-2 border-line bg-sheet px-4 py-3">
        <h2 className="text-2xl font-semibold">What did this?</h2>
        {standing.length === 0 && (
          <p className="text-quiet">
            {ruled.length > 0
              ? "Nothing that was looked at stands any more."
              : "Nothing points anywhere yet. Grade the bearings; take the looks."}
          </p>
        )}
        <ol>
          {standing.slice(0, 3).map((one, nth) => (
            <li key={one.key} className={`mt-2 pl-3 ${nth === 0 ? "border-l-4 border-blue" : ""}`}>
              <p className="flex items-baseline justify-between gap-3 text-lg leading-tight">
                <strong className="font-semibold">{one.name}</strong>
                <span className={nth === 0 ? "font-semibold text-blue" : "font-semibold"}>
                  {one.behind.length > 0 && standing[0] && one.behind.includes(standing[0].name)
                    ? `${one.word}, behind it`
                    : one.word}
                </span>
              </p>
              <p className="leading-snug">for: {one.signs.slice(0, 3).join("; ")}</p>
              {one.against.length > 0 && (
                <p className="leading-snug text-quiet">against: {one.against.slice(0, 2).join("; ")}</p>
              )}
              {nth === 0 && one.makes.length > 0 && (
                <p className="leading-snug text-quiet">makes: {one.makes.slice(0, 3).join("; ")}</p>
              )}
              {nth === 0 && one.because && (
                <p className="leading-snug text-quiet">stands higher because {one.because}</p>
              )}
            </li>
          ))}
        </ol>
        {ruled.length > 0 && (
          <p className="mt-2 text-quiet">
            Ruled out:{" "}
            {ruled
              .map((one) => one.name)
              .slice(0, 4)
              .join(", ")}
            {ruled.length > 4 && ` and ${ruled.length - 4} more`}.
          </p>
        )}
        {board.unexplained.length > 0 && (
          <div className="mt-2 border-t border-line pt-2">
            <p className="font-semibold text-red">Nothing explains</p>
            <p>{board.unexplained.join("; ")}</p>
          </div>
        )}
        {board.gate.asked && (
          <p className="mt-2 border-t border-line pt-2 font-semibold">{board.gate.words}</p>
        )}
        <Link
          to={`/jobs/${jobId}/evidence/cause`}
          className="mt-1 inline-flex min-h-11 items-center font-semibold text-blue"
        >
          For, against, settle on a cause
        </Link>
      </section>
    </div>
  );
}

/** The look worth taking next, and what goes if it is not taken now. */
export function NextPanel({ jobId, board }: { jobId: number; board: Board }) {
  const [first, ...then] = board.next;
  if (!first) return null;
  return (
    <section aria-label="Look next" className="border-l-4 border-blue bg-tint px-4 py-3">
      <h2 className="text-xl font-semibold leading-tight">Look next: {first.name}</h2>
      <p className="mt-1">
        <span className="figure font-bold">{first.minutes} min.</span> {first.why}
      </p>
      {first.lost && <p className="mt-1 font-semibold">{first.lost}</p>}
      <Link
        to={`/jobs/${jobId}/evidence/looks?look=${encodeURIComponent(first.key)}`}
        className="mt-1 inline-flex min-h-11 items-center font-semibold text-blue"
      >
        Take it
      </Link>
      {then.length > 0 && (
        <p className="text-[15px] text-quiet">
          Then: {then.map((one) => `${one.name} (${one.minutes} min)`).join("; ")}
        </p>
      )}
    </section>
  );
}
