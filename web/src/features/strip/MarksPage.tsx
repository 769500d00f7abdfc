import { useState } from "react";
import { useOutletContext } from "react-router";

import type { Schemas } from "../../api";
import { useStripReport } from "../../shared/door";
import { useFacts, waitingOf, WaitingNotice, Waits } from "../../shared/queue";
import { type Bench, PlaceLink } from "../../shared/job";
import { PictureStrip } from "../../shared/pictures";
import { Button, Chip, Faults, Page } from "../../shared/ui";
import { Findings } from "./Findings";
import { StampedMark } from "./StampedMark";
import { StripTabs } from "./StripTabs";

type Position = Schemas["PositionShown"];

/** Every part by its position: what it bears and where it lies. */
export function MarksPage() {
  const bench = useOutletContext<Bench>();
  const jobId = bench.card.id;
  const strip = useStripReport(jobId);
  const facts = useFacts(jobId);
  const [kind, setKind] = useState("rod");
  const report = strip.data;
  const kinds = [...new Set(report?.positions.map((one) => one.kind))];
  const closed = bench.card.signed || bench.card.stage === "handed over";
  return (
    <Page
      untitled
      title="Marks and places"
      note="By position in the engine, not by the order they came out."
      pages={<StripTabs jobId={jobId} />}
    >
      <WaitingNotice waiting={facts} />
      <Faults error={facts.tell.error ?? strip.error} />
      {report && <Findings findings={report.findings} />}
      <div role="group" aria-label="Kind of part" className="mb-3 flex flex-wrap gap-1.5">
        {kinds.map((one) => (
          <Chip key={one} chosen={one === kind} onClick={() => setKind(one)}>
            {one}
          </Chip>
        ))}
      </div>
      <ul className="grid grid-cols-2 gap-x-8 max-[979px]:grid-cols-1">
        {report?.positions
          .filter((one) => one.kind === kind)
          .map((one) => (
            <PositionLine key={one.id} jobId={jobId} position={one} disabled={closed} facts={facts} />
          ))}
      </ul>
    </Page>
  );
}

interface LineProps {
  jobId: number;
  position: Position;
  disabled: boolean;
  facts: ReturnType<typeof useFacts>;
}

function PositionLine({ jobId, position, disabled, facts }: LineProps) {
  const [found, setFound] = useState("");
  const [pocket, setPocket] = useState("");
  const { tell } = facts;
  const coming = [
    ...waitingOf(facts.facts, "mark")
      .filter((one) => one.part === position.id)
      .map((one) => `${one.found ? "found" : "marked"} ${one.mark}`),
    ...waitingOf(facts.facts, "laying")
      .filter((one) => one.part === position.id)
      .map((one) => `lies in ${one.pocket}`),
  ];
  const mark = (text: string, isFound: boolean) =>
    tell.mutate([{ fact: "mark", part: position.id, mark: text, found: isFound, side: "" }], {
      onSuccess: () => setFound(""),
    });
  const box = "h-11 min-w-0 border-2 border-line bg-sheet px-2 focus:border-blue";
  return (
    <li aria-label={position.name} className="border-b border-line py-2">
      <div className="flex items-center gap-3">
        {position.mark && <StampedMark text={position.given || position.mark} bare={!position.given} />}
        <p className="leading-tight">
          <PlaceLink place={position.id} className="text-lg font-bold">
            {position.name}
          </PlaceLink>
          <span className="block text-[15px] text-quiet">
            {[
              position.found && `found ${position.found}`,
              position.given && `marked ${position.given}`,
              position.lies ? `lies in ${position.lies}` : "in its place",
            ]
              .filter(Boolean)
              .join("; ")}
            {coming.length > 0 && (
              <span className="block text-ink">
                {coming.join("; ")} <Waits />
              </span>
            )}
          </span>
        </p>
      </div>
      {!disabled && (
        <div className="mt-1.5 flex flex-wrap gap-1.5">
          {position.mark && (
            <>
              <input
                className={`${box} w-28`}
                aria-label={`Found on ${position.name}`}
                placeholder="found on it"
                maxLength={24}
                value={found}
                onChange={(event) => setFound(event.target.value)}
              />
              <Button className="!px-3" disabled={!found.trim()} onClick={() => mark(found.trim(), true)}>
                Bears this
              </Button>
              {!position.given && (
                <Button className="!px-3" onClick={() => mark(position.mark, false)}>
                  Marked {position.mark}
                </Button>
              )}
            </>
          )}
          {position.lies && (
            <>
              <input
                className={`${box} w-36`}
                aria-label={`Where ${position.name} lies`}
                placeholder={position.lies}
                maxLength={60}
                value={pocket}
                onChange={(event) => setPocket(event.target.value)}
              />
              <Button
                className="!px-3"
                disabled={!pocket.trim()}
                onClick={() =>
                  tell.mutate([{ fact: "laying", part: position.id, pocket: pocket.trim() }], {
                    onSuccess: () => setPocket(""),
                  })
                }
              >
                Lies there
              </Button>
            </>
          )}
        </div>
      )}
      <div className="mt-1.5">
        <PictureStrip jobId={jobId} on={position.id} name={position.name} />
      </div>
    </li>
  );
}
