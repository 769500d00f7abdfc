import { useState } from "react";
import { useOutletContext } from "react-router";

import type { Schemas } from "../../api";
import { clockText, longDayText } from "../../shared/dates";
import { type Bench, useStory } from "../../shared/job";
import { Faults, Page } from "../../shared/ui";

type Line = Schemas["StoryLine"];
type Kind = Schemas["StoryKind"];

/** What each kind of line is marked with: a word, never a colour alone. */
const WORDS: Record<Kind, string> = {
  read: "read",
  corrected: "corrected",
  withdrawn: "taken back",
  question: "asked",
  work: "work",
  "setting check": "gauge",
  temperature: "warmth",
  seen: "seen",
  decided: "record",
  door: "door",
  strip: "strip",
  evidence: "evidence",
  picture: "picture",
};

/** The job as a story: who measured what with which gauge, what was corrected, what work made stale. */
export function StoryPage() {
  const bench = useOutletContext<Bench>();
  const [only, setOnly] = useState<Kind | "">("");
  const jobId = bench.card.id;
  const story = useStory(jobId);
  const lines = story.data?.filter((line) => !only || line.kind === only) ?? [];
  const kinds = [...new Set(story.data?.map((line) => line.kind))];
  const days = [...new Set(lines.map((line) => longDayText(line.at)))];
  return (
    <Page
      untitled
      title="Story"
      note="Nothing is erased: what was corrected, taken back or made stale is told here."
      actions={
        <label className="flex items-center gap-2">
          Show
          <select
            className="h-11 border-2 border-line bg-sheet px-2"
            value={only}
            onChange={(event) => setOnly(kinds.find((kind) => kind === event.target.value) ?? "")}
          >
            <option value="">everything</option>
            {kinds.map((kind) => (
              <option key={kind} value={kind}>
                {WORDS[kind]}
              </option>
            ))}
          </select>
        </label>
      }
    >
      <Faults error={story.error} />
      {story.isSuccess && lines.length === 0 && <p>Nothing has happened yet. Read the first journal.</p>}
      {days.map((date) => (
        <section key={date} className="mb-4">
          <h2 className="border-b-2 border-ink pb-1 text-xl font-semibold">{date}</h2>
          <ol>
            {lines
              .filter((line) => longDayText(line.at) === date)
              .map((line) => (
                <StoryRow key={line.at + line.words + line.by} line={line} />
              ))}
          </ol>
        </section>
      ))}
    </Page>
  );
}

function StoryRow({ line }: { line: Line }) {
  const strong = line.kind === "work" || line.kind === "question";
  return (
    <li className="grid grid-cols-[4.5rem_6.5rem_7rem_1fr] max-md:grid-cols-[4.5rem_1fr] items-baseline gap-x-3 border-b border-line/60 py-1.5">
      <time className="figure text-quiet" dateTime={line.at}>
        {clockText(line.at)}
      </time>
      <span className={strong ? "font-semibold text-blue" : "text-quiet"}>{WORDS[line.kind]}</span>
      <span className="font-semibold">{line.by}</span>
      <span className="text-[17px] leading-tight">
        {line.words}
        {line.more && <span className="ml-2 text-quiet">{line.more}</span>}
      </span>
    </li>
  );
}
