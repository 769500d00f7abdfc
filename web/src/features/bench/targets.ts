import type { Schemas } from "../../api";
import type { Bench, FeatureKind, Kind, Part } from "../../shared/job";

type Spot = Schemas["Spot"];

/** What can be read of a part: its own plan (value ""), or a feature of it or of what lies beside it. */
export interface Target {
  value: string;
  label: string;
  part: string;
  feature: FeatureKind;
}

const LETTERS = "abcdefgh";

/** Everything that can be read of a part, its plan first. */
export function targetsOf(bench: Bench, kinds: readonly Kind[], part: Part): Target[] {
  const kind = kinds.find((one) => one.kind === part.kind);
  const first = kind?.features[0];
  if (!kind || !first) return [];
  const own = kind.features
    .filter((feature) => !feature.planned && (!feature.of_sets.length || feature.of_sets.includes(part.set)))
    .map((feature) => ({ value: feature.key, label: feature.name, part: part.id, feature }));
  const beside = bench.places.filter((place) => place.beside === part.id);
  const several = beside.length > 1;
  const others = beside.flatMap((place, n) =>
    (kinds.find((one) => one.kind === place.kind)?.features ?? []).map((feature) => ({
      value: several ? `${feature.key}#${n}` : feature.key,
      label: several ? `${place.short} ${feature.name}` : feature.name,
      part: place.id,
      feature,
    })),
  );
  return [{ value: "", label: first.name, part: part.id, feature: first }, ...own, ...others];
}

/** The spots of a feature as reported; blank ones where nothing of it was read yet. */
export function spotsOf(bench: Bench, part: Part, of: string, feature: FeatureKind): readonly Spot[] {
  const read = part.features.find((one) => one.part === of && one.feature === feature.key);
  if (read) return read.spots;
  const plan = feature.plan && (bench.plans[part.set] ?? feature.plan);
  return plan ? planned(plan) : feature.spots.map((name) => blank(name, feature.lies[name]));
}

/** Whether spots are named by no plane and angle: each is its own column then. */
export const namedOf = (spots: readonly Spot[]): boolean =>
  spots.length > 0 && spots.every((spot) => spot.angle === spot.name);

function planned(plan: { planes: number; angles_deg: readonly number[] }): Spot[] {
  const planes = Array.from({ length: plan.planes }, (_, n) => n + 1);
  return planes.flatMap((row) =>
    plan.angles_deg.map((angle_deg, n) => {
      const column = LETTERS[n] ?? "";
      return blank(`${row}${column}`, { row, column, angle_deg });
    }),
  );
}

function blank(name: string, lies: Schemas["LiesOut"] = { row: 1, column: name, angle_deg: 0 }): Spot {
  return {
    name, plane: lies.row, angle: lies.column, angle_deg: lies.angle_deg, current: null, others: [], size: null,
    times: 0, aside: [], doubt: null,
  }; // prettier-ignore
}
