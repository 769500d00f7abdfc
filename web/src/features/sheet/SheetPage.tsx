import { useState } from "react";
import { useOutletContext } from "react-router";

import type { Schemas } from "../../api";
import { momentText } from "../../shared/dates";
import { SaidNotice, useServerForm } from "../../shared/forms";
import {
  Notices,
  type Bench,
  setName,
  useDecisions,
  useKinds,
  useStory,
  WaiveDialog,
  type Waiving,
} from "../../shared/job";
import { MadeFile } from "../../shared/files";
import { Button, Dialog, Faults, Page, PrintButton, Section, TextArea } from "../../shared/ui";
import { useMay } from "../session";
import { CardPart } from "./CardPart";
import { CauseSection } from "./CauseSection";
import { allAnswered, GateAnswers, type Answers } from "./GateAnswers";
import { FilePart } from "./FilePart";
import { SetPart } from "./SetPart";
import { hasJournals, SheetTabs } from "./SheetTabs";

/** The decision sheet: the whole engine on one page, to decide, sign and print. */
export function SheetPage() {
  const bench = useOutletContext<Bench>();
  const [waiving, setWaiving] = useState<Waiving>();
  const found = bench.signed_assessment ?? bench.assessment;
  const standing = bench.signatures.find((made) => !made.withdrawn_at && !made.made_elsewhere);
  return (
    <Page
      untitled
      title={standing ? `Decision sheet, revision ${standing.revision}, signed` : "Decision sheet"}
      note={
        standing
          ? `Signed by ${standing.by}, ${momentText(standing.at)}. It stands as it was signed.`
          : `${found.readings_taken} of ${found.readings_planned} readings taken. Waits for ${found.waits_for}.`
      }
      pages={hasJournals(bench) ? <SheetTabs bench={bench} /> : undefined}
      actions={
        <>
          <PrintButton to={`/api/jobs/${bench.card.id}/sheet.html`}>Print</PrintButton>
          <MadeFile to={`/api/jobs/${bench.card.id}/sheet.pdf`}>PDF</MadeFile>
        </>
      }
    >
      <Notices notices={found.notices} />
      <div className="grid grid-cols-2 gap-x-10 max-lg:grid-cols-1">
        {found.sets.map((one) => (
          <SetPart key={one.set} bench={bench} found={found} set={one.set} onWaive={setWaiving} />
        ))}
      </div>
      <CauseSection cause={found.cause} jobId={bench.card.id} />
      {found.doubts.length > 0 && (
        <Section title="Open doubts">
          <ul className="list-disc pl-5">
            {found.doubts.map((doubt) => (
              <li key={doubt.text}>{doubt.text}</li>
            ))}
          </ul>
        </Section>
      )}
      <SignPart bench={bench} />
      <CardPart bench={bench} />
      <FilePart bench={bench} />
      <HistoryPart jobId={bench.card.id} />
      <WaiveDialog bench={bench} waiving={waiving} onClose={() => setWaiving(undefined)} />
    </Page>
  );
}

