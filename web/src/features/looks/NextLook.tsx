import { useEffect, useState } from "react";

import type { Schemas } from "../../api";
import { seenAs } from "../../shared/job";
import { isTyping } from "../../shared/keys";
import type { useFacts } from "../../shared/queue";
import { PictureStrip } from "../../shared/pictures";
import { Button, Chip } from "../../shared/ui";

/** What came of a look of which nothing nearer is asked; the third is found, and can end the job. */
const IN_GENERAL = ["looked, nothing", "found", "can end the job", "cannot be looked at"] as const;
const [, FOUND, ENDS, CANNOT] = IN_GENERAL;

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
  const [answer, setAnswer] = useState<string | null>(null);
  const [canEnd, setCanEnd] = useState(false);
  const [words, setWords] = useState("");
  const [cleaned, setCleaned] = useState(false);
  const answers: readonly string[] = look.answers.length > 0 ? [...look.answers, CANNOT] : IN_GENERAL;
  const keyOf = (text: string, nth: number) =>
    text === CANNOT && look.answers.length > 0 ? "0" : String(nth + 1);
  const begun = words.trim() !== "";
  useEffect(() => {
    onBegun(begun);
    return () => onBegun(false);
  }, [begun, onBegun]);
  const ends = answer === ENDS || (canEnd && answer !== CANNOT);
  const wants = answer === FOUND || ends;
  const write = () => {
    if (!answer || (wants && !words.trim())) return;
    const more = { note: words.trim(), cleaned, ends };
    const own = look.answers.includes(answer);
    facts.tell.mutate([
      own
        ? seenAs(look.on, look.look, answer, more)
        : seenAs("engine", look.key, answer === ENDS ? FOUND : answer, more),
    ]);
  };
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const chosen = isTyping(event)
        ? undefined
        : answers.find((text, nth) => keyOf(text, nth) === event.key);
      if (!chosen) return;
      // The answer opens a field for words: the key is no word.
      event.preventDefault();
      setAnswer(chosen);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
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
          {answers.map((text, nth) => (
            <Chip
              key={text}
              letter={keyOf(text, nth)}
              chosen={answer === text}
              disabled={disabled}
              onClick={() => setAnswer(text)}
            >
              {text}
            </Chip>
          ))}
        </div>
        {answer && (
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
        {look.answers.length > 0 && answer && answer !== CANNOT && (
          <label className="flex min-h-11 items-center gap-2">
            <input type="checkbox" className="size-5" checked={canEnd} onChange={() => setCanEnd(!canEnd)} />
            It can end the job: say why
          </label>
        )}
        <label className="flex min-h-11 items-center gap-2">
          <input type="checkbox" className="size-5" checked={cleaned} onChange={() => setCleaned(!cleaned)} />
          It was clean already: kept, and counts less
        </label>
        <div className="flex flex-wrap items-center gap-2">
          <Button kind="strong" type="submit" disabled={disabled || !answer || (wants && !words.trim())}>
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
