import { useState } from "react";
import { Link } from "react-router";

import type { Schemas } from "../../api";

type Stage = Schemas["Stage"];

/** The stops of the way an engine goes, in the order of the work: where each is, and at which stage it stands there. */
export const STOPS = [
  { label: "Door", path: "/door", pages: ["door", "looks"], stages: ["booked in"] },
  { label: "Strip", path: "/strip", pages: ["strip"], stages: ["stripping"] },
  { label: "Evidence", path: "/evidence", pages: ["evidence"], stages: [] },
  { label: "Bench", path: "", pages: [""], stages: ["measuring"] },
  { label: "Sheet", path: "/sheet", pages: ["sheet"], stages: ["deciding"] },
  { label: "Leave", path: "/leave", pages: ["leave"], stages: ["signed", "handed over"] },
] as const satisfies readonly {
  label: string;
  path: string;
  pages: readonly string[];
  stages: readonly Stage[];
}[];

/** One line for the way: a rule with a mark for each stop, the pointer where the job stands, the page in hand tinted. On
 * a narrow page it folds to where one is and what comes next. */
export function Way({ jobId, stage, page }: { jobId: number; stage: Stage; page: string }) {
  const [all, setAll] = useState(false);
  const here = STOPS.findIndex((stop) => (stop.pages as readonly string[]).includes(page));
  const stands = STOPS.findIndex((stop) => (stop.stages as readonly Stage[]).includes(stage));
  const folded = (n: number) =>
    all || n === here || n === Math.max(here, -1) + 1 ? "" : "max-[1023px]:hidden";
  return (
    <nav aria-label="Job" className="flex items-center max-[1023px]:flex-wrap">
      <p className="sr-only">The job stands at: {stage}.</p>
      <ol className="flex max-[1023px]:flex-wrap">
        {STOPS.map((stop, n) => (
          <li key={stop.label} className={folded(n)}>
            <Link
              to={`/jobs/${jobId}${stop.path}`}
              aria-current={n === here ? "page" : undefined}
              onClick={() => setAll(false)}
              className={`flex min-h-11 flex-col items-center justify-end whitespace-nowrap hover:bg-tint max-[1023px]:justify-center max-[1023px]:px-3 lg:w-[62px] xl:w-[82px] ${n === here ? "bg-tint text-blue" : n <= stands ? "" : "text-quiet"}`}
            >
              <span className="font-semibold">
                {n === here + 1 && (
                  <span aria-hidden="true" className="hidden text-quiet max-[1023px]:inline">
                    {"→ "}
                  </span>
                )}
                {stop.label}
              </span>
              <Mark first={n === 0} last={n === STOPS.length - 1} stands={n === stands} />
            </Link>
          </li>
        ))}
      </ol>
      <Link
        to={`/jobs/${jobId}/story`}
        aria-current={page === "story" ? "page" : undefined}
        onClick={() => setAll(false)}
        className={`flex min-h-11 items-center px-2 font-semibold hover:bg-tint lg:ml-3 ${page === "story" ? "bg-tint text-blue" : ""} ${all || page === "story" ? "" : "max-sm:hidden"}`}
      >
        Story
      </Link>
      <button
        type="button"
        className="hidden min-h-11 px-3 font-semibold text-quiet max-[1023px]:block"
        aria-expanded={all}
        onClick={() => setAll(!all)}
      >
        {all ? "Fewer" : "All stops"}
      </button>
    </nav>
  );
}

/** One stop's part of the rule: its tick, the small ones up to the next, the pointer where the job stands. */
function Mark({ first, last, stands }: { first: boolean; last: boolean; stands: boolean }) {
  return (
    <svg
      viewBox="0 0 82 17"
      preserveAspectRatio="none"
      className="h-[17px] w-full max-[1023px]:hidden"
      aria-hidden="true"
    >
      <g className="stroke-ink" vectorEffect="non-scaling-stroke">
        <line x1={first ? 41 : 0} x2={last ? 41 : 82} y1={4} y2={4} strokeWidth={1.5} />
        <line x1={41} x2={41} y1={0} y2={9} strokeWidth={1.5} />
        {[10, 25, 57, 72]
          .filter((x) => (!first || x > 41) && (!last || x < 41))
          .map((x) => (
            <line key={x} x1={x} x2={x} y1={4} y2={7} />
          ))}
      </g>
      {stands && <path d="M41 7l7 9h-14z" className="fill-blue" />}
    </svg>
  );
}
