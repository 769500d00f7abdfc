import type { Schemas } from "../../api";
import { Field, Section } from "../../shared/ui";
import { School } from "./School";

type Rules = Schemas["HouseRulesForm"];

const FAR = [
  {
    value: "everything",
    title: "Everything",
    why: "What is not looked at is not found. Where a fault can end the job the customer is asked, and the strip goes on.",
  },
  {
    value: "to the first fatal fault",
    title: "To the first fatal fault",
    why: "Every hour after it is the customer's. Work stops, and the ways on are put before them.",
  },
] as const;
const BOLTS = [
  { value: "always new", title: "Always new", why: "A stretch bolt costs less than doubt about it." },
  {
    value: "by measured stretch",
    title: "By measured stretch",
    why: "Used again within its growth over the new free length. Not measured, or too close to call: renewed.",
  },
] as const;
const SHELLS = [
  {
    value: "yes",
    title: "Kept until the hand-over",
    why: "Old half bearings are evidence; they stay in their bags.",
  },
  { value: "no", title: "Not kept", why: "Graded and photographed, then thrown away." },
] as const;

interface Props {
  rules: Rules;
  growth: Parameters<typeof Field>[0] extends infer P ? Omit<P, "label"> : never;
  onChange: (changed: Partial<Rules>) => void;
}

/** The schools of the strip: how far, stretch bolts, old shells. */
export function StripRules({ rules, growth, onChange }: Props) {
  return (
    <>
      <Section title="How far an engine is stripped where a fault can end the job">
        <School
          name="strip-far"
          options={FAR}
          value={rules.strip_far}
          onChange={(strip_far) => onChange({ strip_far })}
        />
      </Section>
      <Section title="Stretch bolts">
        <School
          name="stretch-bolts"
          options={BOLTS}
          value={rules.stretch_bolts}
          onChange={(stretch_bolts) => onChange({ stretch_bolts })}
        />
        {rules.stretch_bolts === "by measured stretch" && (
          <div className="mt-3 max-w-md">
            <Field
              label="May have grown over its new free length by"
              hint="0.001 in is common; the maker's figure comes first."
              {...growth}
            />
          </div>
        )}
      </Section>
      <Section title="Old half bearings">
        <School
          name="keep-shells"
          options={SHELLS}
          value={rules.keep_shells ? "yes" : "no"}
          onChange={(value) => onChange({ keep_shells: value === "yes" })}
        />
      </Section>
    </>
  );
}
