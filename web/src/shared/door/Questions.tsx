import { useState } from "react";

import type { Schemas } from "../../api";
import { Button, Chip } from "../ui";

export type Topic = Schemas["Topic"];
/** Something said to a question: as it stands in the job, or as it will be sent with the booking. */
export interface Said {
  id: string;
  topic: string;
  answer: string;
  source: string;
  verified: boolean;
}

interface Props {
  topics: readonly Topic[];
  said: readonly Said[];
  disabled?: boolean;
  onTell: (given: Omit<Said, "id">) => void;
  onTakeBack: (id: string) => void;
}

/** The questions at the door, group by group; most answers are one press. */
export function Questions({ topics, said, disabled = false, onTell, onTakeBack }: Props) {
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
                onTell={onTell}
                onTakeBack={onTakeBack}
              />
            ))}
        </section>
      ))}
    </div>
  );
}

interface QuestionProps extends Omit<Props, "topics"> {
  topic: Topic;
}

function Question({ topic, said, disabled, onTell, onTakeBack }: QuestionProps) {
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
        <div className="flex flex-wrap gap-1.5">
          {topic.answers.map((answer) => (
            <Chip
              key={answer}
              chosen={stands(answer) !== undefined}
              disabled={disabled}
              onClick={() => press(answer)}
            >
              {answer}
            </Chip>
          ))}
        </div>
      )}
      {own.map((one) => (
        <p key={one.id} className="mt-1 flex items-center gap-2 text-lg">
          <span>
            <strong>{one.answer}</strong>
            {one.source && <span className="text-quiet">, {one.source}</span>}
            {topic.claim && (
              <span className="text-quiet">, {one.verified ? "verified here" : "claimed"}</span>
            )}
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
        <OwnWords topic={topic} onTell={onTell} />
      )}
    </div>
  );
}

function OwnWords({ topic, onTell }: { topic: Topic; onTell: Props["onTell"] }) {
  const [answer, setAnswer] = useState("");
  const [source, setSource] = useState("");
  const [verified, setVerified] = useState(false);
  const write = () => {
    if (!answer.trim()) return;
    onTell({ topic: topic.key, answer: answer.trim(), source: source.trim(), verified });
    setAnswer("");
    setSource("");
    setVerified(false);
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
        onChange={(event) => setAnswer(event.target.value)}
        onKeyDown={onEnter}
      />
      {topic.source && (
        <input
          className={`${box} flex-[1_1_7rem]`}
          aria-label={`${topic.question}, ${topic.source}`}
          placeholder={topic.source}
          maxLength={200}
          value={source}
          onChange={(event) => setSource(event.target.value)}
          onKeyDown={onEnter}
        />
      )}
      {topic.claim && (
        <label className="flex min-h-11 items-center gap-1.5">
          <input
            type="checkbox"
            className="size-5"
            checked={verified}
            onChange={() => setVerified(!verified)}
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
