import type { ReactNode } from "react";

import type { Schemas } from "../../api";
import { type Bench, type Part, useDecisions, type Waiving } from "../../shared/job";

interface Props {
  part: Part;
  bench: Bench;
  onWaive: ((waiving: Waiving) => void) | undefined;
}

/** What is waived, in front of the part's name. */
const OF: Record<Schemas["Waived"], string> = {
  readings: "",
  housing: "the housing of ",
  "piston clearance": "the piston clearance of ",
};

/** What is waived of a part, and what could be. */
export function Waivers({ part, bench, onWaive }: Props) {
  const { takeBack } = useDecisions(bench.card.id);
  const waived = bench.decisions.filter((made) => made.part === part.id && !made.made_elsewhere);
  const open = onWaive && !bench.card.signed;
  const toRead = part.to_read.length;
  return (
    <>
      {waived.map((made) => (
        <span key={made.id} className="block">
          {OF[made.about ?? "readings"]}
          {part.short_name} waived by {made.by}: {made.reason}{" "}
          {open && (
            <Link
              onClick={() =>
                takeBack.mutate({ set: part.set, part: part.id, about: made.about ?? "readings" })
              }
            >
              Take back
            </Link>
          )}
        </span>
      ))}
      {toRead > 0 && !bench.card.signed && (
        <span className="block">
          {toRead} to read{" "}
          {open && <Link onClick={() => onWaive({ part, about: "readings" })}>Waive {part.short_name}</Link>}
        </span>
      )}
      {open &&
        part.waits.map((about) => (
          <Link key={about} onClick={() => onWaive({ part, about })}>
            Waive {OF[about]}
            {part.short_name}
          </Link>
        ))}
    </>
  );
}

function Link({ onClick, children }: { onClick: () => void; children: ReactNode }) {
  return (
    <button type="button" className="min-h-8 font-semibold text-blue" onClick={onClick}>
      {children}
    </button>
  );
}
