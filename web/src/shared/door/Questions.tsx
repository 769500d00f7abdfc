import type { Schemas } from "../../api";
import { Waits } from "../queue";
import { Button, Chip, Roving } from "../ui";

export type Topic = Schemas["Topic"];
/** Something said to a question: as it stands in the job, or as it will be sent with the booking. */
export interface Said {
  id: string;
  topic: string;
  answer: string;
  source: string;
  verified: boolean;
  /** It was said here and has not landed yet. */
  waits?: boolean;
}

/** What is typed under a question and not written down yet. */
export type Draft = Pick<Said, "answer" | "source" | "verified">;
/** Drafts by their topic. They go along with the page's main press. */
export type Drafts = Readonly<Record<string, Draft>>;
const BLANK: Draft = { answer: "", source: "", verified: false };

/** What of the drafts says anything. */
export const toldIn = (drafts: Drafts): Omit<Said, "id">[] =>
  Object.entries(drafts)
    .filter(([, draft]) => draft.answer.trim() !== "")
    .map(([topic, draft]) => ({
      topic,
      answer: draft.answer.trim(),
      source: draft.source.trim(),
      verified: draft.verified,
    }));

interface Props {
  topics: readonly Topic[];
  said: readonly Said[];
  disabled?: boolean;
  drafts: Drafts;
  onDrafts: (change: (before: Drafts) => Drafts) => void;
  onTell: (given: Omit<Said, "id">) => void;
  onTakeBack: (id: string) => void;
}

/** The questions at the door, group by group; most answers are one press. */
export function Questions({ topics, said, disabled = false, drafts, onDrafts, onTell, onTakeBack }: Props) {
  const groups = [...new Set(topics.map((topic) => topic.group))];
  return (
    <div className="columns-2 gap-8 max-[979px]:columns-1">
      {groups.map((group) => (
        <section
          key={group}
          aria-label={group}
          className="mb-4 break-inside-avoid border-t-2 border-ink pt-2"
        >
          <h2 className="mb-1 text-xl font-semibold">{group}</h2>
          {topics
            .filter((topic) => topic.group === group)
            .map((topic) => (
              <Question
                key={topic.key}
                topic={topic}
                said={said.filter((one) => one.topic === topic.key)}
                disabled={disabled}
                draft={drafts[topic.key] ?? BLANK}
                onDraft={(draft) => onDrafts((before) => ({ ...before, [topic.key]: draft }))}
                onTell={onTell}
                onTakeBack={onTakeBack}
              />
            ))}
        </section>
      ))}
    </div>
  );
}

interface QuestionProps extends Omit<Props, "topics" | "drafts" | "onDrafts"> {
  topic: Topic;
  draft: Draft;
  onDraft: (draft: Draft) => void;
}

function Question({ topic, said, disabled, draft, onDraft, onTell, onTakeBack }: QuestionProps) {
  const stands = (answer: string) => said.find((one) => one.answer === answer);
  const press = (answer: string) => {
    const one = stands(answer);
    if (one) onTakeBack(one.id);
    else {
      if (!topic.several) said.forEach((other) => onTakeBack(other.id));
      onTell({ topic: topic.key, answer, source: "", verified: false });
    }
  };
  const own = said.filter((one) => !topic.answers.includes(one.answer));
  return (
    <div role="group" aria-label={topic.question} className="border-b border-line/60 py-2">
      <p className="mb-1 text-lg leading-tight">
        {topic.question}
        {topic.hint && topic.answers.length > 0 && (
          <span className="text-base text-quiet"> {topic.hint}</span>
        )}
      </p>
      {topic.answers.length > 0 && (
        <Roving className="flex flex-wrap gap-1.5">
          {topic.answers.map((answer) => (
            <Chip
              key={answer}
              chosen={stands(answer) !== undefined}
              disabled={disabled}
              onClick={() => press(answer)}
            >
              {answer}
              {stands(answer)?.waits && <Waits />}
            </Chip>
          ))}
        </Roving>
      )}
      {own.map((one) => (
        <p key={one.id} className="mt-1 flex items-center gap-2 text-lg">
          <span>
            <strong>{one.answer}</strong>
            {one.source && <span className="text-quiet">, {one.source}</span>}
            {topic.claim && (
              <span className="text-quiet">, {one.verified ? "verified here" : "claimed"}</span>
            )}
            {one.waits && <Waits />}
          </span>
          {!disabled && (
            <button
              type="button"
              className="min-h-11 px-2 font-semibold text-blue hover:bg-tint"
              aria-label={`Take back: ${one.answer}`}
              onClick={() => onTakeBack(one.id)}
            >
              Take back
            </button>
          )}
        </p>
      ))}
      {topic.free && !disabled && (topic.several || own.length === 0) && (
        <OwnWords topic={topic} draft={draft} onDraft={onDraft} onTell={onTell} />
      )}
    </div>
  );
}

type OwnProps = Pick<QuestionProps, "topic" | "draft" | "onDraft" | "onTell">;

function OwnWords({ topic, draft, onDraft, onTell }: OwnProps) {
  const { answer, source, verified } = draft;
  const write = () => {
    toldIn({ [topic.key]: draft }).forEach((one) => onTell(one));
    if (answer.trim()) onDraft(BLANK);
  };
  const onEnter = (event: React.KeyboardEvent) => {
    if (event.key !== "Enter") return;
    event.preventDefault();
    write();
  };
  const box = "h-11 min-w-0 border-2 border-line bg-sheet px-2 focus:border-blue";
  return (
    <div className="mt-1.5 flex flex-wrap items-center gap-1.5">
      <input
        className={`${box} flex-[2_1_9rem]`}
        aria-label={`${topic.question}, in words`}
        placeholder={topic.answers.length > 0 ? "in words" : topic.hint || "in words"}
        maxLength={200}
        value={answer}
        onChange={(event) => onDraft({ ...draft, answer: event.target.value })}
        onKeyDown={onEnter}
      />
      {topic.source && (
        <input
          className={`${box} flex-[1_1_7rem]`}
          aria-label={`${topic.question}, ${topic.source}`}
          placeholder={topic.source}
          maxLength={200}
          value={source}
          onChange={(event) => onDraft({ ...draft, source: event.target.value })}
          onKeyDown={onEnter}
        />
      )}
      {topic.claim && (
        <label className="flex min-h-11 items-center gap-1.5">
          <input
            type="checkbox"
            className="size-5"
            checked={verified}
            onChange={() => onDraft({ ...draft, verified: !verified })}
          />
          verified here
        </label>
      )}
      <Button
        className="!px-3"
        onClick={write}
        disabled={!answer.trim()}
        aria-label={`Write down: ${topic.question}`}
      >
        Write down
      </Button>
    </div>
  );
}
