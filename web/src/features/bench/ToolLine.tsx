import { type ReactNode, useId } from "react";

import { useStandings } from "../../shared/job";
import type { Desk } from "./useDesk";
import { GaugeLine } from "./GaugeLine";
import { PiecesDialog } from "./PiecesDialog";
import { PlanDialog } from "./PlanDialog";
import { ScopeDialog } from "./ScopeDialog";
import type { Live } from "./useLive";
import { WarmthDialog } from "./WarmthDialog";
import { WorkDialog } from "./WorkDialog";

const BOX = "h-10 border-2 border-line bg-sheet px-1 text-ink";
export type Opened = "setup" | "warmth" | "work" | "plan" | "scope" | "pieces" | null;

interface Props {
  desk: Desk;
  live: Live;
  opened: Opened;
  onOpen: (which: Opened) => void;
  onKeys: () => void;
  keypad: boolean;
  onKeypad: (on: boolean) => void;
}

/** The line at the foot: what is read with which gauge and how it stands, in one sentence that opens; the plan, the
 * work, the keys. */
export function ToolLine({ desk, live, opened, onOpen, onKeys, keypad, onKeypad }: Props) {
  const shut = () => onOpen(null);
  const open = opened === "setup";
  const panel = useId();
  return (
    <footer className="bg-paper min-[1280px]:sticky min-[1280px]:bottom-0 border-t-2 border-line text-[15px] text-quiet">
      {open && <Setup desk={desk} id={panel} onWarmth={() => onOpen("warmth")} />}
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        {desk.targets.length > 1 && (
          <label className="flex items-center gap-2">
            read
            <select
              aria-label="what is read"
              className={`${BOX} max-w-40`}
              value={desk.target.value}
              onChange={(event) => desk.measure(event.target.value)}
            >
              {desk.targets.map((one) => (
                <option key={one.value} value={one.value}>
                  {one.label}
                </option>
              ))}
            </select>
          </label>
        )}
        <button
          type="button"
          aria-expanded={open}
          aria-controls={panel}
          className="min-h-10 min-w-0 max-w-full truncate px-1 text-left hover:bg-tint"
          onClick={() => onOpen(open ? null : "setup")}
        >
          <Stands desk={desk} /> <span className="font-semibold text-blue">{open ? "Shut" : "Change"}</span>
        </button>
        <span className="ml-auto flex flex-wrap gap-x-2">
          <Tool onClick={() => onOpen("work")}>Work done</Tool>
          {desk.kind?.loose && <Tool onClick={() => onOpen("pieces")}>Pieces</Tool>}
          {(desk.kind?.plans.length ?? 0) > 0 && <Tool onClick={() => onOpen("plan")}>Plan</Tool>}
          <Tool onClick={() => onOpen("scope")}>Scope</Tool>
          <Tool onClick={() => onKeypad(!keypad)}>{keypad ? "No keypad" : "Keypad"}</Tool>
          <Tool onClick={onKeys}>Keys</Tool>
        </span>
      </div>
      <div className={`flex items-center ${live.speaks ? "min-h-7" : ""}`}>
        <GaugeLine desk={desk} live={live} />
      </div>
      {opened === "warmth" && <WarmthDialog desk={desk} open onOpenChange={shut} />}
      {opened === "work" && <WorkDialog desk={desk} open onOpenChange={shut} />}
      {opened === "plan" && <PlanDialog desk={desk} open onOpenChange={shut} />}
      {opened === "pieces" && <PiecesDialog desk={desk} open onOpenChange={shut} />}
      {opened === "scope" && <ScopeDialog desk={desk} open onOpenChange={shut} />}
    </footer>
  );
}

/** How it stands, in one sentence: the gauge and what it is set on, the unit, the state of the part, how warm. */
function Stands({ desk }: { desk: Desk }) {
  const { setup, feature, bench } = desk;
  const gauge = bench.gauges.find((one) => one.id === desk.gauge);
  const cabinet = useStandings().get(desk.gauge);
  const set = cabinet?.comparator && cabinet.set_on ? ` set on ${cabinet.set_on}` : "";
  const states = Object.entries(feature.asks).map(([name, label]) =>
    setup.isAsked(name) ? label : `${label.split(" ").slice(0, -1).join(" ")} ${OFF[name] ?? "not so"}`,
  );
  const rest = [
    feature.read_in || (setup.unit === "in" ? "inch" : "mm"),
    ...states,
    setup.cleaned ? "clean" : "not clean",
    warmthWords(desk),
  ];
  return (
    <>
      <strong className="text-ink">{gauge?.name ?? "no gauge"}</strong>
      {set} · {rest.join(" · ")}
    </>
  );
}

const OFF: Record<string, string> = { caps: "not torqued", plate: "off" };

function Setup({ desk, id, onWarmth }: { desk: Desk; id: string; onWarmth: () => void }) {
  const { setup, feature } = desk;
  const standings = useStandings();
  const standing = (gauge: string) => {
    const known = standings.get(gauge)?.standing;
    return known === "out" || known === "overdue" ? ` (${known})` : "";
  };
  return (
    <div
      id={id}
      className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line bg-sheet px-3 py-2"
    >
      <label className="flex items-center gap-2">
        with
        <select
          id="gauge"
          aria-label="gauge"
          className={`${BOX} max-w-60`}
          value={desk.gauge}
          onChange={(event) => desk.setGauge(event.target.value)}
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
      {Object.entries(feature.asks).map(([name, label]) => (
        <Tick
          key={name}
          label={label}
          value={setup.isAsked(name)}
          onChange={(value) => setup.setAsked(name, value)}
        />
      ))}
      <Tick label="clean" value={setup.cleaned} onChange={setup.setCleaned} />
      <Tool onClick={onWarmth}>{warmthWords(desk)}</Tool>
    </div>
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

interface TickProps {
  label: string;
  value: boolean;
  onChange: (value: boolean) => void;
}

function Tick({ label, value, onChange }: TickProps) {
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
