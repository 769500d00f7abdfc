import type { Schemas } from "../../api";
import { Choice } from "../ui";
import type { Kind } from "./useKinds";

type Plan = Schemas["Plan"];

/** A plan as the value of a choice. */
export const planValue = (plan: Plan): string => `${plan.planes}x${plan.angles_deg.join(",")}`;

/** The plans offered for a kind; one in use that is not among them stands first. */
export function plansFor(kind: Kind | undefined, inUse?: Plan): { value: string; label: string }[] {
  const offered = (kind?.plans ?? []).map(({ label, plan }) => ({ value: planValue(plan), label }));
  if (!inUse || offered.some((one) => one.value === planValue(inUse))) return offered;
  const own = `${inUse.planes} planes at ${inUse.angles_deg.join("°, ")}°, as now`;
  return [{ value: planValue(inUse), label: own }, ...offered];
}

/** The plan behind one of the choices. */
export function planOf(value: string, order: Schemas["ReadingOrder"] = "one journal round"): Plan {
  const [planes = "2", angles = ""] = value.split("x");
  return { planes: Number(planes), angles_deg: angles.split(",").map(Number), order };
}

interface Props {
  label: string;
  kind: Kind | undefined;
  inUse?: Plan;
  value: string;
  onChange: (value: string) => void;
}

export function PlanChoice({ label, kind, inUse, value, onChange }: Props) {
  return (
    <Choice
      label={label}
      value={value}
      onChange={onChange}
      options={plansFor(kind, inUse)}
      hint={kind?.plan_hint ?? ""}
    />
  );
}
