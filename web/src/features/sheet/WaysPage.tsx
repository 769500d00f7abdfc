import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useOutletContext } from "react-router";

import { ask, client, type Schemas } from "../../api";
import { type Bench, OverrideDialog, type Picked, useDecisions } from "../../shared/job";
import { PunchMark } from "../../shared/marks";
import { Button, Faults, Page } from "../../shared/ui";
import { useMay } from "../session";
import { ProfilePicture } from "./ProfilePicture";
import { SheetTabs } from "./SheetTabs";

type Ways = Schemas["WaysShown"];
type Way = Schemas["WayOnShown"];

/** The ways on for the mains and for the rod journals, side by side. A person picks. */
export function WaysPage() {
  const bench = useOutletContext<Bench>();
  const jobId = bench.card.id;
  const found = useQuery({
    queryKey: ["bench", jobId, "ways", bench.state],
    placeholderData: keepPreviousData,
    queryFn: () => ask(client.GET("/api/jobs/{job_id}/ways", { params: { path: { job_id: jobId } } })),
  });
  return (
    <Page
      untitled
      title="Ways on"
      note="Accept what is recommended, or pick another with a reason. Ask now whether half bearings can be had; order when the ground size is read."
      pages={<SheetTabs bench={bench} />}
    >
      <Faults error={found.error} />
      {found.data?.length === 0 && <p>This job judges no journals.</p>}
      {found.data?.map((ways) => (
        <SetWays key={ways.set} bench={bench} ways={ways} />
      ))}
    </Page>
  );
}

function SetWays({ bench, ways }: { bench: Bench; ways: Ways }) {
  const may = useMay();
  const { decide } = useDecisions(bench.card.id);
  const [picking, setPicking] = useState<Picked>();
  const report = bench.assessment.sets.find((one) => one.set === ways.set);
  const mayPick = may("decide and sign") && !bench.card.signed && !ways.decided;
  const accept = () => decide.mutate({ kind: "accepted", set: ways.set });
  const pick = (way: Way) => setPicking({ way: way.key, words: way.words, moves: way.moves });
  /** What is recommended is accepted; another that is open is picked, with a reason. */
  const pressOf = (way: Way) => {
    if (!mayPick || ways.waits || !way.possible) return undefined;
    if (!way.recommended) return { label: "Pick", run: () => pick(way) };
    return report?.can_be_accepted ? { label: "Accept", run: accept } : undefined;
  };
  return (
    <section aria-label={ways.name} className="mb-6 border-t-2 border-ink pt-3">
      <h2 className="text-2xl font-semibold leading-tight">
        {ways.name}: {ways.headline}
      </h2>
      {ways.waits && <p className="mt-1 border-l-4 border-red pl-3 font-semibold">{ways.waits}</p>}
      {!ways.waits &&
        ways.because.map((reason) => (
          <p key={reason.text} title={reason.rule} className="text-quiet">
            {reason.text}
          </p>
        ))}
      <Faults error={decide.error} />
      <div role="table" aria-label={`Ways on for the ${ways.set}`} className="mt-2">
        <div role="row" className={`${ROW} border-b border-ink py-1 text-quiet max-lg:hidden`}>
          {HEADS.map((head) => (
            <span key={head} role="columnheader">
              {head}
            </span>
          ))}
        </div>
        {ways.ways.map((way) => (
          <WayRow key={way.key} way={way} decided={ways.decided} press={pressOf(way)} />
        ))}
      </div>
      <Stale ways={ways.ways} />
      {ways.profiles.map((profile) => (
        <div key={profile.part} className="mt-4 border-t border-line pt-3">
          <ProfilePicture profile={profile} />
        </div>
      ))}
      {ways.decided && (
        <p className="mt-2 text-quiet">It is decided. Take that back on the sheet to pick again.</p>
      )}
      <OverrideDialog
        key={picking?.words}
        bench={bench}
        set={ways.set}
        open={picking !== undefined}
        picked={picking}
        onOpenChange={() => setPicking(undefined)}
      />
    </section>
  );
}

/** What each kind of work makes stale, said once. */
function Stale({ ways }: { ways: readonly Way[] }) {
  const lines = new Map(ways.filter((way) => way.stale !== "nothing").map((way) => [way.action, way.stale]));
  return (
    <p className="mt-2 text-[15px] text-quiet">
      Read again after it:{" "}
      {[...lines].map(([action, stale]) => (
        <span key={action} className="mr-3">
          <strong className="text-ink">{action}</strong> {stale}.
        </span>
      ))}
    </p>
  );
}

const ROW =
  "grid grid-cols-[minmax(10rem,1.6fr)_minmax(7rem,1fr)_9.5rem_6rem_6.5rem_minmax(7.5rem,1.3fr)_5.5rem] gap-x-3 max-lg:grid-cols-2 max-sm:grid-cols-1";
const HEADS = [
  "Way",
  "Set by, with to spare",
  "Finish to",
  "Case left",
  "Half bearings",
  "Oil clearance",
  "",
];

interface Row {
  way: Way;
  decided: boolean;
  press: { label: string; run: () => void } | undefined;
}

function WayRow({ way, decided, press }: Row) {
  const barred = !way.possible;
  return (
    <div
      role="row"
      className={`${ROW} items-center border-b border-line py-2 ${way.recommended ? "border-l-4 border-l-blue bg-tint pl-2" : ""}`}
    >
      <div role="cell" className="max-lg:col-span-full">
        <span className={`flex items-center gap-2 ${barred ? "text-quiet" : ""}`}>
          <PunchMark code={way.mark.code} size={22} label={way.mark.word} />
          <strong className={barred ? "font-normal line-through decoration-1" : "text-lg font-semibold"}>
            {way.words}
          </strong>
        </span>
        {way.recommended && (
          <span className="block font-semibold text-blue">{decided ? "decided" : "recommended"}</span>
        )}
        {way.why.length > 0 && (
          <span className="block text-[15px] leading-snug">
            {barred ? "Not open: " : way.by_word ? "Asks first: " : ""}
            {way.why.join("; ")}.
          </span>
        )}
        {way.moves.map((line) => (
          <span key={line} className="block text-[15px] leading-snug text-quiet">
            {line}
          </span>
        ))}
      </div>
      <Cell label="Set by, with to spare">
        {way.to_spare && (
          <>
            <span className="figure font-semibold max-xl:text-[15px]">{way.to_spare}</span>
            {way.sets_it && <span className="block text-[15px] text-quiet">{way.sets_it}</span>}
          </>
        )}
      </Cell>
      <Cell label="Finish to" figure>
        {way.finish_to}
      </Cell>
      <Cell label="Case left">{way.case_left}</Cell>
      <Cell label="Half bearings">
        {way.can_be_had === false ? <strong>{way.shells}</strong> : way.shells}
      </Cell>
      <Cell label="Oil clearance">{way.clearance}</Cell>
      <div role="cell" className="max-lg:col-span-full">
        {press && (
          <Button kind={way.recommended ? "strong" : "plain"} className="w-full !px-2" onClick={press.run}>
            {press.label}
            <span className="sr-only"> {way.words}</span>
          </Button>
        )}
      </div>
    </div>
  );
}

function Cell({
  label,
  figure = false,
  children,
}: {
  label: string;
  figure?: boolean;
  children: React.ReactNode;
}) {
  const empty = !children;
  return (
    <div role="cell" className={`${figure ? "figure" : ""} ${empty ? "max-lg:hidden" : ""}`}>
      <span className="mr-2 hidden text-[15px] text-quiet max-lg:inline">{label}</span>
      {children}
    </div>
  );
}
