import type { ReactNode } from "react";

import type { Schemas } from "../../api";
import { type Bench, DecideBar, type Journal, useDecisions, type Waiving } from "../../shared/job";
import { PunchMark } from "../../shared/marks";
import { useMay } from "../session";
import { StepTable } from "./StepTable";

interface Props {
  bench: Bench;
  found: Schemas["Assessment"];
  set: "mains" | "rods";
  onWaive: (waiving: Waiving) => void;
}

/** One set of the sheet: the decision, the reasons, each journal, the steps and the shells. */
export function SetPart({ bench, found, set, onWaive }: Props) {
  const may = useMay();
  const answer = found[set];
  const journals = found.journals.filter((journal) => journal.set === set);
  return (
    <section aria-label={answer.name} className="border-t-2 border-ink pb-5 pt-3">
      <h2 className="flex items-center gap-3 text-2xl font-semibold leading-tight">
        <PunchMark code={answer.mark.code} size={28} label={answer.mark.word} />
        <span>
          {answer.name}: {answer.headline}
        </span>
      </h2>
      <ul className="my-2 list-disc pl-5 text-[17px]">
        {answer.reasons.map((reason) => (
          <li key={reason.text} title={reason.rule}>
            {reason.text}
          </li>
        ))}
      </ul>
      <div className="mb-3">
        <DecideBar bench={bench} set={set} mayDecide={may("decide and sign")} />
      </div>
      <JournalTable
        journals={journals}
        bench={bench}
        onWaive={may("decide and sign") ? onWaive : undefined}
      />
      {answer.steps.some((step) => step.outlook) && <StepTable steps={answer.steps} />}
      <Shells answer={answer} />
      {answer.would_change.length > 0 && (
        <>
          <h3 className="mt-3 font-semibold">What would change it</h3>
          {answer.would_change.map((text) => (
            <p key={text}>{text}</p>
          ))}
        </>
      )}
      {answer.cautions.length > 0 && (
        <>
          <h3 className="mt-3 font-semibold">Cautions</h3>
          <ul className="text-[15px]">
            {answer.cautions.map((caution) => (
              <li key={caution.work} className="mt-1">
                <strong>{caution.work}.</strong> {caution.say}{" "}
                <span className="text-quiet">{caution.defer_to}</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

interface JournalsProps {
  journals: readonly Journal[];
  bench: Bench;
  onWaive: ((waiving: Waiving) => void) | undefined;
}

function JournalTable({ journals, bench, onWaive }: JournalsProps) {
  return (
    <table className="w-full border-collapse text-left">
      <thead className="text-quiet">
        <tr className="border-b border-ink">
          <th className="font-normal">Journal</th>
          <th className="pr-3 text-right font-normal">Least size</th>
          <th className="pr-3 text-right font-normal">To spare</th>
          <th className="font-normal">Oil clearance</th>
        </tr>
      </thead>
      <tbody>
        {journals.map((journal) => (
          <tr key={journal.id} className="border-b border-line align-middle">
            <td className="py-1">
              <span className="flex items-center gap-2">
                <PunchMark code={journal.mark.code} size={18} label={journal.mark.word} />
                <span className="whitespace-nowrap font-semibold">{journal.short_name}</span>{" "}
                {journal.mark.letter}
              </span>
            </td>
            <td className="figure pr-3 text-right text-[17px] font-bold">{journal.least_words || "–"}</td>
            <td className="figure pr-3 text-right">{journal.clean_up?.to_spare ?? ""}</td>
            <td className="text-[15px]">
              {journal.clearance.words}
              <Waivers journal={journal} bench={bench} onWaive={onWaive} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What is waived of a journal, and what could be. */
function Waivers({ journal, bench, onWaive }: Omit<JournalsProps, "journals"> & { journal: Journal }) {
  const { takeBack } = useDecisions(bench.card.id);
  const waived = bench.decisions.filter((made) => made.journal === journal.id && !made.made_elsewhere);
  const open = onWaive && !bench.card.signed;
  const toRead = journal.to_read.length;
  return (
    <>
      {waived.map((made) => (
        <span key={made.id} className="block">
          {made.about === "housing" ? "housing " : ""}waived by {made.by}: {made.reason}{" "}
          {open && (
            <button
              type="button"
              className="min-h-8 font-semibold text-blue"
              onClick={() =>
                takeBack.mutate({ set: journal.set, journal: journal.id, about: made.about ?? "readings" })
              }
            >
              Take back
            </button>
          )}
        </span>
      ))}
      {toRead > 0 && !bench.card.signed && (
        <span className="block">
          {toRead} to read{" "}
          {open && (
            <WaiveLink onClick={() => onWaive({ journal, about: "readings" })}>
              Waive {journal.short_name}
            </WaiveLink>
          )}
        </span>
      )}
      {journal.housing_waits && open && (
        <WaiveLink onClick={() => onWaive({ journal, about: "housing" })}>
          Waive the housing of {journal.short_name}
        </WaiveLink>
      )}
    </>
  );
}

function WaiveLink({ onClick, children }: { onClick: () => void; children: ReactNode }) {
  return (
    <button type="button" className="min-h-8 font-semibold text-blue" onClick={onClick}>
      {children}
    </button>
  );
}

function Shells({ answer }: { answer: Schemas["SetAnswer"] }) {
  if (answer.shells.length === 0) return null;
  return (
    <>
      <h3 className="mt-3 font-semibold">Shells to order</h3>
      {answer.shells.map((shells) => (
        <p key={shells.undersize.nm}>
          <span className="figure">
            {shells.pairs} × {shells.words}
          </span>
          {shells.part_number && <span className="figure ml-2 text-quiet">{shells.part_number}</span>}
          <span className="ml-2">for {shells.journals.join(", ")}</span>
          {!shells.can_be_bought && <strong className="ml-2">not to be bought by the sheet</strong>}
        </p>
      ))}
    </>
  );
}
