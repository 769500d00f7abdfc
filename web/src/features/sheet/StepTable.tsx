import type { Schemas } from "../../api";

/** Every undersize below the present size, and how the set stands to it. */
export function StepTable({ steps }: { steps: readonly Schemas["StepShown"][] }) {
  return (
    <table className="mt-3 w-full border-collapse text-left">
      <thead className="text-quiet">
        <tr className="border-b border-ink">
          <th className="font-normal">Undersize</th>
          <th className="font-normal">Grind to</th>
          <th className="font-normal">Worst journal</th>
          <th className="font-normal">Shells</th>
        </tr>
      </thead>
      <tbody>
        {steps.map((step) => (
          <tr
            key={step.undersize.nm}
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
  );
}
