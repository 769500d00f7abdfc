import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client, Refused, type Schemas } from "../../api";
import { Button, Choice, Dialog, Faults, Field, Page } from "../../shared/ui";
import { useMay } from "../session";

type GaugeIn = Schemas["GaugeIn"];
const KINDS: readonly Schemas["GaugeKind"][] = [
  "micrometer",
  "digital micrometer",
  "comparator snap gauge",
  "caliper",
];
const BLANK: GaugeIn = {
  name: "",
  kind: "micrometer",
  unit: "in",
  resolution: "",
  permissible_error: "",
  repeatability: "",
  retired: false,
};

export function GaugesPage() {
  const gauges = useQuery({ queryKey: ["gauges"], queryFn: () => ask(client.GET("/api/gauges")) });
  const [editing, setEditing] = useState<{ id: string | null; gauge: GaugeIn } | null>(null);
  const may = useMay()("keep the gauge list");
  return (
    <Page
      title="Gauges"
      note="How finely each reads and how far it may be out. Every verdict rests on it."
      actions={
        may && (
          <Button kind="strong" onClick={() => setEditing({ id: null, gauge: BLANK })}>
            Enter a gauge
          </Button>
        )
      }
    >
      <Faults error={gauges.error} />
      <table className="w-full border-collapse text-left">
        <thead className="text-quiet">
          <tr className="border-b-2 border-ink">
            <th className="py-2 font-semibold">Gauge</th>
            <th className="font-semibold">Kind</th>
            <th className="font-semibold">Reads to</th>
            <th className="font-semibold">Permissible error</th>
            <th className="font-semibold">Repeats within</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {gauges.data?.map((gauge) => (
            <tr key={gauge.id} className="border-b border-line">
              <td className="py-3 text-lg font-semibold">
                {gauge.name}
                {gauge.retired && <span className="ml-2 font-normal text-quiet">retired</span>}
              </td>
              <td>{gauge.kind}</td>
              <td className="figure">
                {gauge.resolution} {gauge.unit}
              </td>
              <td className="figure">
                ±{gauge.permissible_error} {gauge.unit}
              </td>
              <td className="figure">
                {gauge.repeatability ? `${gauge.repeatability} ${gauge.unit}` : "half a graduation"}
              </td>
              <td className="text-right">
                {may && (
                  <Button kind="quiet" onClick={() => setEditing({ id: gauge.id, gauge })}>
                    Change
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {editing && <GaugeDialog id={editing.id} start={editing.gauge} onClose={() => setEditing(null)} />}
    </Page>
  );
}

function GaugeDialog({ id, start, onClose }: { id: string | null; start: GaugeIn; onClose: () => void }) {
  const { name, kind, unit, resolution, permissible_error, repeatability, retired } = start;
  const [gauge, setGauge] = useState<GaugeIn>({ name, kind, unit, resolution, permissible_error, repeatability, retired }); // prettier-ignore
  const queries = useQueryClient();
  const keep = useMutation({
    mutationFn: () =>
      id === null
        ? ask(client.POST("/api/gauges", { body: gauge }))
        : ask(client.PUT("/api/gauges/{key}", { params: { path: { key: id } }, body: gauge })),
    onSuccess: () => {
      void queries.invalidateQueries({ queryKey: ["gauges"] });
      onClose();
    },
  });
  const refused = keep.error instanceof Refused ? keep.error : null;
  const field = (key: "name" | "resolution" | "permissible_error" | "repeatability") => ({
    value: gauge[key],
    fault: refused?.at(key),
    onChange: (event: { target: { value: string } }) => setGauge({ ...gauge, [key]: event.target.value }),
  });
  return (
    <Dialog open onOpenChange={onClose} title={id === null ? "Enter a gauge" : "Change the gauge"}>
      <div className="flex flex-col gap-3">
        <Field label="Name and number" {...field("name")} />
        <Choice
          label="Kind"
          value={gauge.kind}
          options={KINDS.map((value) => ({ value, label: value }))}
          onChange={(value) => setGauge({ ...gauge, kind: value })}
        />
        <Choice
          label="Reads in"
          value={gauge.unit}
          options={[
            { value: "in", label: "inch" },
            { value: "mm", label: "millimetre" },
          ]}
          onChange={(value) => setGauge({ ...gauge, unit: value })}
        />
        <Field label="Reads to" hint="One graduation or one digit." {...field("resolution")} />
        <Field
          label="Permissible error, ±"
          hint="From its calibration sheet or its maker."
          {...field("permissible_error")}
        />
        <Field
          label="Repeatability"
          hint="One standard deviation, if known. Left empty: half a graduation."
          {...field("repeatability")}
        />
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5"
            checked={gauge.retired}
            onChange={(e) => setGauge({ ...gauge, retired: e.target.checked })}
          />
          Retired: no longer offered, kept for old readings
        </label>
        <Faults
          error={
            refused?.faults.length && !refused.faults.some((f) => f.where.includes("document"))
              ? null
              : keep.error
          }
        />
        <Button kind="strong" onClick={() => keep.mutate()}>
          Keep it
        </Button>
      </div>
    </Dialog>
  );
}