function SignPart({ bench }: { bench: Bench }) {
  const may = useMay();
  const { sign } = useDecisions(bench.card.id);
  const [asking, setAsking] = useState<"" | "sign" | "withdraw">("");
  const [answers, setAnswers] = useState<Answers>({});
  const { items } = bench.assessment.cause;
  const kinds = useKinds();
  const open = bench.scope.filter(
    (set) =>
      !bench.decisions.some(
        (made) => made.set === set && !made.part && !made.outdated && !made.made_elsewhere,
      ),
  );
  const decided = open.length === 0;
  const toDecide = open.map((set) => setName(kinds, set).toLowerCase());
  const earlier = bench.signatures.filter((made) => made.withdrawn_at !== null || made.made_elsewhere);
  return (
    <Section title="Signature">
      {earlier.map((made) => (
        <p key={made.revision} className="text-quiet">
          Revision {made.revision}: signed by {made.by}, {momentText(made.at)}
          {made.made_elsewhere ? ", made elsewhere" : ""}
          {made.withdrawn_at ? `, withdrawn by ${made.withdrawn_by}, ${momentText(made.withdrawn_at)}` : ""}
          {made.withdrawn_because && `: ${made.withdrawn_because}`}
        </p>
      ))}
      <div className="flex items-center gap-4">
        {bench.card.signed ? (
          <Button disabled={!may("withdraw a signature")} onClick={() => setAsking("withdraw")}>
            Withdraw the signature
          </Button>
        ) : (
          <Button
            kind="strong"
            disabled={!may("decide and sign") || !decided || sign.isPending}
            onClick={() => setAsking("sign")}
          >
            Sign the sheet
          </Button>
        )}
        <p className="text-quiet">
          {signHint(bench, toDecide, may("decide and sign"), may("withdraw a signature"))}
        </p>
      </div>
      <Faults error={sign.error} />
      <Dialog
        open={asking === "sign"}
        onOpenChange={() => setAsking("")}
        title="Sign the sheet?"
        note="It is frozen as it stands, with its limits and house rules. Only the owner can withdraw a signature."
      >
        {!bench.assessment.whole && (
          <p className="mb-4 border-l-4 border-red pl-3 font-semibold">
            Not everything on it is settled. It waits for {bench.assessment.waits_for}.
          </p>
        )}
        {bench.assessment.work.length > 0 && (
          <div className="mb-4 border-l-4 border-blue pl-3">
            <p className="font-semibold">Decided, and not done and measured yet:</p>
            {bench.assessment.work.map((one) => (
              <p key={one.text}>{one.text}</p>
            ))}
            <p className="text-quiet">
              The sheet is best signed when the work is measured. What is read after signing waits for a new
              revision.
            </p>
          </div>
        )}
        {items.length > 0 && <GateAnswers items={items} answers={answers} onAnswer={setAnswers} />}
        <Button
          kind="strong"
          disabled={!allAnswered(items, answers)}
          onClick={() => {
            setAsking("");
            sign.mutate(answers);
          }}
        >
          Yes, sign it
        </Button>
      </Dialog>
      <Dialog
        open={asking === "withdraw"}
        onOpenChange={() => setAsking("")}
        title="Withdraw the signature?"
        note="The signed sheet stays in the record. The job opens again, and the next signature is a new revision."
      >
        <WithdrawForm jobId={bench.card.id} onDone={() => setAsking("")} />
      </Dialog>
    </Section>
  );
}

function WithdrawForm({ jobId, onDone }: { jobId: number; onDone: () => void }) {
  const { withdraw } = useDecisions(jobId);
  const { field, said, submit } = useServerForm({ reason: "" }, async ({ reason }) => {
    await withdraw.mutateAsync(reason);
    onDone();
  });
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4">
      <TextArea label="Why" {...field("reason")} />
      <SaidNotice said={said} />
      <Button kind="strong" type="submit">
        Withdraw it
      </Button>
    </form>
  );
}

function signHint(bench: Bench, toDecide: readonly string[], maySign: boolean, mayWithdraw: boolean): string {
  if (bench.card.signed)
    return mayWithdraw ? "The job opens again as a new revision." : "Only the owner withdraws it.";
  if (!maySign) return "A machinist or the owner signs.";
  return toDecide.length === 0
    ? "Signing freezes the sheet, the limits and the house rules it was judged by."
    : `Decide the ${toDecide.join(" and the ")} first.`;
}

/** The kinds of line that tell what was made of the readings, not the readings themselves. */
const DONE: ReadonlySet<Schemas["StoryKind"]> = new Set(["decided", "withdrawn", "corrected", "work"]);

function HistoryPart({ jobId }: { jobId: number }) {
  const story = useStory(jobId);
  return (
    <Section title="Who did what">
      <ul>
        {story.data
          ?.filter((line) => DONE.has(line.kind))
          .reverse()
          .map((line) => (
            <li key={line.at + line.words} className="flex gap-4 border-b border-line/60 py-1">
              <span className="w-32 shrink-0 text-quiet">{momentText(line.at)}</span>
              <span className="w-28 shrink-0 font-semibold">{line.by}</span>
              <span>{line.words}</span>
            </li>
          ))}
      </ul>
    </Section>
  );
}
