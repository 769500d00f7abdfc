import type { Schemas } from "../../api";
import { Choice } from "../ui";

/** Measuring plans offered. Two angles may reject but never accept. */
export const PLANS = [
  {
    value: "2x4",
    label: "2 planes, 4 angles (8 readings)",
    plan: { planes: 2, angles_deg: [0, 45, 90, 135] },
  },
  {
    value: "3x4",
    label: "3 planes, 4 angles (12 readings)",
    plan: { planes: 3, angles_deg: [0, 45, 90, 135] },
  },
  { value: "2x3", label: "2 planes, 3 angles (6 readings)", plan: { planes: 2, angles_deg: [0, 60, 120] } },
  { value: "3x3", label: "3 planes, 3 angles (9 readings)", plan: { planes: 3, angles_deg: [0, 60, 120] } },
  {
    value: "2x2",
    label: "2 planes, 2 angles (4 readings): may reject, never accept",
    plan: { planes: 2, angles_deg: [0, 90] },
  },
] as const;

/** The plan behind one of the choices. */
export function planOf(value: string): Schemas["Plan"] {
  const { plan } = PLANS.find((offered) => offered.value === value) ?? PLANS[0];
  return { planes: plan.planes, angles_deg: [...plan.angles_deg], order: "one journal round" };
}

/** The choice that stands for a plan. */
export function planValue(plan: Schemas["Plan"]): string {
  const same = PLANS.find(
    (offered) =>
      offered.plan.planes === plan.planes && offered.plan.angles_deg.join() === plan.angles_deg.join(),
  );
  return (same ?? PLANS[0]).value;
}

interface Props {
  label: string;
  value: string;
  onChange: (value: string) => void;
}

export function PlanChoice({ label, value, onChange }: Props) {
  return (
    <Choice
      label={label}
      value={value}
      onChange={onChange}
      options={PLANS}
      hint="Wider than 25 mm, about an inch: three planes, to see barrel and hourglass."
    />
  );
}
