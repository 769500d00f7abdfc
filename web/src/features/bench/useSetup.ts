import { useState } from "react";

import type { Schemas } from "../../api";
import { type Bench, newId } from "../../shared/job";
import type { Landing } from "./outbox";

type Sitting = Schemas["SittingForm"];

const PURPOSE: Record<Schemas["Feature"], Schemas["Purpose"]> = {
  journal: "journals",
  "bearing bore": "bores",
  "housing bore": "bores",
  wall: "walls",
};

/** How readings are being taken: the gauge, its unit, what is measured, how warm, in which state. */
export function useSetup(bench: Bench) {
  const [gauge, setGauge] = useState(() => gaugeFor(bench));
  const [unit, setUnit] = useState<Schemas["Unit"]>(bench.card.entry_unit);
  const [feature, setFeature] = useState<Schemas["Feature"]>("journal");
  const [sitting, setSitting] = useState<Sitting | null>(null);
  const [capsTorqued, setCapsTorqued] = useState(true);
  const [plateFitted, setPlateFitted] = useState(false);
  const [cleaned, setCleaned] = useState(true);

  /** What is measured from now on; with a gauge that is meant for it, if the one in hand is not. */
  const measure = (what: Schemas["Feature"]) => {
    setFeature(what);
    const fit = bench.gauges.filter((one) => one.purposes.includes(PURPOSE[what]));
    const near = fit.find((one) => one.unit === unit) ?? fit[0];
    if (near && !fit.some((one) => one.id === gauge)) setGauge(near.id);
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
