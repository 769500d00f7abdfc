import { useStandings } from "../../shared/job";
import { Button } from "../../shared/ui";
import type { Desk } from "./useDesk";
import type { Live } from "./useLive";

/** What stands between the gauge and a reading: its standing, its cable, its last line. */
export function GaugeLine({ desk, live }: { desk: Desk; live: Live }) {
  const gauge = useStandings().get(desk.gauge);
  const bad = gauge?.standing === "out" || gauge?.standing === "overdue";
  const told = live.last?.gauge === desk.gauge ? live.last : null;
  return (
    <div className="flex min-w-0 flex-1 items-center gap-3 leading-tight" aria-live="polite">
      {bad && <strong className="text-red">{gauge.standing_words}</strong>}
      {live.refused ? (
        <>
          <strong>{live.refused}</strong>
          <Button className="!min-h-9 !px-2" onClick={live.takeOver}>
            Take it over
          </Button>
        </>
      ) : (
        live.speaks && <Cable live={live} />
      )}
      {told && (
        <span data-testid="gauge-line" className={told.entry ? "" : "font-semibold text-ink"}>
          <span className="figure">{told.text}</span>{" "}
          {told.entry ? told.words : `${told.state}: ${told.words}`}
        </span>
      )}
    </div>
  );
}

function Cable({ live }: { live: Live }) {
  if (!live.port) return null;
  if (!live.port.connected)
    return <strong className="text-ink">its button: {live.port.words}. Plug it in, or type.</strong>;
  return <span className="whitespace-nowrap">{live.inHand ? "its button enters readings here" : ""}</span>;
}
