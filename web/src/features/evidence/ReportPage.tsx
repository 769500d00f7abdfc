import { useState } from "react";
import { Link } from "react-router";

import type { Schemas } from "../../api";
import { momentText } from "../../shared/dates";
import { MadeFile } from "../../shared/files";
import { Button, Faults, Field, LinkButton, PrintButton, TextArea } from "../../shared/ui";
import { EvidenceFrame, type Shown } from "./EvidenceFrame";
import { useReports } from "./useEvidence";

type Report = Schemas["CustomerReport"];

/** The strip report for the customer: as it would be sent now, and as it was sent before. */
export function ReportPage() {
  return <EvidenceFrame title="Strip report">{(shown) => <Reports {...shown} />}</EvidenceFrame>;
}

function Reports({ bench, facts, mayDecide }: Shown) {
  const jobId = bench.card.id;
  const reports = useReports(jobId);
  const [number, setNumber] = useState<number | null>(null);
  const [words, setWords] = useState("");
  const [answerBy, setAnswerBy] = useState("");
  const sent = reports.data?.sent ?? [];
  const chosen = sent.find((one) => one.report.number === number);
  const shown = chosen?.report ?? reports.data?.draft;
  const query = number === null ? "" : `?number=${number}`;
  const address = `/api/jobs/${jobId}/report`;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_300px] gap-x-8 gap-y-4 max-[979px]:grid-cols-1">
      <div>
        <Faults error={reports.error} />
        {shown && (
          <Sheet
            report={shown}
            jobId={jobId}
            gone={chosen?.withdrawn ?? []}
            sent={chosen ? [chosen.at && momentText(chosen.at), chosen.by].filter(Boolean).join(", ") : ""}
          />
        )}
      </div>
      <aside className="flex flex-col gap-3 max-[979px]:order-first">
        <div className="flex flex-wrap gap-2">
          <PrintButton to={`${address}.html${query}`}>Print</PrintButton>
          <MadeFile to={`${address}.pdf${query}`}>PDF</MadeFile>
          <LinkButton file to={`${address}.html${query ? `${query}&` : "?"}save=true`}>
            HTML file
          </LinkButton>
        </div>
        {mayDecide && number === null && (
          <form
            className="flex flex-col gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              facts.tell.mutate([{ fact: "report", words: words.trim(), answer_by: answerBy || null }], {
                onSuccess: () => setWords(""),
              });
            }}
          >
            <TextArea
              label="Words to the customer"
              value={words}
              maxLength={2000}
              onChange={(event) => setWords(event.target.value)}
            />
            <Field
              label="Answer wanted by"
              type="date"
              value={answerBy}
              onChange={(event) => setAnswerBy(event.target.value)}
            />
            <Button kind="strong" type="submit">
              Send report {reports.data?.draft.number}
            </Button>
            <p className="text-[15px] text-quiet">It is kept as it stands now. The next says what is new.</p>
          </form>
        )}
        <h2 className="text-xl font-semibold">Sent</h2>
        {sent.length === 0 && <p className="text-quiet">None yet.</p>}
        <ul>
          {sent.map((one) => (
            <li key={one.report.number}>
              <button
                type="button"
                aria-pressed={number === one.report.number}
                onClick={() => setNumber(number === one.report.number ? null : one.report.number)}
                className={`min-h-11 w-full px-2 text-left ${number === one.report.number ? "bg-tint font-semibold" : "hover:bg-tint"}`}
              >
                Report {one.report.number}, {one.by}
                {one.at && `, ${momentText(one.at)}`}
              </button>
            </li>
          ))}
        </ul>
        {number !== null && (
          <Button kind="quiet" onClick={() => setNumber(null)}>
            As it would be sent now
          </Button>
        )}
      </aside>
    </div>
  );
}

interface SheetProps {
  report: Report;
  jobId: number;
  gone: readonly string[];
  /** When it was sent, and by whom; "" for a draft. */
  sent: string;
}

