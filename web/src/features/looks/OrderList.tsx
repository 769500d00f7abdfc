import type { Schemas } from "../../api";

/** The looks still to be taken, in their order: a bar as long as the look takes, filled as often as it ends the job. */
export function OrderList({ report }: { report: Schemas["LooksReport"] }) {
  const longest = Math.max(1, ...report.order.map((look) => look.minutes));
  return (
    <section aria-label="The order of looks">
      <p className="mb-2 text-lg">
        In this order a stop is reached after{" "}
        <strong className="figure text-2xl">{report.expected_time}</strong> in the mean; in the order of a
        plain strip after <strong className="figure">{report.plain_time}</strong>.
      </p>
      <ol className="border-t border-line">
        {report.order.map((look, nth) => (
          <li
            key={look.key}
            className="grid grid-cols-[1.75rem_minmax(0,1fr)_7.5rem] items-center gap-x-2 border-b border-line/60 py-1"
          >
            <span className="figure text-quiet">{nth + 1}</span>
            <span className="leading-tight">
              <span className={nth === 0 ? "font-semibold" : ""}>{look.name}</span>
              {look.after && <span className="block text-[15px] text-quiet">after: {look.after}</span>}
            </span>
            <span className="text-right text-[15px]">
              <span className="figure">{look.time}</span>,{" "}
              <span className="figure font-semibold">{look.percent} %</span>
              <Bar width={look.minutes / longest} filled={look.percent / 100} />
            </span>
          </li>
        ))}
      </ol>
      {report.barred.length > 0 && (
        <ul aria-label="Not taken on this engine" className="mt-2">
          {report.barred.map((look) => (
            <li key={look.key} className="text-[15px]">
              <s className="text-quiet">{look.name}</s> {look.why}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function Bar({ width, filled }: { width: number; filled: number }) {
  const full = Math.max(8, Math.round(width * 118));
  return (
    <svg width={120} height={8} aria-hidden="true" className="ml-auto block">
      <rect x={119 - full} y={1} width={full} height={6} className="fill-none stroke-ink" strokeWidth={1} />
      <rect x={119 - full} y={1} width={full * filled} height={6} className="fill-blue" />
    </svg>
  );
}
