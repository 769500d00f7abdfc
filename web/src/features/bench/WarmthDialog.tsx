import { useQuery } from "@tanstack/react-query";

import { ask, client, type Schemas, Unreachable } from "../../api";
import { SaidNotice, useServerForm } from "../../shared/forms";
import { newId } from "../../shared/job";
import { Button, Dialog, Field, Pick } from "../../shared/ui";
import type { Desk } from "./useDesk";

type Condition = Schemas["Condition"];

interface Props {
  desk: Desk;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}

/** How warm part and gauge are, from now on. */
export function WarmthDialog({ desk, open, onOpenChange }: Props) {
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="How warm"
      note="It counts for the readings from now on. Sizes are brought to 20 °C."
    >
      <WarmthForm desk={desk} onDone={() => onOpenChange(false)} />
    </Dialog>
  );
}

function WarmthForm({ desk, onDone }: { desk: Desk; onDone: () => void }) {
  const { setup, bench } = desk;
  const key = useQuery({
    queryKey: ["key"],
    queryFn: () => ask(client.GET("/api/key")),
    staleTime: Infinity,
  });
  const condition: Condition = setup.sitting?.condition ?? "rested beside the gauge";
  const start = { part: setup.sitting?.part ?? "", gauge: setup.sitting?.gauge ?? "", condition };
  const { field, said, submit } = useServerForm(start, async (given) => {
    try {
      const body = { id: newId(), ...given, at: new Date().toISOString() };
      const path = { job_id: bench.card.id };
      await ask(client.POST("/api/jobs/{job_id}/sittings/check", { params: { path }, body }));
    } catch (error) {
      // A server that is away is no reason to forget the temperature: it is checked when the readings land.
      if (!(error instanceof Unreachable)) throw error;
    }
    setup.warm(given.part, given.gauge, given.condition);
    onDone();
  });
  const shop = `The shop's: ${bench.shop_c} °C.`;
  const conditions = key.data?.conditions ?? ["rested beside the gauge"];
  return (
    <form className="flex flex-col gap-4" onSubmit={(event) => void submit(event)}>
      <div className="grid grid-cols-2 gap-3">
        <Field label="Part, °C" hint={shop} placeholder={String(bench.shop_c)} autoFocus {...field("part")} />
        <Field
          label="Gauge, °C"
          hint="Write 70 F for Fahrenheit."
          placeholder={String(bench.shop_c)}
          {...field("gauge")}
        />
      </div>
      <Pick
        label="The part"
        hint="Warm by an unknown amount, a verdict it could still move waits."
        options={conditions.map((value) => ({ value, label: value }))}
        {...field("condition")}
      />
      <SaidNotice said={said} />
      <Button kind="strong" type="submit">
        Measure on
      </Button>
    </form>
  );
}
