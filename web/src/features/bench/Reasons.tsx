import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client } from "../../api";
import { type Bench, DecideBar, type Journal, MAKER_FIRST, setAnswerOf } from "../../shared/job";
import { PunchMark } from "../../shared/marks";
import { Dialog } from "../../shared/ui";
import { useMay } from "../session";

interface Props {
  bench: Bench;
  journal: Journal;
  onSpots: (spots: readonly string[]) => void;
}

/** The verdict in words: each reason lights up the readings behind it. */
export function Reasons({ bench, journal, onSpots }: Props) {
  const may = useMay();
  return (
    <aside aria-label="Verdict" className="flex h-full flex-col">
      <div className="flex items-start gap-3">
        <span className="flex flex-col items-center text-blue">
          <PunchMark code={journal.mark.code} size={34} label={journal.mark.word} />
          <span className="text-lg font-semibold leading-tight">{journal.mark.letter}</span>
        </span>
        <div>
          <h2 className="text-2xl font-semibold leading-tight" data-testid="verdict">
            {journal.headline}
          </h2>
          <p className="text-quiet">{journal.under_headline || journal.mark.meaning}</p>
        </div>
      </div>
      <div className="mt-2 min-h-0 flex-1 overflow-y-auto pr-1 text-[15.5px] leading-tight">
        {journal.still_to_do.length > 0 && (
          <p className="mb-1 border-l-4 border-blue pl-2">
            <strong>Next:</strong> {journal.still_to_do.join(" ")}
          </p>
        )}
        {journal.contradictions.map((reason) => (
          <p key={reason.text} className="mb-1 border-l-4 border-red pl-2 font-medium">
            {reason.text}
          </p>
        ))}
        <ReasonList journal={journal} onSpots={onSpots} />
        <p className="mt-2 border-t border-line pt-2">
          <span className="font-semibold">Oil clearance</span> {journal.clearance.words}
        </p>
        <Lines title="What would settle it" lines={journal.would_change} />
        {journal.figures.length === 0 && (
          <Lines
            title="Before you measure"
            lines={setAnswerOf(bench, journal.set).notes.map((note) => note.text)}
          />
        )}
      </div>
      <Cautions journal={journal} />
      <div className="pt-2">
        <DecideBar bench={bench} set={journal.set} mayDecide={may("decide and sign")} />
      </div>
    </aside>
  );
}

function ReasonList({ journal, onSpots }: Omit<Props, "bench">) {
  const key = useQuery({
    queryKey: ["key"],
    queryFn: () => ask(client.GET("/api/key")),
    staleTime: Infinity,
  });
  return (
    <ul>
      {journal.reasons.map((reason) => {
        const rule = key.data?.rules.find((known) => known.id === reason.rule);
        return (
          <li key={reason.text} className="border-b border-line/60">
            <button
              type="button"
              className="w-full py-[3px] text-left font-medium hover:bg-tint focus-visible:bg-tint"
              title={rule ? `${rule.name}. Source: ${rule.source}. (${reason.rule})` : reason.rule}
              onMouseEnter={() => onSpots(reason.spots)}
              onMouseLeave={() => onSpots([])}
              onFocus={() => onSpots(reason.spots)}
              onBlur={() => onSpots([])}
            >
              {reason.text}
              {reason.spots.length > 0 && (
                <span className="ml-1 text-sm font-normal text-quiet">{reason.spots.join(" ")}</span>
              )}
            </button>
          </li>
        );
      })}
    </ul>
  );
}

function Lines({ title, lines }: { title: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <div className="mt-2">
      <h3 className="font-semibold">{title}</h3>
      {lines.map((line) => (
        <p key={line}>{line}</p>
      ))}
    </div>
  );
}

function Cautions({ journal }: { journal: Journal }) {
  const [open, setOpen] = useState(false);
  if (journal.cautions.length === 0) return null;
  return (
    <div className="border-t-2 border-line pt-1">
      <button
        type="button"
        className="min-h-9 text-left leading-tight hover:bg-tint"
        onClick={() => setOpen(true)}
      >
        <strong>Cautions:</strong> {journal.cautions.map((caution) => caution.work.toLowerCase()).join(", ")}.{" "}
        <span className="font-semibold text-blue">Read them</span>
      </button>
      <Dialog open={open} onOpenChange={setOpen} title={`Cautions: ${journal.headline}`} note={MAKER_FIRST}>
        <dl className="flex flex-col gap-3">
          {journal.cautions.map((caution) => (
            <div key={caution.work}>
              <dt className="font-semibold">{caution.work}</dt>
              <dd>{caution.say}</dd>
              <dd className="text-quiet">{caution.defer_to}</dd>
            </div>
          ))}
        </dl>
      </Dialog>
    </div>
  );
}