function Sheet({ report, jobId, gone, sent }: SheetProps) {
  const picture = (fact: string) => `/api/jobs/${jobId}/pictures/${encodeURIComponent(fact)}/small`;
  return (
    <article className="border-2 border-line bg-sheet p-6 max-sm:p-3" aria-label={`Report ${report.number}`}>
      <Head shop={report.shop} />
      <h2 className="text-3xl font-semibold">Strip report {report.number}</h2>
      <p className="font-semibold">{sent || "Draft, not sent"}</p>
      <p className="text-quiet">
        Job {report.job}, {report.title}
        {report.customer && `, for ${report.customer}`}
      </p>
      <Lines title="What came" lines={report.came} />
      {report.looked_by.length > 0 && (
        <p className="mt-1">Looked at and measured by {report.looked_by.join(", ")}.</p>
      )}
      {report.complaint && <p className="mt-2">You told us: {report.complaint}</p>}
      {report.words && <p className="mt-2 whitespace-pre-line">{report.words}</p>}
      <Lines title="New since the report before" lines={report.new} />
      <Lines title="No longer so" lines={report.gone} />
      <h3 className="mt-4 text-xl font-semibold">What we found</h3>
      {report.findings.length === 0 && (
        <p>
          {report.nothing_bad ? "Nothing bad was found yet." : "See what it means for the engine, below."}
        </p>
      )}
      {report.findings.map((one) => (
        <section key={`${one.part}${one.words}`} className="border-t border-line/60 py-2">
          <p className="text-lg">
            <strong>{one.part}:</strong> {one.words}
          </p>
          {one.figures.map((figure) => (
            <p key={figure} className="figure text-red">
              {figure}
            </p>
          ))}
          {one.pictures.length > 0 && (
            <div className="mt-1 flex flex-wrap gap-2">
              {one.pictures.slice(0, 3).map((fact) =>
                gone.includes(fact) ? (
                  <p key={fact} className="border-2 border-dashed border-line p-3 text-quiet">
                    picture withdrawn
                  </p>
                ) : (
                  <Shot key={fact} src={picture(fact)} words={one.part} />
                ),
              )}
              {one.sound_pictures.slice(0, 1).map((fact) => (
                <Shot key={fact} src={picture(fact)} words={`Beside it a sound one: ${one.sound}`} />
              ))}
            </div>
          )}
        </section>
      ))}
      {report.sound.map((line) => (
        <p key={line} className="border-t border-line/60 py-2">
          {line}
        </p>
      ))}
      <Lines title="Known" lines={report.known} />
      <Lines title="Likely or possible" lines={report.likely} />
      <Lines title="Open" lines={report.open} />
      <Lines title="Worth a look still" lines={report.not_looked} />
      <Lines title="What it means for the engine" lines={report.means} />
      <Lines title="What metal went through" lines={report.to_wash} />
      <Lines title="What it has cost, and what each way on would" lines={report.cost} />
      <Lines
        title={`What we ask of you${report.answer_by ? `, by ${report.answer_by}` : ""}`}
        lines={report.asks}
      />
      <Lines title="What happens next" lines={report.next} />
    </article>
  );
}

/** Whose paper it is; where nobody has said, where to say it. */
function Head({ shop }: { shop: Report["shop"] }) {
  if (!shop.name && !shop.picture)
    return (
      <p className="mb-3 border-l-4 border-line pl-3 text-quiet">
        No shop stands on it yet.{" "}
        <Link to="/house-rules/shop" className="inline-flex min-h-11 items-center font-semibold text-blue">
          Name, address and picture
        </Link>
      </p>
    );
  return (
    <div className="mb-3 flex items-center gap-4">
      {shop.picture && <img src={shop.picture} alt="" className="max-h-16 max-w-48" />}
      <p className="leading-snug">
        <strong>{shop.name}</strong>
        <span className="block whitespace-pre-line">{shop.address}</span>
      </p>
    </div>
  );
}

function Shot({ src, words }: { src: string; words: string }) {
  return (
    <figure className="w-44">
      <img src={src} alt={words} className="h-32 w-full border border-line object-cover" />
      <figcaption className="text-[14px] leading-tight text-quiet">{words}</figcaption>
    </figure>
  );
}

function Lines({ title, lines }: { title: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <>
      <h3 className="mt-4 text-xl font-semibold">{title}</h3>
      <ul className="list-disc pl-5">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </>
  );
}
