import { useRef, useState } from "react";
import { useOutletContext } from "react-router";

import { stringOf } from "../../api";
import type { Bench } from "../../shared/job";
import { Notice } from "../../shared/ui";
import { usePerson, useSessionChanges } from "../session";
import { CrankDrawing } from "./CrankDrawing";
import { Entry } from "./Entry";
import { Figures } from "./Figures";
import { KeysDialog } from "./KeysDialog";
import { Ladder } from "./Ladder";
import { Looks } from "./Looks";
import { ReadingTable } from "./ReadingTable";
import { Reasons } from "./Reasons";
import { SetBoxes } from "./SetBoxes";
import { SpotDrawing } from "./SpotDrawing";
import { ToolLine } from "./ToolLine";
import { type Desk, useDesk } from "./useDesk";
import { useKeys } from "./useKeys";

/** The bench: the screen people live in. */
export function BenchPage() {
  const bench = useOutletContext<Bench>();
  const desk = useDesk(bench);
  const person = usePerson();
  const { preferUnit } = useSessionChanges();
  const [keys, setKeys] = useState(false);
  const [lit, setLit] = useState<readonly string[]>([]);
  const input = useRef<HTMLInputElement>(null);
  useKeys(desk, {
    showKeys: () => setKeys(true),
    otherUnit: () => preferUnit.mutate(person.shown_unit === "in" ? "mm" : "in"),
  });
  return (
    <main className="mx-auto w-[1280px] px-7">
      <div className="flex justify-between border-b-2 border-line py-2">
        <CrankDrawing bench={bench} selected={desk.journal.id} onSelect={desk.goTo} />
        <SetBoxes bench={bench} />
      </div>
      <div className="grid grid-cols-[340px_288px_222px_minmax(0,1fr)] gap-x-5 pt-2">
        <div className="flex flex-col">
          <h2 className="text-xl font-semibold">{desk.journal.name}</h2>
          <SpotDrawing
            journal={desk.journal}
            spot={desk.spot}
            onSpot={(spot) => desk.goTo(desk.journal.id, spot)}
          />
          <Looks desk={desk} />
        </div>
        <div className="flex flex-col gap-2">
          <Entry desk={desk} input={input} />
          <Doubts desk={desk} />
          <ReadingTable desk={desk} lit={lit} />
          <Figures journal={desk.journal} />
        </div>
        <Ladder bench={bench} journal={desk.journal} />
        <div className="h-[490px]">
          <Reasons bench={bench} journal={desk.journal} onSpots={setLit} />
        </div>
      </div>
      <ToolLine desk={desk} onKeys={() => setKeys(true)} />
      <KeysDialog open={keys} onOpenChange={setKeys} />
    </main>
  );
}

/** What stands between a reading and the record: a server that is down, another person's readings. */
function Doubts({ desk }: { desk: Desk }) {
  const waiting = desk.mine.filter((parcel) => parcel.state === "waiting").length;
  return (
    <>
      {!desk.outbox.reachable && (
        <Notice tone="wrong">
          The server does not answer. {waiting} {waiting === 1 ? "reading is" : "readings are"} kept here and
          sent when it is back. Go on.
        </Notice>
      )}
      {desk.others > 0 && (
        <Notice>
          {desk.others} {desk.others === 1 ? "reading" : "readings"} of another person wait in this browser.
          Change back to send them.
        </Notice>
      )}
      {desk.withdrawing.error && <Notice tone="wrong">{stringOf(desk.withdrawing.error)}</Notice>}
    </>
  );
}
