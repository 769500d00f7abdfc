import { useQuery, useQueryClient } from "@tanstack/react-query";

import { ask, client, type Schemas } from "../../api";
import { SaidNotice, useServerForm } from "../../shared/forms";
import { Button, Choice, Dialog, Field } from "../../shared/ui";
import { useMay } from "../session";

type GaugeIn = Schemas["GaugeIn"];

export const BLANK: GaugeIn = {
  name: "", kind: "micrometer", unit: "in", resolution: "", permissible_error: "", repeatability: "", least: "",
  most: "", revolution: "", serial: "", due: "", fit_for: [], material: "gauge steel", port: "", retired: false,
  plus_is_larger: true, version: 0,
}; // prettier-ignore

/** A gauge of the cabinet as it stands in the form. */
export function formOf(gauge: Schemas["GaugeOut"]): GaugeIn {
  const { name, kind, unit, resolution, permissible_error, repeatability, least, most, revolution, serial } =
    gauge;
  const { material, port, retired, due, purposes, plus_is_larger, version } = gauge;
  return {
    name, kind, unit, resolution, permissible_error, repeatability, least, most, revolution, serial, material, port,
    retired, due: due ?? "", fit_for: purposes, plus_is_larger, version,
  }; // prettier-ignore
}

interface Props {
  id: string | null;
  start: GaugeIn;
  onClose: () => void;
}

/** Enter a gauge, or change one. What its kind has no use for is not asked. */
export function GaugeDialog({ id, start, onClose }: Props) {
  const queries = useQueryClient();
  const may = useMay();
  const { form, field, set, said, submit } = useServerForm<GaugeIn>(start, async (gauge) => {
    const body = { ...gauge, fit_for: gauge.fit_for };
    await (id === null
      ? ask(client.POST("/api/gauges", { body }))
      : ask(client.PUT("/api/gauges/{key}", { params: { path: { key: id } }, body })));
    void queries.invalidateQueries({ queryKey: ["gauges"] });
    onClose();
  });
  const asked = useQuery({
    queryKey: ["gauges", "asked"],
    queryFn: () => ask(client.GET("/api/gauges/asked")),
  });
  const gauge = form.watch();
  const kind = asked.data?.kinds.find((one) => one.kind === gauge.kind);
  const scale = kind?.reads_in;
  const comparator = kind?.comparator && gauge.kind !== "indicator";
  const dial = gauge.kind.includes("bore gauge") || gauge.kind === "indicator";
  return (
    <Dialog open wide onOpenChange={onClose} title={id === null ? "Enter a gauge" : "Change the gauge"}>
      <form onSubmit={(event) => void submit(event)}>
        <div className="grid grid-cols-3 gap-x-4 max-md:grid-cols-1 gap-y-3">
          <div className="col-span-2">
            <Field label="Name and number" {...field("name")} />
          </div>
          <Field label="Serial mark" {...field("serial")} />
          <Choice
            label="Kind"
            value={gauge.kind}
            options={(asked.data?.kinds ?? [{ kind: gauge.kind }]).map((one) => ({
              value: one.kind,
              label: one.kind,
            }))}
            onChange={(kind) => set({ kind, fit_for: [] })}
          />
          <Choice
            label="Reads in"
            value={gauge.unit}
            disabled={!!scale}
            options={[
              { value: "in", label: "inch" },
              { value: "mm", label: "millimetre" },
            ]}
            onChange={(unit) => set({ unit })}
          />
          <Choice
            label="Its scale is of"
            value={gauge.material}
            options={(asked.data?.materials ?? [gauge.material]).map((value) => ({ value, label: value }))}
            onChange={(material) => set({ material })}
          />
          <Field
            label={scale ? `Reads to, ${scale}` : "Reads to"}
            hint="One graduation or one digit."
            {...field("resolution")}
          />
          <Field
            label="Permissible error, ±"
            hint="From its calibration sheet or its maker."
            {...field("permissible_error")}
          />
          {!scale && (
            <Field
              label="Repeatability"
              hint="One standard deviation, if known."
              {...field("repeatability")}
            />
          )}
          {!scale && <Field label="Range from" hint="A ring: its size, twice." {...field("least")} />}
          <Field label={scale ? `Takes at most, ${scale}` : "Range to"} {...field("most")} />
          {dial && <Field label="One turn of the dial" {...field("revolution")} />}
          <Field label="Calibration due" type="date" {...field("due")} />
          {!scale && (
            <Field
              label="Data port"
              placeholder="/dev/ttyUSB0 or socket://…"
              hint={
                may("set a gauge's data port")
                  ? "Where its button speaks; empty if it has none."
                  : "The owner sets it."
              }
              readOnly={!may("set a gauge's data port")}
              {...field("port")}
            />
          )}
        </div>
        <fieldset className="mt-2">
          <legend className="font-semibold">
            Fit for{" "}
            <span className="font-normal text-quiet">(none ticked: what its kind is usually fit for)</span>
          </legend>
          <div className="flex flex-wrap gap-x-4">
            {asked.data?.purposes.map((purpose) => (
              <Tick
                key={purpose}
                label={purpose}
                checked={gauge.fit_for.includes(purpose)}
                onChange={(on) =>
                  set({
                    fit_for: on
                      ? [...gauge.fit_for, purpose]
                      : gauge.fit_for.filter((one) => one !== purpose),
                  })
                }
              />
            ))}
          </div>
        </fieldset>
        {comparator && (
          <Tick
            label="Plus on its dial means larger; not ticked: plus means smaller"
            checked={gauge.plus_is_larger}
            onChange={(plus_is_larger) => set({ plus_is_larger })}
          />
        )}
        <div className="mt-1 flex items-center gap-5">
          <Button kind="strong" type="submit">
            Keep it
          </Button>
          <Tick
            label="Retired: no longer offered, kept for old readings"
            checked={gauge.retired}
            onChange={(retired) => set({ retired })}
          />
        </div>
        <SaidNotice said={said} />
      </form>
    </Dialog>
  );
}

function Tick({
  label,
  checked,
  onChange,
}: {
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
}) {
  return (
    <label className="flex min-h-9 items-center gap-2">
      <input
        type="checkbox"
        className="size-5"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  );
}
