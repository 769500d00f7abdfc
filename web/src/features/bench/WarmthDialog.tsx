import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client, Refused, type Schemas, Unreachable } from "../../api";
import { newId } from "../../shared/job";
import { Button, Choice, Dialog, Faults, Field } from "../../shared/ui";
import type { Desk } from "./useDesk";

type Condition = Schemas["Condition"];

interface Props {
  desk: Desk;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}

/** How warm part and gauge are, from now on. */
export function WarmthDialog({ desk, open, onOpenChange }: Props) {
  const { setup, bench } = desk;
  const [part, setPart] = useState(setup.sitting?.part ?? "");
  const [gauge, setGauge] = useState(setup.sitting?.gauge ?? "");
  const [condition, setCondition] = useState<Condition>(
    setup.sitting?.condition ?? "rested beside the gauge",
  );
  const key = useQuery({
    queryKey: ["key"],
    queryFn: () => ask(client.GET("/api/key")),
    staleTime: Infinity,
  });
  const take = () => {
    setup.warm(part, gauge, condition);
    onOpenChange(false);
  };
  const check = useMutation({
    mutationFn: () =>
      ask(
        client.POST("/api/jobs/{job_id}/sittings/check", {
          params: { path: { job_id: bench.card.id } },
          body: { id: newId(), part, gauge, condition, at: new Date().toISOString() },
        }),
      ),
    onSuccess: take,
    // A server that is away is no reason to forget the temperature: it is checked when the readings land.
    onError: (error) => {
      if (error instanceof Unreachable) take();
    },
  });
  const refused = check.error instanceof Refused ? check.error : null;
  const shop = `The shop's: ${bench.shop_c} °C.`;
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="How warm"
      note="It counts for the readings from now on. Sizes are brought to 20 °C."
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          check.mutate();
        }}
      >
        <div className="grid grid-cols-2 gap-3">
          <Field
            label="Part, °C"
            hint={shop}
            placeholder={String(bench.shop_c)}
            value={part}
            fault={refused?.at("part")}
            autoFocus
            onChange={(e) => setPart(e.target.value)}
          />
          <Field
            label="Gauge, °C"
            hint="Write 70 F for Fahrenheit."
            placeholder={String(bench.shop_c)}
            value={gauge}
            fault={refused?.at("gauge")}
            onChange={(e) => setGauge(e.target.value)}
          />
        </div>
        <Choice
          label="The part"
          hint="Warm by an unknown amount, a verdict it could still move waits."
          value={condition}
          options={(key.data?.conditions ?? ["rested beside the gauge"]).map((value) => ({
            value,
            label: value,
          }))}
          onChange={setCondition}
        />
        {!refused?.faults.length && <Faults error={refused} />}
        <Button kind="strong" type="submit">
          Measure on
        </Button>
      </form>
    </Dialog>
  );
}
