import { useEffect, useState } from "react";

import type { Schemas } from "../../api";
import type { useFacts } from "../../shared/queue";
import { PictureStrip } from "../../shared/pictures";
import { Button, Chip } from "../../shared/ui";

type Found = Schemas["Found"];
const ANSWERS: readonly { key: string; found: Found }[] = [
  { key: "1", found: "looked, nothing" },
  { key: "2", found: "found" },
  { key: "3", found: "can end the job" },
  { key: "4", found: "cannot be looked at" },
];

interface Props {
  jobId: number;
  look: Schemas["LookShown"];
  disabled: boolean;
  facts: ReturnType<typeof useFacts>;
  /** Whether words are typed that are not written down yet: the page asks before it is left. */
  onBegun: (begun: boolean) => void;
}

/** The look in hand: what it takes, what it could end, and its answer by one key. */
export function NextLook({ jobId, look, disabled, facts, onBegun }: Props) {
  const [found, setFound] = useState<Found | null>(null);
  const [words, setWords] = useState("");
  const [cleaned, setCleaned] = useState(false);
  const begun = words.trim() !== "";
  useEffect(() => {
    onBegun(begun);
    return () => onBegun(false);
  }, [begun, onBegun]);
  const wants = found === "found" || found === "can end the job";
  const write = () => {
    if (!found || (wants && !words.trim())) return;
    facts.tell.mutate([{ fact: "look", look: look.key, found, words: words.trim(), cleaned, minutes: null }]);
  };
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing =
        event.target instanceof HTMLElement && /INPUT|SELECT|TEXTAREA/.test(event.target.tagName);
      const answer = ANSWERS.find((one) => one.key === event.key);
      if (answer && !typing && !event.altKey && !event.ctrlKey && !event.metaKey) setFound(answer.found);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  return (
    <section aria-label="The look in hand" className="border-2 border-ink bg-sheet p-4">
      <h2 className="text-3xl font-semibold leading-tight">{look.name}</h2>
      <p className="mt-1 text-lg">{look.how}</p>
      <dl className="mt-3 flex flex-wrap gap-x-8 gap-y-1">
        <Figure name="takes" value={look.time} />
        <Figure name="after this complaint" value={`${look.percent} %`} more={look.ends} />
        {look.spoils && <Figure name="spoils" value={look.spoils} small />}
      </dl>
      <ul className="mt-2 text-[15px] text-quiet">
        {look.cautions.map((caution) => (
          <li key={caution.work}>
            <strong className="text-ink">{caution.work}.</strong> {caution.say} {caution.defer_to}
          </li>
        ))}
      </ul>
      <form
        className="mt-3 flex flex-col gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          write();
        }}
      >
        <div
          role="group"
          aria-label="What came of it"
          className="grid grid-cols-2 gap-1.5 max-sm:grid-cols-1"
        >
          {ANSWERS.map(({ key, found: answer }) => (
            <Chip
              key={key}
              letter={key}
              chosen={found === answer}
              disabled={disabled}
              onClick={() => setFound(answer)}
            >
              {answer}
            </Chip>
          ))}
        </div>
        {found && (
          <input
            className="h-12 border-2 border-line bg-sheet px-3 text-lg focus:border-blue"
            aria-label="What was found"
            placeholder={
              wants ? "what was found, in a few words" : "in words, where there is anything to say"
            }
            autoFocus={wants}
            maxLength={300}
            value={words}
            onChange={(event) => setWords(event.target.value)}
          />
        )}
        <label className="flex min-h-11 items-center gap-2">
          <input type="checkbox" className="size-5" checked={cleaned} onChange={() => setCleaned(!cleaned)} />
          It was clean already: kept, and counts less
        </label>
        <div className="flex flex-wrap items-center gap-2">
          <Button kind="strong" type="submit" disabled={disabled || !found || (wants && !words.trim())}>
            Write it down
          </Button>
          <PictureStrip jobId={jobId} on={`look:${look.key}`} name={look.name} />
        </div>
      </form>
    </section>
  );
}

function Figure({
  name,
  value,
  more,
  small,
}: {
  name: string;
  value: string;
  more?: string;
  small?: boolean;
}) {
  return (
    <div>
      <dt className="text-[15px] text-quiet">{name}</dt>
      <dd>
        <span className={small ? "text-lg font-semibold" : "figure text-2xl font-bold"}>{value}</span>
        {more && <span className="block text-[15px]">{more}</span>}
      </dd>
    </div>
  );
}
