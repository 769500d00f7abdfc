import { Link } from "react-router";

import type { Schemas } from "../../api";
import { PunchMark } from "../../shared/marks";
import type { Bench } from "../../shared/job";

/** The two decisions of an engine, so far. Each leads to the decision sheet. */
export function SetBoxes({ bench }: { bench: Bench }) {
  return (
    <div className="flex w-[366px] flex-col gap-2 max-[1279px]:w-full max-[1279px]:flex-row max-sm:flex-col">
      {[bench.assessment.rods, bench.assessment.mains].map((answer) => (
        <SetBox key={answer.set} answer={answer} jobId={bench.card.id} />
      ))}
    </div>
  );
}

function SetBox({ answer, jobId }: { answer: Schemas["SetAnswer"]; jobId: number }) {
  return (
    <Link
      to={`/jobs/${jobId}/sheet`}
      className="flex h-[82px] gap-3 sm:max-[1279px]:flex-1 overflow-hidden border-2 border-line bg-sheet px-3 py-1.5 hover:bg-tint"
    >
      <span className="flex flex-col items-center text-blue">
        <PunchMark code={answer.mark.code} size={26} />
        <span className="font-semibold leading-tight">{answer.mark.letter}</span>
      </span>
      <span className="leading-tight">
        <span className="line-clamp-2 text-[17px] font-semibold leading-tight">
          {answer.name}: {answer.headline}
        </span>
        <span
          className={`text-[15px] text-quiet ${answer.headline.length > 18 ? "line-clamp-1" : "line-clamp-2"}`}
        >
          {answer.reasons.map((reason) => reason.text).join(" ")}
        </span>
      </span>
    </Link>
  );
}
