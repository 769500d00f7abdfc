import { Link } from "react-router";

import type { Bench, Part, SetReport } from "../../shared/job";
import { PunchMark } from "../../shared/marks";

/** The decisions at the station in hand, so far, and the other ways on. Each leads to the decision sheet. */
export function SetBoxes({ bench, part }: { bench: Bench; part: Part }) {
  const here = bench.assessment.sets.filter((one) => one.station === part.station).toReversed();
  return (
    <div className="flex w-[366px] flex-col gap-2 max-[1279px]:w-full max-[1279px]:flex-row max-sm:flex-col">
      {here.map((said) => (
        <SetBox key={said.set} said={said} jobId={bench.card.id} />
      ))}
      {here.map((said) => (said.ways.length > 0 ? <Ways key={`${said.set} ways`} said={said} /> : null))}
    </div>
  );
}

const BOX = "h-[82px] overflow-hidden border-2 border-line bg-sheet px-3 py-1.5 sm:max-[1279px]:flex-1";

function SetBox({ said, jobId }: { said: SetReport; jobId: number }) {
  return (
    <Link to={`/jobs/${jobId}/sheet`} className={`flex gap-3 hover:bg-tint ${BOX}`}>
      <span className="flex flex-col items-center text-blue">
        <PunchMark code={said.mark.code} size={26} />
        <span className="font-semibold leading-tight">{said.mark.letter}</span>
      </span>
      <span className="leading-tight">
        <span className="line-clamp-2 text-[17px] font-semibold leading-tight">
          {said.name}: {said.headline}
        </span>
        <span
          className={`text-[15px] text-quiet ${said.headline.length > 18 ? "line-clamp-1" : "line-clamp-2"}`}
        >
          {said.reasons.map((reason) => reason.text).join(" ")}
        </span>
      </span>
    </Link>
  );
}

/** Another way on than the one proposed: what it is; what it costs stands on the sheet. */
function Ways({ said }: { said: SetReport }) {
  return (
    <section aria-label="Other ways on" className={`${BOX} text-[14px] leading-[17px]`}>
      <h2 className="font-semibold">Other ways on</h2>
      {said.ways.map((way) => (
        <p key={way.words} className="truncate" title={`${way.words} ${way.costs}`}>
          {way.words}
        </p>
      ))}
    </section>
  );
}
