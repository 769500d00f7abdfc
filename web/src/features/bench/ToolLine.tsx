import { useMutation } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client } from "../../api";
import { PlanChoice, planOf, PLANS, useKeepBench } from "../../shared/job";
import { Button, Dialog, Faults } from "../../shared/ui";
import type { Desk } from "./useDesk";

/** The line at the foot: the gauge in hand, the plan, the card, the keys. */
export function ToolLine({ desk, onKeys }: { desk: Desk; onKeys: () => void }) {
  const [plan, setPlan] = useState(false);
  return (
    <footer className="flex items-center gap-3 text-[15px] text-quiet">
      <label className="flex items-center gap-2">
        gauge
        <select
          id="gauge"
          className="h-10 max-w-64 border-2 border-line bg-sheet px-1 text-ink"
          value={desk.gauge}
          onChange={(event) => desk.setGauge(event.target.value)}
        >
          {desk.bench.gauges.map((gauge) => (
            <option key={gauge.id} value={gauge.id}>
              {gauge.name}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-2">
        typed in
        <select
          className="h-10 border-2 border-line bg-sheet px-1 text-ink"
          value={desk.unit}
          onChange={(event) => desk.setUnit(event.target.value === "mm" ? "mm" : "in")}
        >
          <option value="in">inch</option>
          <option value="mm">mm</option>
        </select>
      </label>
      <button type="button" className="min-h-10 font-semibold text-blue" onClick={() => setPlan(true)}>
        Plan
      </button>
      <button type="button" className="min-h-10 font-semibold text-blue" onClick={onKeys}>
        Keys (Alt+K)
      </button>
      <PlanDialog desk={desk} open={plan} onOpenChange={setPlan} />
    </footer>
  );
}

function PlanDialog({
  desk,
  open,
  onOpenChange,
}: {
  desk: Desk;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  const [value, setValue] = useState<string>(PLANS[0].value);
  const keep = useKeepBench();
  const set = desk.journal.set;
  const change = useMutation({
    mutationFn: () =>
      ask(
        client.PUT("/api/jobs/{job_id}/plan", {
          params: { path: { job_id: desk.bench.card.id } },
          body: { set, plan: planOf(value) },
        }),
      ),
    onSuccess: (bench) => {
      keep(bench);
      onOpenChange(false);
    },
  });
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title={`Measuring plan for the ${set}`}>
      <div className="flex flex-col gap-4">
        <PlanChoice label="Each journal is read in" value={value} onChange={setValue} />
        <Faults error={change.error} />
        <Button kind="strong" onClick={() => change.mutate()}>
          Change the plan
        </Button>
      </div>
    </Dialog>
  );
}
