import { useEffect, useState } from "react";

import { type Given, waitingOf } from "../../shared/queue";
import type { Schemas } from "../../api";
import { announce } from "../../shared/announce";
import { seenAs } from "../../shared/job";
import { BearingMap } from "./BearingMap";
import { CausePanel } from "./CausePanel";
import { EvidenceFrame, type Shown } from "./EvidenceFrame";
import { HalfInHand } from "./HalfInHand";
import { OilWay } from "./OilWay";
import { OilWayDialog } from "./OilWayDialog";
import { isTyping } from "../../shared/keys";
import type { Grade, Half } from "./useEvidence";

/** The bearing map over the oil's way: graded by keys, a letter a grade, arrows to move. */
export function BearingsPage() {
  return <EvidenceFrame title="Bearings and oil">{(shown) => <Bearings {...shown} />}</EvidenceFrame>;
}

function Bearings({ bench, board, facts, closed }: Shown) {
  const jobId = bench.card.id;
  const { halves } = board;
  const [at, setAt] = useState(() => {
    const open = halves.find((half) => !half.grade) ?? halves[0];
    return open?.id ?? "";
  });
  const [cleaned, setCleaned] = useState(false);
  // What was said here and has not landed yet stands on the map, and says that it waits.
  const waiting = waitingOf(facts.facts, "seen");
  const coming = new Map(
    waiting.flatMap((one): [string, Grade][] => {
      const grade = one.look === "overlay" && board.grades.find((other) => other.answer === one.answer);
      return grade ? [[one.on, grade]] : [];
    }),
  );
  const told = halves.find((one) => one.id === at) ?? halves[0];
  const half = told && asSaid(told, waiting);
  const say = (look: string, answer: string, arc?: readonly [number, number]) => {
    if (!half || closed) return;
    const fact: Given = seenAs(half.id, look, answer, { arc: arc ? [arc[0], arc[1]] : null, cleaned });
    return facts.tell.mutateAsync([fact]).catch(() => undefined);
  };
  const grade = (one: Grade) => {
    if (!half || closed) return;
    announce(`${half.name}: ${one.answer}`);
    void say("overlay", one.answer);
  };
  const move = (by: number) => {
    // Sideways along a row of the map, and past its last half on along the other row; up and down within a bearing.
    const row = (nth: number) => halves.filter((_, n) => n % 2 === nth);
    const order = Math.abs(by) === 2 ? [...row(0), ...row(1)] : halves;
    const next = order[order.findIndex((one) => one.id === half?.id) + Math.sign(by)];
    if (!next) return;
    setAt(next.id);
    // A grade that was pressed keeps the focus: the next Enter would press it again, for this half.
    if (document.activeElement instanceof HTMLButtonElement) document.activeElement.blur();
  };
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event)) return;
      const moves: Record<string, number> = {
        ArrowRight: 2,
        ArrowLeft: -2,
        ArrowDown: 1,
        ArrowUp: -1,
        Enter: 1,
      };
      const by = moves[event.key];
      if (by !== undefined && !(event.key === "Enter" && event.target instanceof HTMLButtonElement)) {
        event.preventDefault();
        move(by);
        return;
      }
      if (event.key === " " && !(event.target instanceof HTMLButtonElement)) {
        const seat = document.querySelector<HTMLElement>("[data-seat]");
        if (seat && document.activeElement !== seat) {
          event.preventDefault();
          (seat.parentElement as HTMLDetailsElement).open = true;
          seat.focus();
        }
        return;
      }
      const graded = board.grades.find((one) => one.key === event.key.toUpperCase());
      if (graded) grade(graded);
      const worn = board.wears[Number(event.key) - 1];
      if (worn) void say("wear", worn);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
  if (!half) return <p className="text-lg">This engine has no half bearings.</p>;
  // While halves are to be graded the one in hand stands first; then the oil's way does.
  const way = (
    <section aria-label="The oil's way" className="border-t border-line pt-1">
      <div className="flex items-center justify-between">
        <h2 className="text-xl font-semibold">The oil’s way</h2>
        <OilWayDialog board={board} facts={facts} disabled={closed} />
      </div>
      <OilWay way={board.way} />
    </section>
  );
  const hand = (
    <HalfInHand
      jobId={jobId}
      board={board}
      half={half}
      grade={coming.get(half.id) ?? half.grade}
      waits={waiting.some((one) => one.on === half.id)}
      cleaned={cleaned}
      disabled={closed}
      onGrade={grade}
      onSay={(look, answer, arc) => void say(look, answer, arc)}
      onCleaned={setCleaned}
    />
  );
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_340px] gap-x-6 gap-y-4 max-[1099px]:grid-cols-1">
      <div className="flex min-w-0 flex-col gap-3">
        <BearingMap board={board} chosen={half.id} coming={coming} onChoose={setAt} />
        {board.to_grade > 0 ? (
          <>
            {hand}
            {way}
          </>
        ) : (
          <>
            {way}
            {hand}
          </>
        )}
      </div>
      <CausePanel jobId={jobId} board={board} />
    </div>
  );
}

/** A half as it stands with what was said of it here and has not landed yet. */
function asSaid(half: Half, waiting: readonly Schemas["Seeing"][]): Half {
  const said = waiting.filter((one) => one.on === half.id);
  const last = (look: string) => said.findLast((one) => one.look === look);
  const wear = last("wear");
  return {
    ...half,
    wear: wear?.answer ?? half.wear,
    arc: wear ? (wear.arc ?? half.arc) : half.arc,
    seat: last("seat")?.answer ?? half.seat,
    back: last("back")?.answer ?? half.back,
  };
}
