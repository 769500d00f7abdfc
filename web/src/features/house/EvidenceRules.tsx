import type { Schemas } from "../../api";
import { Section } from "../../shared/ui";
import { School } from "./School";

type Rules = Schemas["HouseRulesForm"];

const USED = [
  {
    value: "always new when open",
    title: "Always new when open",
    why: "Half bearings cost little beside the labour. What lies open gets new ones.",
  },
  {
    value: "refit within limits",
    title: "Refit within limits",
    why: "Sound by eye on every half, the journal reused, oil clearance measured within. The eye alone accepts none.",
  },
] as const;
const BLUE = [
  {
    value: "scrapped",
    title: "Scrapped",
    why: "A rod that was blue has lost what it was made with. It is replaced.",
  },
  {
    value: "resized after hardness and crack test",
    title: "Resized after hardness and crack test",
    why: "Hard and whole by test, it is resized and measured. Until then it is open.",
  },
] as const;

interface Props {
  rules: Rules;
  onChange: (changed: Partial<Rules>) => void;
}

/** The schools of the evidence: used half bearings, blue rods. The pump after metal stands with the pump. */
export function EvidenceRules({ rules, onChange }: Props) {
  return (
    <>
      <Section title="Used half bearings">
        <School
          name="used-shells"
          options={USED}
          value={rules.used_shells}
          onChange={(used_shells) => onChange({ used_shells })}
        />
      </Section>
      <Section title="A rod that went blue">
        <School
          name="blue-rod"
          options={BLUE}
          value={rules.blue_rod}
          onChange={(blue_rod) => onChange({ blue_rod })}
        />
      </Section>
    </>
  );
}
