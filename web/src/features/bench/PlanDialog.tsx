import { useMutation } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client, type Schemas } from "../../api";
import { PlanChoice, planOf, planValue, setName, useKeepBench } from "../../shared/job";
import { Button, Choice, Dialog, Faults } from "../../shared/ui";
import type { Desk } from "./useDesk";

type Order = Schemas["ReadingOrder"];
const ORDERS: readonly { value: Order; label: string }[] = [
  { value: "one journal round", label: "one round, then the next" },
  { value: "all journals at one angle", label: "all at one angle, then the next angle" },
];
const PLAN: Schemas["Plan"] = { planes: 2, angles_deg: [0, 45, 90, 135], order: "one journal round" };

interface Props {
  desk: Desk;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}

/** Where each part of the set is read, and in which order. */
export function PlanDialog({ desk, open, onOpenChange }: Props) {
  const set = desk.part.set;
  const plan = desk.bench.plans[set] ?? PLAN;
  const [value, setValue] = useState<string>(planValue(plan));
  const [order, setOrder] = useState<Order>(plan.order);
  const keep = useKeepBench();
  const change = useMutation({
    mutationFn: () =>
      ask(
        client.PUT("/api/jobs/{job_id}/plan", {
          params: { path: { job_id: desk.bench.card.id } },
          body: { set, plan: planOf(value, order) },
        }),
      ),
    onSuccess: (bench) => {
      keep(bench);
      onOpenChange(false);
    },
  });
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title={`Measuring plan: ${setName(desk.kinds, set).toLowerCase()}`}
    >
      <div className="flex flex-col gap-4">
        <PlanChoice label="Each is read in" kind={desk.kind} inUse={plan} value={value} onChange={setValue} />
        <Choice label="In which order" value={order} options={ORDERS} onChange={setOrder} />
        <Faults error={change.error} />
        <Button kind="strong" onClick={() => change.mutate()}>
          Change the plan
        </Button>
      </div>
    </Dialog>
  );
}
