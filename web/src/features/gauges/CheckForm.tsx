import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type SyntheticEvent, useState } from "react";

import { ask, client, Refused, type Schemas } from "../../api";
import { newId } from "../../shared/job";
import { Button, Choice, Faults, Field, Notice } from "../../shared/ui";

/** The setting check: read the standard, and the zero error is kept and taken off from then on. */
export function CheckForm({ gauge }: { gauge: Schemas["GaugeOut"] }) {
  const [standard, setStandard] = useState("");
  const [against, setAgainst] = useState("");
  const [error, setError] = useState("");
  const [read, setRead] = useState("");
  const queries = useQueryClient();
  const gauges = useQuery({ queryKey: ["gauges"], queryFn: () => ask(client.GET("/api/gauges")) });
  const masters = (gauges.data ?? []).filter(
    (one) => one.id !== gauge.id && one.purposes.includes("setting other gauges") && !one.retired,
  );
  const check = useMutation({
    mutationFn: () =>
      ask(
        client.POST("/api/gauges/{key}/checks", {
          params: { path: { key: gauge.id } },
          body: {
            id: newId(), standard, standard_error: error, against, read, unit: gauge.unit, gauge_c: "",
            at: new Date().toISOString(),
          }, // prettier-ignore
        }),
      ),
    onSuccess: (detail) => {
      queries.setQueryData(["gauges", gauge.id], detail);
      void queries.invalidateQueries({ queryKey: ["gauges"], exact: true });
      setRead("");
    },
  });
  const refused = check.error instanceof Refused ? check.error : null;
  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    check.mutate();
  };
  const last = check.data?.checks.at(-1);
  return (
    <form onSubmit={submit} className="flex flex-col gap-3" aria-label="Setting check">
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
          setAgainst(id);
          const ring = masters.find((one) => one.id === id && one.kind === "setting ring");
          if (ring) setStandard(ring.least);
        }}
      />
      <div className="grid grid-cols-2 gap-3">
        <Field
          label={`Its size, ${gauge.unit}`}
          value={standard}
          fault={refused?.at("standard")}
          onChange={(e) => setStandard(e.target.value)}
        />
        <Field
          label="Good to, ±"
          placeholder="1 µm"
          value={error}
          disabled={against !== ""}
          fault={refused?.at("standard_error")}
          onChange={(e) => setError(e.target.value)}
        />
      </div>
      <Field
        label="The gauge reads"
        hint="Once; or five times and more with a space between, and your repeatability is known."
        className="figure !text-2xl"
        value={read}
        fault={refused?.at("read")}
        onChange={(e) => setRead(e.target.value)}
      />
      {!refused?.faults.length && <Faults error={check.error} />}
      <Button kind="strong" type="submit" disabled={check.isPending}>
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
