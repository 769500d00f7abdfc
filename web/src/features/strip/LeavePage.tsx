import { useState } from "react";
import { Link, useOutletContext } from "react-router";

import { useStripReport } from "../../shared/door";
import { useFacts, WaitingNotice } from "../../shared/queue";
import type { Bench } from "../../shared/job";
import { MadeFile } from "../../shared/files";
import { Button, Faults, LinkButton, Page } from "../../shared/ui";
import { useMay } from "../session";
import { HandOverDialog } from "./HandOverDialog";

/** The engine leaves: what is done and what stands open before it does, and the hand-over. */
export function LeavePage() {
  const bench = useOutletContext<Bench>();
  const { id, signed } = bench.card;
  const strip = useStripReport(id);
  const facts = useFacts(id);
  const may = useMay();
  const [handing, setHanding] = useState(false);
  const report = strip.data;
  const open = report?.ends.filter((end) => !end.closed) ?? [];
  const over = report?.handed_over;
  return (
    <Page
      untitled
      title={over ? `Handed over to ${over.to}` : "Before it leaves"}
      actions={
        report &&
        !over &&
        may("decide and sign") && (
          <Button kind={report.barring === 0 ? "strong" : "plain"} onClick={() => setHanding(true)}>
            Hand over
          </Button>
        )
      }
    >
      <WaitingNotice waiting={facts} />
      <Faults error={handing ? null : (facts.tell.error ?? strip.error)} />
      {report && (
        <ul className="border-t border-line text-lg">
          <Line
            done={signed}
            words={signed ? "The sheet is signed" : "The sheet is not signed"}
            to={`/jobs/${id}/sheet`}
            where="Decision sheet"
          />
          <Line
            done={open.length === 0}
            words={open.length === 0 ? "Nothing stands open" : `${open.length} stand open`}
            more={open.slice(0, 6).map((end) => `${end.what}, ${end.place}`)}
            rest={open.length - 6}
            to={`/jobs/${id}/strip/open`}
            where="Fasteners and removed"
          />
        </ul>
      )}
      <div className="mt-4 flex flex-wrap gap-2">
        <LinkButton to={`/jobs/${id}/evidence/report`}>The customer’s report</LinkButton>
        <MadeFile to={`/api/jobs/${id}/job.zip`}>The job with its pictures, one file</MadeFile>
      </div>
      {report && handing && <HandOverDialog ends={open} facts={facts} onClose={() => setHanding(false)} />}
    </Page>
  );
}

interface LineProps {
  done: boolean;
  words: string;
  more?: readonly string[];
  rest?: number;
  to: string;
  where: string;
}

/** One thing that is done or stands open, and the page it is on. */
function Line({ done, words, more = [], rest = 0, to, where }: LineProps) {
  return (
    <li className="flex flex-wrap items-center gap-x-4 border-b border-line py-2">
      <span className="w-16 shrink-0 font-semibold">{done ? "Done" : "Open"}</span>
      <div className="min-w-0 flex-1">
        <p>{words}</p>
        {more.length > 0 && (
          <ul className="text-[15px] text-quiet">
            {more.map((one) => (
              <li key={one}>{one}</li>
            ))}
            {rest > 0 && <li>and {rest} more</li>}
          </ul>
        )}
      </div>
      <Link to={to} className="inline-flex min-h-11 items-center font-semibold text-blue">
        {where}
      </Link>
    </li>
  );
}
