import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client, type Schemas } from "../../api";
import { newId } from "../../shared/job";
import { SaidNotice, useServerForm } from "../../shared/forms";
import { Button, Choice, Field, Notice } from "../../shared/ui";

/** The setting check: read the standard, and the zero error is kept and taken off from then on. */
export function CheckForm({ gauge }: { gauge: Schemas["GaugeOut"] }) {
  const queries = useQueryClient();
  const gauges = useQuery({ queryKey: ["gauges"], queryFn: () => ask(client.GET("/api/gauges")) });
  const masters = (gauges.data ?? []).filter(
    (one) => one.id !== gauge.id && one.purposes.includes("setting other gauges") && !one.retired,
  );
  const [done, setDone] = useState<Schemas["GaugeDetail"]>();
  const { form, field, set, said, submit } = useServerForm(
    { standard: "", against: "", standard_error: "", read: "" },
    async (given) => {
      const detail = await ask(
        client.POST("/api/gauges/{key}/checks", {
          params: { path: { key: gauge.id } },
          body: { ...given, id: newId(), unit: gauge.unit, gauge_c: "", at: new Date().toISOString() },
        }),
      );
      queries.setQueryData(["gauges", gauge.id], detail);
      void queries.invalidateQueries({ queryKey: ["gauges"], exact: true });
      setDone(detail);
    },
    { next: (given) => ({ ...given, read: "" }) },
  );
  const against = form.watch("against");
  const last = done?.checks.at(-1);
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-3" aria-label="Setting check">
      <Choice
        label="Read it on"
        value={against}
        options={[
          { value: "", label: "its setting standard, or a gauge block" },
          ...masters.map((one) => ({ value: one.id, label: one.name })),
        ]}
        hint={
          gauge.comparator
            ? "A bore gauge set in a micrometer inherits its error: in a clearance it cancels."
            : "A standard near the size you measure tells most."
        }
        onChange={(id) => {
          const ring = masters.find((one) => one.id === id && one.kind === "setting ring");
          set(ring ? { against: id, standard: ring.least } : { against: id });
        }}
      />
      <div className="grid grid-cols-2 gap-3">
        <Field label={`Its size, ${gauge.unit}`} {...field("standard")} />
        <Field label="Good to, ±" placeholder="1 µm" readOnly={against !== ""} {...field("standard_error")} />
      </div>
      <Field
        label="The gauge reads"
        hint="Once; or five times and more with a space between, and your repeatability is known."
        className="figure !text-2xl"
        {...field("read")}
      />
      <SaidNotice said={said} />
      <Button kind="strong" type="submit" disabled={form.formState.isSubmitting}>
        Write the check down
      </Button>
      {last && (
        <Notice tone={last.out ? "wrong" : "plain"}>
          Zero error <span className="figure">{last.zero}</span> {gauge.unit}
          {last.drift && `, ${last.drift} since the check before`}.{" "}
          {last.out
            ? "That is more than it may be out. Set it anew and check it again."
            : "It is taken off every reading from now on."}
        </Notice>
      )}
    </form>
  );
}
