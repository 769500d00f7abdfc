import type { Schemas } from "../../api";
import { clockText } from "../../shared/dates";
import { PictureStrip } from "../../shared/pictures";
import { drop, Waits } from "../../shared/queue";

interface Props {
  jobId: number;
  report: Schemas["LooksReport"];
  /** Looks that were answered here and have not landed yet. */
  waiting: readonly Schemas["Seeing"][];
  onTakeBack: ((id: string) => void) | undefined;
}

/** The looks that were taken, newest last, each with its pictures. */
export function Taken({ jobId, report, waiting, onTakeBack }: Props) {
  if (report.taken.length + waiting.length === 0) return null;
  const nameOf = (key: string) =>
    report.order.find((one) => one.key === key || one.look === key)?.name ?? key;
  return (
    <section aria-label="Looks taken">
      <h2 className="text-xl font-semibold">Looked at</h2>
      <ul>
        {report.taken.map((one) => (
          <li key={one.id} className="border-b border-line/60 py-1.5">
            <p className="flex flex-wrap items-baseline gap-x-3 leading-tight">
              <span className="font-semibold">{one.name}</span>
              <span>
                {one.found}
                {one.words && one.words !== one.found && `: ${one.words}`}
              </span>
              {one.weak && <strong className="text-blue">after cleaning, counts less</strong>}
              <span className="text-[15px] text-quiet">
                {one.by}, {clockText(one.at)}
                {one.at_the_door
                  ? ", at the door"
                  : one.elsewhere
                    ? ", on the board or the bench"
                    : `, ${one.time}`}
              </span>
            </p>
            <div className="mt-1 flex flex-wrap items-center gap-2">
              <PictureStrip jobId={jobId} on={`look:${one.key}`} name={one.name} disabled={!onTakeBack} />
              {onTakeBack && !one.at_the_door && !one.elsewhere && (
                <button
                  type="button"
                  className="min-h-11 px-2 font-semibold text-blue hover:bg-tint"
                  aria-label={`Take back: ${one.name}`}
                  onClick={() => onTakeBack(one.id)}
                >
                  Take back
                </button>
              )}
            </div>
          </li>
        ))}
        {waiting.map((one) => (
          <li key={one.id} className="border-b border-line/60 py-1.5 leading-tight">
            <span className="font-semibold">{nameOf(one.look)}</span> {one.answer}
            {one.note && `: ${one.note}`} <Waits />
            <button
              type="button"
              className="min-h-11 px-2 font-semibold text-blue hover:bg-tint"
              aria-label={`Take back: ${nameOf(one.look)}`}
              onClick={() => drop(one.id)}
            >
              Take back
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
