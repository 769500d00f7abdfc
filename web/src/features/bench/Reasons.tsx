import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client } from "../../api";
import { type Bench, DecideBar, MAKER_FIRST, Notices, type Part, setOf } from "../../shared/job";
import { PunchMark } from "../../shared/marks";
import { Dialog } from "../../shared/ui";
import { useMay } from "../session";

interface Props {
  bench: Bench;
  part: Part;
  onSpots: (spots: readonly string[]) => void;
}

/** The verdict in words: each reason lights up the readings behind it. */
export function Reasons({ bench, part, onSpots }: Props) {
  const may = useMay();
  return (
    <aside aria-label="Verdict" className="flex h-full flex-col">
      <div className="flex items-start gap-3">
        <span className="flex flex-col items-center text-blue">
          <PunchMark code={part.mark.code} size={34} label={part.mark.word} />
          <span className="text-lg font-semibold leading-tight">{part.mark.letter}</span>
        </span>
        <div>
          <h2 className="text-2xl font-semibold leading-tight" data-testid="verdict">
            {part.headline}
          </h2>
          <p className="text-quiet">{part.under_headline || part.mark.meaning}</p>
        </div>
      </div>
      <div className="mt-2 min-h-0 flex-1 overflow-y-auto pr-1 text-[15.5px] leading-tight">
        {part.still_to_do.length > 0 && (
          <p className="mb-1 border-l-4 border-blue pl-2">
            <strong>Next:</strong> {part.still_to_do.join(" ")}
          </p>
        )}
        <Notices notices={bench.assessment.notices} />
        {part.contradictions.map((reason) => (
          <p key={reason.text} className="mb-1 border-l-4 border-red pl-2 font-medium">
            {reason.text}
          </p>
        ))}
        <ReasonList part={part} onSpots={onSpots} />
        {part.clearance.words && (
          <p className="mt-2 border-t border-line pt-2">
            <span className="font-semibold">{part.station === "crank" ? "Oil clearance" : "Clearance"}</span>{" "}
            {part.clearance.words}
          </p>
        )}
        <Lines title="What would settle it" lines={part.would_change} />
        {part.figures.length === 0 && (
          <Lines
            title="Before you measure"
            lines={setOf(bench.assessment, part.set).notes.map((note) => note.text)}
          />
        )}
      </div>
      <Cautions part={part} />
      <div className="pt-2">
        <DecideBar bench={bench} set={part.set} mayDecide={may("decide and sign")} />
      </div>
    </aside>
  );
}

function ReasonList({ part, onSpots }: Omit<Props, "bench">) {
  const key = useQuery({
    queryKey: ["key"],
    queryFn: () => ask(client.GET("/api/key")),
    staleTime: Infinity,
  });
  return (
    <ul>
      {part.reasons.map((reason) => {
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

function Cautions({ part }: { part: Part }) {
  const [open, setOpen] = useState(false);
  if (part.cautions.length === 0) return null;
  return (
    <div className="border-t-2 border-line pt-1">
      <button
        type="button"
        className="min-h-9 text-left leading-tight hover:bg-tint"
        onClick={() => setOpen(true)}
      >
        <strong>Cautions:</strong> {part.cautions.map((caution) => caution.work.toLowerCase()).join(", ")}.{" "}
        <span className="font-semibold text-blue">Read them</span>
      </button>
      <Dialog open={open} onOpenChange={setOpen} title={`Cautions: ${part.headline}`} note={MAKER_FIRST}>
        <dl className="flex flex-col gap-3">
          {part.cautions.map((caution) => (
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
