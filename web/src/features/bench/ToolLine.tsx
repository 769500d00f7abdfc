import type { ReactNode } from "react";

import type { Schemas } from "../../api";
import { useStandings } from "../../shared/job";
import type { Desk } from "./useDesk";
import { GaugeLine } from "./GaugeLine";
import { PlanDialog } from "./PlanDialog";
import type { Live } from "./useLive";
import { WarmthDialog } from "./WarmthDialog";
import { WorkDialog } from "./WorkDialog";

const FEATURES: readonly { value: Schemas["Feature"]; label: string }[] = [
  { value: "journal", label: "journal" },
  { value: "bearing bore", label: "bearing bore, shells in" },
  { value: "housing bore", label: "housing bore, shells out" },
  { value: "wall", label: "wall of the shells" },
];
const BOX = "h-10 border-2 border-line bg-sheet px-1 text-ink";
export type Opened = "warmth" | "work" | "plan" | null;

interface Props {
  desk: Desk;
  live: Live;
  opened: Opened;
  onOpen: (which: Opened) => void;
  onKeys: () => void;
}

/** The lines at the foot: what is measured with which gauge and how it lies; the plan, the work, the keys. */
export function ToolLine({ desk, live, opened, onOpen, onKeys }: Props) {
  const { setup } = desk;
  const standings = useStandings();
  const standing = (id: string) => {
    const known = standings.get(id)?.standing;
    return known === "out" || known === "overdue" ? ` (${known})` : "";
  };
  const shut = () => onOpen(null);
  return (
    <footer className="text-[15px] text-quiet">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <label className="flex items-center gap-2">
          read
          <select
            aria-label="what is read"
            className={`${BOX} w-36`}
            value={desk.feature}
            onChange={(event) =>
              desk.measure(FEATURES.find((one) => one.value === event.target.value)?.value ?? "journal")
            }
          >
            {FEATURES.map((one) => (
              <option key={one.value} value={one.value}>
                {one.label}
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-2">
          with
          <select
            id="gauge"
            aria-label="gauge"
            className={`${BOX} max-w-60`}
            value={setup.gauge}
            onChange={(event) => setup.setGauge(event.target.value)}
          >
            {desk.bench.gauges.map((gauge) => (
              <option key={gauge.id} value={gauge.id}>
                {gauge.name}
                {standing(gauge.id)}
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-2">
          typed in
          <select
            className={BOX}
            value={setup.unit}
            onChange={(event) => setup.setUnit(event.target.value === "mm" ? "mm" : "in")}
          >
            <option value="in">inch</option>
            <option value="mm">mm</option>
          </select>
        </label>
        <States desk={desk} />
        <Tool onClick={() => onOpen("warmth")}>{warmthWords(desk)}</Tool>
        <Tool onClick={() => onOpen("work")}>Work done</Tool>
        <Tool onClick={() => onOpen("plan")}>Plan</Tool>
        <Tool onClick={onKeys}>Keys</Tool>
      </div>
      <div className="flex min-h-7 items-center">
        <GaugeLine desk={desk} live={live} />
      </div>
      {opened === "warmth" && <WarmthDialog desk={desk} open onOpenChange={shut} />}
      {opened === "work" && <WorkDialog desk={desk} open onOpenChange={shut} />}
      {opened === "plan" && <PlanDialog desk={desk} open onOpenChange={shut} />}
    </footer>
  );
}

function Tool({ onClick, children }: { onClick: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      className="min-h-10 whitespace-nowrap px-1 font-semibold text-blue hover:bg-tint"
      onClick={onClick}
    >
      {children}
    </button>
  );
}

function warmthWords({ setup, bench }: Desk): string {
  const { sitting } = setup;
  if (!sitting) return `${bench.shop_c} °C`;
  const part = sitting.part || String(bench.shop_c);
  if (sitting.condition === "rested beside the gauge") return `part ${part} °C`;
  return sitting.part ? `part ${part} °C, ${sitting.condition}` : sitting.condition;
}

/** The state of what is read: only what can be otherwise is offered. */
function States({ desk }: { desk: Desk }) {
  const { setup, feature } = desk;
  const bore = feature === "bearing bore" || feature === "housing bore";
  return (
    <>
      {bore && <Tick label="caps torqued" value={setup.capsTorqued} onChange={setup.setCapsTorqued} />}
      {feature === "housing bore" && (
        <Tick label="girdle on" value={setup.plateFitted} onChange={setup.setPlateFitted} />
      )}
      <Tick label="clean" value={setup.cleaned} onChange={setup.setCleaned} />
    </>
  );
}

function Tick({
  label,
  value,
  onChange,
}: {
  label: string;
  value: boolean;
  onChange: (value: boolean) => void;
}) {
  return (
    <label className="flex min-h-10 items-center gap-1 whitespace-nowrap">
      <input
        type="checkbox"
        className="size-5"
        checked={value}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  );
}
