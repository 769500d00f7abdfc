import { useEffect, useState } from "react";
import { useSearchParams } from "react-router";

import { CausePanel } from "./CausePanel";
import { EvidenceFrame, type Shown } from "./EvidenceFrame";
import { LookInHand } from "./LookInHand";
import { DepositLines, OilReports } from "./Measured";
import { isTyping } from "../../shared/keys";
import type { BoardLook } from "./useEvidence";

/** All looks of the evidence by where they are taken, and the one in hand with its answers. */
export function EvidenceLooksPage() {
  return <EvidenceFrame title="Looks at the evidence">{(shown) => <Looks {...shown} />}</EvidenceFrame>;
}

function Looks({ bench, board, facts, closed, mayDecide }: Shown) {
  const jobId = bench.card.id;
  const [search, setSearch] = useSearchParams();
  const chosen =
    board.looks.find((one) => one.key === search.get("look")) ??
    board.looks.find((one) => one.key === board.next[0]?.key) ??
    board.looks[0];
  const [place, setPlace] = useState("");
  const choose = (key: string) => {
    setPlace("");
    setSearch({ look: key }, { replace: true });
  };
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event) || (event.key !== "ArrowDown" && event.key !== "ArrowUp")) return;
      const nth = board.looks.findIndex((one) => one.key === chosen?.key);
      const next = board.looks[nth + (event.key === "ArrowDown" ? 1 : -1)];
      if (!next) return;
      event.preventDefault();
      choose(next.key);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
  const groups = [...new Set(board.looks.map((one) => one.where))];
  return (
    <div className="grid grid-cols-[270px_minmax(0,1fr)_320px] gap-x-6 gap-y-4 max-[1099px]:grid-cols-[270px_minmax(0,1fr)] max-md:grid-cols-1">
      <nav
        aria-label="Looks"
        className="max-h-[640px] overflow-y-auto border-r border-line pr-2 max-md:max-h-64"
      >
        {groups.map((where) => (
          <section key={where} aria-label={where}>
            <h2 className="sticky top-0 bg-paper py-1 font-semibold">{where}</h2>
            <ul>
              {board.looks
                .filter((one) => one.where === where)
                .map((one) => (
                  <li key={one.key}>
                    <button
                      type="button"
                      aria-current={one.key === chosen?.key ? "true" : undefined}
                      onClick={() => choose(one.key)}
                      className={`block min-h-11 w-full px-2 py-1 text-left leading-tight ${one.key === chosen?.key ? "bg-tint" : "hover:bg-tint"}`}
                    >
                      <span className="block">{one.name}</span>
                      <span className="block text-[14px] text-quiet">{summary(one)}</span>
                    </button>
                  </li>
                ))}
            </ul>
          </section>
        ))}
      </nav>
      <div className="flex min-w-0 flex-col gap-4">
        {chosen && (
          <LookInHand
            key={chosen.key}
            jobId={jobId}
            look={chosen}
            next={board.next.find((one) => one.key === chosen.key)}
            place={place || chosen.places[0]?.id || ""}
            onPlace={setPlace}
            facts={facts}
            disabled={closed}
            mayDecide={mayDecide}
            mistrusts={board.mistrusts}
            debris={board.asked_of_debris}
          />
        )}
        <DepositLines board={board} facts={facts} disabled={closed} />
        <OilReports board={board} facts={facts} disabled={closed} />
      </div>
      <div className="max-[1099px]:col-span-2 max-md:col-span-1">
        <CausePanel jobId={jobId} board={board} />
      </div>
    </div>
  );
}

/** What a look came to, in a line of the list. */
function summary(look: BoardLook): string {
  if (look.said.length > 0) return [...new Set(look.said.map((one) => one.answer))].slice(0, 3).join(", ");
  if (look.gone) return "too late: it was washed";
  if (look.at_bench) return "read at the bench, or on the map";
  return "not looked";
}
