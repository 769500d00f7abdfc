import { PunchMark } from "../../shared/marks";
import type { Desk } from "./useDesk";
import { STAGES } from "./drawings/stages";

const ICONS: Record<string, string> = {
  straightness: "M2 15q14-14 28 0M2 15q14-8 28 0M16 26v-10m-3 3l3-4 3 4",
  "end float": "M3 6v18M29 6v18M8 15h16M12 11l-4 4 4 4M20 11l4 4-4 4",
  tunnel: "M2 8h28M4 22a6 6 0 0 1 12 0a6 6 0 0 1 12 0",
  crank: "M2 15h6V9h7v12h7v-9h6",
  pistons: "M9 3h14l2 10c0 5 1 9 2 14h-7q-4-4-8 0H5c1-5 2-9 2-14zM8 8h16M8 12h16",
  pump: "M10 7h12a8 8 0 0 1 0 16H10a8 8 0 0 1 0-16zM10 15m-4 0a4 4 0 1 0 8 0a4 4 0 1 0-8 0M22 15m-4 0a4 4 0 1 0 8 0a4 4 0 1 0-8 0",
  block: "M3 6h26v18H3zM10 15m-5 0a5 5 0 1 0 10 0a5 5 0 1 0-10 0M22 15m-5 0a5 5 0 1 0 10 0a5 5 0 1 0-10 0",
};

/** The stations in the order of the work, each with its worst mark and what it still wants; below, its drawing. */
export function Stations({ desk }: { desk: Desk }) {
  const { bench, part } = desk;
  const { stations, parts } = bench.assessment;
  const here = stations.find((one) => one.key === part.station);
  const Stage = STAGES[here?.drawing ?? "row"];
  return (
    <div className="min-w-0 flex-1">
      {stations.length > 1 && (
        <nav aria-label="Stations" className="mb-1 flex flex-wrap border-b-2 border-line">
          {stations.map((station, n) => (
            <button
              key={station.key}
              type="button"
              aria-current={station.key === part.station}
              title={`Alt+${n + 1}; F9 goes to the next`}
              onClick={() => desk.goToStation(station.key)}
              className={`flex min-h-11 min-w-32 items-center gap-3 border-b-4 px-3 text-left leading-tight ${station.key === part.station ? "border-blue bg-tint text-blue" : "border-transparent hover:bg-tint"}`}
            >
              {ICONS[station.key] && (
                <svg width={32} height={30} viewBox="0 0 32 30" aria-hidden="true">
                  <path d={ICONS[station.key]} fill="none" stroke="currentColor" strokeWidth={2} />
                </svg>
              )}
              <span>
                <span className="block font-semibold">{station.name}</span>
                <span className="flex items-center gap-1 text-[14px] text-quiet">
                  <PunchMark code={station.mark.code} size={14} label={station.mark.word} />
                  {station.mark.letter} · {station.left > 0 ? `${station.left} left` : "read"}
                </span>
              </span>
            </button>
          ))}
        </nav>
      )}
      <Stage
        bench={bench}
        parts={parts.filter((one) => one.station === part.station)}
        selected={part.id}
        onSelect={(id) => desk.goTo(id)}
      />
    </div>
  );
}
