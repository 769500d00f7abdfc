import type { Schemas } from "../../api";

interface Props {
  steps: readonly Schemas["StepShown"][];
  /** What the kind of part calls its steps, and what is done and bought. */
  words: Schemas["SteppedOut"];
}

/** Every step on from the present size, and how the set stands to it. */
export function StepTable({ steps, words }: Props) {
  return (
    <div className="mt-3 overflow-x-auto">
      <table className="w-full border-collapse text-left">
        <thead className="text-quiet">
          <tr className="border-b border-ink">
            <th className="font-normal">{words.step}</th>
            <th className="font-normal">{words.reach}</th>
            <th className="font-normal">Worst of the set</th>
            <th className="font-normal">{words.bought}</th>
          </tr>
        </thead>
        <tbody>
          {steps.map((step) => (
            <tr
              key={step.step.nm}
              className={`border-b border-line align-middle ${step.chosen ? "bg-tint font-semibold" : ""}`}
            >
              <td className="py-1">
                {step.words}
                {step.chosen && " (chosen)"}
              </td>
              <td className="figure">
                {step.least.text}–{step.most.text}
              </td>
              <td className="figure text-[15px]">{step.outlook}</td>
              <td className="figure text-[15px]">
                {step.can_be_bought ? step.part_number || "can be had" : "none"}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
