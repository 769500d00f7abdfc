import type { Schemas } from "../../api";
import { Button, TextArea } from "../../shared/ui";

export type Answers = Readonly<Record<string, string>>;

/** What is open of the cause, each with the words that answer for it over the signer's name. */
export function GateAnswers({
  items,
  answers,
  onAnswer,
}: {
  items: readonly Schemas["OpenAtGate"][];
  answers: Answers;
  onAnswer: (answers: Answers) => void;
}) {
  const said = items.map((item) => answers[item.key]?.trim()).find(Boolean) ?? "";
  const left = items.filter((item) => !answers[item.key]?.trim());
  return (
    <div className="mb-4 flex flex-col gap-3">
      <p className="border-l-4 border-red pl-3 font-semibold">
        {items.length === 1 ? "This is open." : `${items.length} things are open.`} Say of each why the engine
        is closed up all the same. The words stand on the sheet, over your name.
      </p>
      {said && left.length > 0 && (
        <Button
          onClick={() =>
            onAnswer({ ...answers, ...Object.fromEntries(left.map((item) => [item.key, said])) })
          }
        >
          The same for the {left.length} that {left.length === 1 ? "is" : "are"} left
        </Button>
      )}
      <div className="flex max-h-[45vh] flex-col gap-3 overflow-y-auto p-1">
        {items.map((item) => (
          <TextArea
            key={item.key}
            label={item.words}
            value={answers[item.key] ?? ""}
            maxLength={2000}
            onChange={(event) => onAnswer({ ...answers, [item.key]: event.target.value })}
          />
        ))}
      </div>
    </div>
  );
}

export const allAnswered = (items: readonly Schemas["OpenAtGate"][], answers: Answers): boolean =>
  items.every((item) => answers[item.key]?.trim());
