import { useEffect, useRef, useState } from "react";
import { useOutletContext } from "react-router";

import { stringOf } from "../../api";
import { announce } from "../../shared/announce";
import { type Bench, PlaceLink } from "../../shared/job";
import { PictureStrip } from "../../shared/pictures";
import { PunchMark } from "../../shared/marks";
import { useWaiting, WaitingNotice } from "../../shared/queue";
import { Button, Faults, LinkButton, Notice, Page } from "../../shared/ui";
import { usePerson, useSessionChanges } from "../session";
import { Entry } from "./Entry";
import { FigureBars } from "./FigureBars";
import { Figures } from "./Figures";
import { KeysDialog } from "./KeysDialog";
import { useKeypad } from "./Keypad";
import { Section } from "./drawings/Section";
import { Looks } from "./Looks";
import { ReadingTable } from "./ReadingTable";
import { Reasons } from "./Reasons";
import { SetBoxes } from "./SetBoxes";
import { openDoubt, SlipPanel, useSlipAnswer } from "./SlipPanel";
import { Scale } from "./Scale";
import { Stations } from "./Stations";
import { type Opened, ToolLine } from "./ToolLine";
import { type Desk, useDesk } from "./useDesk";
import { useKeys } from "./useKeys";
import { useOneKey } from "./useLooks";
import { type Live, useLive } from "./useLive";

/** The bench: the screen people live in. Of an engine nobody has named there is nothing to measure by. */
export function BenchPage() {
  const bench = useOutletContext<Bench>();
  if (bench.card.identified) return <TheBench bench={bench} />;
  return (
    <Page untitled title="Which engine is it?">
      <p className="mb-3 text-lg">
        Nothing is judged until its limits are chosen. Say at the door which engine it is.
      </p>
      <LinkButton to={`/jobs/${bench.card.id}/door`} kind="strong">
        To the door
      </LinkButton>
    </Page>
  );
}

function TheBench({ bench }: { bench: Bench }) {
  const desk = useDesk(bench);
  const live = useLive(desk);
  const person = usePerson();
  const { preferUnit } = useSessionChanges();
  const [keys, setKeys] = useState(false);
  const [opened, setOpened] = useState<Opened>(null);
  const [lit, setLit] = useState<readonly string[]>([]);
  const [keypad, setKeypad] = useKeypad();
  const input = useRef<HTMLInputElement>(null);
  const doubt = openDoubt(desk);
  const slip = useSlipAnswer(desk);
  const oneKey = useOneKey(desk);
  useEffect(() => {
    announce(`${desk.part.short_name}: ${desk.part.headline}. ${desk.part.under_headline}`);
  }, [desk.part.short_name, desk.part.headline, desk.part.under_headline]);
  useKeys(desk, {
    showKeys: () => setKeys(true),
    otherUnit: () => preferUnit.mutate(person.shown_unit === "in" ? "mm" : "in"),
    warmth: () => setOpened("warmth"),
    sound: oneKey.say,
    gauge: () => {
      setOpened("setup");
      window.setTimeout(() => document.getElementById("gauge")?.focus());
    },
    answer: (nth) => {
      if (desk.question) {
        desk.answer(nth);
        return;
      }
      const offer = nth === null ? undefined : doubt?.offers[nth];
      if (doubt && (nth === null || offer)) slip.mutate({ doubt, taken: offer?.meant.nm ?? null });
    },
  });
  return (
    <main id="main" className="mx-auto max-w-[1280px] px-7 max-sm:px-3">
      <div className="flex justify-between gap-x-5 gap-y-2 border-b-2 border-line py-2 max-[1279px]:flex-col">
        <Stations desk={desk} />
        <div className="contents max-[699px]:hidden">
          <SetBoxes bench={bench} part={desk.part} />
        </div>
      </div>
      <div className="grid grid-cols-[340px_288px_222px_minmax(0,1fr)] gap-x-5 gap-y-4 pt-2 max-[1279px]:grid-cols-[340px_288px_minmax(0,1fr)] max-[979px]:grid-cols-[340px_288px] max-[699px]:grid-cols-1">
        <div className="flex flex-col">
          <div className="-mt-2 -mb-2 flex items-start justify-between gap-2">
            <h2 className="mt-2 mb-2 text-xl font-semibold">
              <PlaceLink place={desk.part.id}>{desk.part.name}</PlaceLink>
              {!desk.byPlan && `: ${desk.target.label}`}
              {desk.part.lies && <span className="font-normal text-quiet">, {desk.part.lies}</span>}
            </h2>
            {oneKey.looks.length > 0 && !bench.card.signed && (
              <Button className="-mb-4 shrink-0" onClick={oneKey.say}>
                Looks sound
              </Button>
            )}
          </div>
          <Faults error={oneKey.error} />
          <Section desk={desk} onSpot={(spot) => desk.goToSpot(spot)} />
          <Looks desk={desk}>
            <PictureStrip jobId={bench.card.id} on={desk.part.id} name={desk.part.name} also={alsoOf(desk)} />
          </Looks>
        </div>
        <div className="flex flex-col gap-2 max-[699px]:order-first">
          <p className="hidden items-center gap-2 border-l-4 border-blue bg-sheet px-2 py-1 max-[699px]:flex">
            <PunchMark code={desk.part.mark.code} size={24} label={desk.part.mark.word} />
            <span className="leading-tight">
              <strong>{desk.part.short_name}:</strong> {desk.part.headline}
            </span>
          </p>
          <Entry desk={desk} input={input} keypad={keypad} />
          <Doubts desk={desk} live={live} />
          <ReadingTable desk={desk} lit={lit} />
          {doubt ? (
            <SlipPanel key={doubt.reading} desk={desk} doubt={doubt} answer={slip} />
          ) : (
            <Figures bench={bench} part={desk.part} drawn={desk.kind?.loose ?? false} />
          )}
        </div>
        <div className="max-[1279px]:order-last">
          {desk.kind?.loose ? <FigureBars part={desk.part} /> : <Scale bench={bench} part={desk.part} />}
        </div>
        <div
          className={`${bench.assessment.stations.length > 1 ? "h-[420px]" : "h-[458px]"} max-[979px]:h-auto`}
        >
          <Reasons bench={bench} part={desk.part} onSpots={setLit} />
        </div>
      </div>
      <ToolLine
        desk={desk}
        live={live}
        opened={opened}
        onOpen={setOpened}
        onKeys={() => setKeys(true)}
        keypad={keypad}
        onKeypad={setKeypad}
      />
      <KeysDialog open={keys} onOpenChange={setKeys} />
    </main>
  );
}

