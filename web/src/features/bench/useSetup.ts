import type { Schemas } from "../../api";
import { type Bench, type FeatureKind, newId, useStandings } from "../../shared/job";
import { useKept } from "../../shared/useKept";
import type { Landing } from "./useReadings";

type Sitting = Schemas["SittingForm"];

interface Kept {
  /** The gauge in hand for each purpose, or each feature of a loose piece: a pin takes another micrometer than a
   * skirt. Going from journals to bores takes the bore gauge in hand. */
  gauges: Partial<Record<string, string>>;
  unit: Schemas["Unit"];
  /** What is read: by the plan (""), or a feature beside it. */
  reading: string;
  sitting: Sitting | null;
  /** How the part in hand stands: caps torqued, plate on; what is not said counts as so, the plate as off. */
  asked: Record<string, boolean>;
  cleaned: boolean;
}

/** How readings are being taken: the gauges, the unit, what is measured, how warm, in which state. */
export function useSetup(bench: Bench) {
  // Kept for this bench and job: a reload, or a look at the sheet, is no reason to take another gauge in hand.
  const fits = (kept: unknown): kept is Kept =>
    typeof kept === "object" && kept !== null && "gauges" in kept && "asked" in kept && "reading" in kept;
  const start = (): Kept => ({
    gauges: {},
    unit: bench.card.entry_unit,
    reading: "",
    sitting: null,
    asked: {},
    cleaned: true,
  });
  const [kept, keep] = useKept(`setup.${bench.card.id}`, start, fits);
  const { unit, reading, sitting, cleaned } = kept;
  const isAsked = (name: string) => kept.asked[name] ?? name !== "plate";

  const standings = useStandings();
  const isSound = (gauge: Schemas["BenchGauge"]): boolean => {
    const standing = standings.get(gauge.id)?.standing;
    return standing !== "out" && standing !== "overdue";
  };

  /** The gauge in hand for a purpose: the one chosen, the one last used, else the first that is fit. */
  const gaugeFor = (feature: FeatureKind, size?: number): string => {
    const reaches = (gauge: Schemas["BenchGauge"]) =>
      size === undefined || ((gauge.least_nm ?? size) <= size && size <= (gauge.most_nm ?? size));
    const made = bench.gauges.filter((gauge) => gauge.purposes.includes(feature.purpose));
    const reaching = made.some(reaches) ? made.filter(reaches) : made;
    const fit = reaching.some(isSound) ? reaching.filter(isSound) : reaching;
    const chosen = bench.gauges.find((gauge) => gauge.id === kept.gauges[keyOf(feature)]);
    const used = usedGauges(bench, feature.plan ? null : feature.key).findLast((id) =>
      fit.some((gauge) => gauge.id === id),
    );
    const listed = fit.find((gauge) => gauge.unit === unit) ?? fit[0] ?? bench.gauges[0];
    return chosen?.id ?? used ?? listed?.id ?? "";
  };

  /** The part of a landing that says how it was taken. */
  const state = (
    feature: FeatureKind,
    gauge: string,
  ): Pick<Landing, "gauge" | "sitting" | "caps_torqued" | "plate_fitted" | "cleaned"> => ({
    gauge,
    sitting,
    caps_torqued: "caps" in feature.asks ? isAsked("caps") : null,
    plate_fitted: "plate" in feature.asks ? isAsked("plate") : null,
    cleaned: cleaned ? null : false,
  });
  const warm = (part: string, gaugeAt: string, condition: Sitting["condition"]) => {
    const rested = condition === "rested beside the gauge";
    const plain = !part.trim() && !gaugeAt.trim() && rested;
    const taken = { id: newId(), part, gauge: gaugeAt, condition, at: new Date().toISOString() };
    keep({ ...kept, sitting: plain ? null : taken });
  };
  return {
    unit, reading, sitting, cleaned, isAsked, gaugeFor, state, warm,
    setGauge: (feature: FeatureKind, id: string) =>
      keep({ ...kept, gauges: { ...kept.gauges, [keyOf(feature)]: id } }),
    setUnit: (next: Schemas["Unit"]) => keep({ ...kept, unit: next }),
    setReading: (next: string) => keep({ ...kept, reading: next }),
    setAsked: (name: string, value: boolean) => keep({ ...kept, asked: { ...kept.asked, [name]: value } }),
    setCleaned: (value: boolean) => keep({ ...kept, cleaned: value }),
  }; // prettier-ignore
}

const keyOf = (feature: FeatureKind): string => (feature.plan ? feature.purpose : feature.key);

/** The gauges used on this job, or on one feature of it, oldest part first. */
const usedGauges = (bench: Bench, only: string | null): string[] =>
  bench.assessment.parts.flatMap((part) =>
    part.features.flatMap((feature) =>
      only !== null && feature.feature !== only
        ? []
        : feature.spots.flatMap((spot) => (spot.current ? [spot.current.gauge] : [])),
    ),
  );
