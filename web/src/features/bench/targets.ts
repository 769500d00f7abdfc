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
    .filter((feature) => !feature.planned)
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
  const names = plan
    ? Array.from({ length: plan.planes }, (_, plane) =>
        plan.angles_deg.map((_deg, n) => `${plane + 1}${LETTERS[n] ?? ""}`),
      ).flat()
    : feature.spots;
  return names.map((name) => blank(name, plan ? plan.angles_deg : null, feature));
}

function blank(name: string, angles: readonly number[] | null, feature: FeatureKind): Spot {
  const angle = name[1] ?? "";
  const degrees = angles ? angles[LETTERS.indexOf(angle)] : feature.angles_deg[angle];
  return {
    name, plane: Number(name[0]), angle, angle_deg: degrees ?? 0, current: null, others: [], size: null, times: 0,
    aside: [], doubt: null,
  }; // prettier-ignore
}
