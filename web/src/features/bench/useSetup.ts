import type { Schemas } from "../../api";
import { type Bench, newId } from "../../shared/job";
import { useKept } from "../../shared/useKept";
import type { Landing } from "./outbox";

type Sitting = Schemas["SittingForm"];

interface Kept {
  gauge: string;
  unit: Schemas["Unit"];
  feature: Schemas["Feature"];
  sitting: Sitting | null;
  capsTorqued: boolean;
  plateFitted: boolean;
  cleaned: boolean;
}

const PURPOSE: Record<Schemas["Feature"], Schemas["Purpose"]> = {
  journal: "journals",
  "bearing bore": "bores",
  "housing bore": "bores",
  wall: "walls",
};

/** How readings are being taken: the gauge, its unit, what is measured, how warm, in which state. */
export function useSetup(bench: Bench) {
  // Kept for this bench and job: a reload, or a look at the sheet, is no reason to take another gauge in hand.
  const fits = (kept: unknown): kept is Kept =>
    typeof kept === "object" &&
    kept !== null &&
    "gauge" in kept &&
    bench.gauges.some((one) => one.id === kept.gauge);
  const start = (): Kept => ({
    gauge: gaugeFor(bench),
    unit: bench.card.entry_unit,
    feature: "journal",
    sitting: null,
    capsTorqued: true,
    plateFitted: false,
    cleaned: true,
  });
  const [kept, keep] = useKept(`setup.${bench.card.id}`, start, fits);
  const { gauge, unit, feature, sitting, capsTorqued, plateFitted, cleaned } = kept;
  const set =
    <K extends keyof Kept>(name: K) =>
    (value: Kept[K]) =>
      keep({ ...kept, [name]: value });
  const [setGauge, setUnit, setSitting] = [set("gauge"), set("unit"), set("sitting")];
  const [setCapsTorqued, setPlateFitted, setCleaned] = [
    set("capsTorqued"),
    set("plateFitted"),
    set("cleaned"),
  ];

  /** What is measured from now on; with a gauge that is meant for it, if the one in hand is not. */
  const measure = (what: Schemas["Feature"]) => {
    const fit = bench.gauges.filter((one) => one.purposes.includes(PURPOSE[what]));
    const near = fit.find((one) => one.unit === unit) ?? fit[0];
    const other = near && !fit.some((one) => one.id === gauge) ? near.id : gauge;
    keep({ ...kept, feature: what, gauge: other });
  };

  /** The part of a landing that says how it was taken. */
  const state = (): Pick<Landing, "gauge" | "sitting" | "caps_torqued" | "plate_fitted" | "cleaned"> => ({
    gauge,
    sitting,
    caps_torqued: feature === "bearing bore" || feature === "housing bore" ? capsTorqued : null,
    plate_fitted: feature === "housing bore" ? plateFitted : null,
    cleaned: cleaned ? null : false,
  });
  const warm = (part: string, gaugeAt: string, condition: Sitting["condition"]) => {
    const rested = condition === "rested beside the gauge";
    const plain = !part.trim() && !gaugeAt.trim() && rested;
    setSitting(plain ? null : { id: newId(), part, gauge: gaugeAt, condition, at: new Date().toISOString() });
  };
  return {
    gauge, setGauge, unit, setUnit, feature, measure, sitting, warm, capsTorqued, setCapsTorqued, plateFitted,
    setPlateFitted, cleaned, setCleaned, state,
  }; // prettier-ignore
}

/** The gauge last used on this job, else the first that reads journals in the job's unit. */
function gaugeFor(bench: Bench): string {
  const used = bench.assessment.journals.flatMap((one) =>
    one.spots.flatMap((spot) => (spot.current ? [spot.current.gauge] : [])),
  );
  const fit = bench.gauges.filter((gauge) => gauge.purposes.includes("journals"));
  const listed = fit.find((gauge) => gauge.unit === bench.card.entry_unit);
  return used.at(-1) ?? listed?.id ?? bench.gauges[0]?.id ?? "";
}