/** The positions whose parts belong to the part in hand: their pictures are shown with its own. */
const alsoOf = (desk: Desk): readonly string[] =>
  desk.bench.places.find((place) => place.id === desk.part.id)?.positions ?? [];

/** Who else has this engine open, and which spot is in hand there. */
function Beside({ desk, live }: { desk: Desk; live: Live }) {
  const person = usePerson();
  const others = live.beside.filter((one) => one.person !== person.name && one.part !== "");
  if (others.length === 0) return null;
  const nameOf = (id: string) => desk.bench.places.find((one) => one.id === id)?.name ?? id;
  return (
    <p className="border-l-4 border-blue px-2 text-[15px] leading-tight" role="status">
      {others.map((one) => {
        const here = desk.stop?.part === one.part && desk.stop.spot === one.spot;
        return (
          <span key={one.bench} className={`block ${here ? "font-semibold" : ""}`}>
            {here
              ? `${one.person} has this spot in hand too.`
              : `${one.person} is at ${nameOf(one.part)}${one.spot ? `, ${one.spot}` : ""}.`}
          </span>
        );
      })}
    </p>
  );
}

/** What stands between a reading and the record: what was refused, who reads beside, what two people read. */
function Doubts({ desk, live }: { desk: Desk; live: Live }) {
  const waiting = useWaiting(desk.bench.card.id);
  const { conflicts } = desk.readings;
  // Readings stand in their spots; of the rest it is said here.
  const rest = { ...waiting, facts: waiting.facts.filter(({ fact }) => fact.fact !== "reading") };
  return (
    <>
      <WaitingNotice waiting={rest} />
      <Beside desk={desk} live={live} />
      {conflicts.length > 0 && (
        <Notice>
          {conflicts.map((words) => (
            <span key={words} className="block">
              {words}
            </span>
          ))}
          <Button kind="quiet" className="!px-0" onClick={() => desk.readings.putConflictsAway()}>
            Seen
          </Button>
        </Notice>
      )}
      {desk.withdrawing.error && <Notice tone="wrong">{stringOf(desk.withdrawing.error)}</Notice>}
    </>
  );
}
