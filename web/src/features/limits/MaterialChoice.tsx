import type { Schemas } from "../../api";
import { Choice } from "../../shared/ui";

type Material = Schemas["Material"];
const MATERIALS: readonly Material[] = [
  "not known", "steel", "nodular iron", "grey cast iron", "cast aluminium", "hypereutectic aluminium", "bronze",
]; // prettier-ignore

interface Props {
  label: string;
  value: Material;
  onChange: (material: Material) => void;
}

/** What a part is made of: warmth moves its size by it. */
export function MaterialChoice({ label, value, onChange }: Props) {
  return (
    <Choice
      label={label}
      value={value}
      options={MATERIALS.map((material) => ({ value: material, label: material }))}
      onChange={onChange}
    />
  );
}
