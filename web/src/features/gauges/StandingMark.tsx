import type { Schemas } from "../../api";

const SHAPES: Record<Schemas["Standing"], string> = {
  fit: "M3 10l4 4 9 -10",
  "not checked": "M3 9h4m4 0h4",
  out: "M3 3l12 12M15 3l-12 12",
  overdue: "M9 2v8h6M9 2a7.5 7.5 0 1 0 .1 0",
};

/** How a gauge stands: a mark struck in the hand of the verdict marks, and the word. */
export function StandingMark({ standing, words }: { standing: Schemas["Standing"]; words?: string }) {
  const bad = standing === "out" || standing === "overdue";
  return (
    <span className={`inline-flex items-center gap-2 font-semibold ${bad ? "text-red" : ""}`}>
      <svg width={18} height={18} aria-hidden="true" className={bad ? "stroke-red" : "stroke-blue"}>
        <path d={SHAPES[standing]} fill="none" strokeWidth={2.5} />
      </svg>
      {words ?? standing}
    </span>
  );
}
