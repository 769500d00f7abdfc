import type { Schemas } from "../../api";
import { Choice, Field, Section } from "../../shared/ui";

type Layout = Schemas["Layout"];

interface Props {
  layouts: readonly Layout[];
  layout: Layout;
  fault: (where: string) => string | undefined;
  onChange: (layout: Layout) => void;
}

/** The engine's layout: a usual one, then its numbering and throws as they really are. */
export function LayoutPart({ layouts, layout, fault, onChange }: Props) {
  const usual = layouts.some((known) => known.name === layout.name) ? layouts : [layout, ...layouts];
  return (
    <Section title="Layout">
      <div className="grid grid-cols-2 gap-6 max-md:grid-cols-1">
        <Choice
          label="Usual layouts"
          value={layout.name}
          options={usual.map((known) => ({ value: known.name, label: known.name }))}
          onChange={(name) => {
            const chosen = usual.find((known) => known.name === name);
            if (chosen) onChange(chosen);
          }}
        />
        <Field
          label="Journals along the shaft, from the front"
          hint="M for mains, R for rods: R2 is the second pin. Take a main out where the engine has none."
          className="figure"
          fault={fault("form.layout") ?? fault("form.layout.shaft") ?? fault("layout")}
          value={layout.shaft.join(" ")}
          onChange={(event) => onChange({ ...layout, shaft: event.target.value.toUpperCase().split(/\s+/) })}
        />
      </div>
      <div className="mt-3 grid grid-cols-4 gap-3 max-md:grid-cols-2 max-sm:grid-cols-1">
        {layout.pins.map((pin, n) => (
          <div key={n} className="grid grid-cols-2 gap-2 border-l-4 border-line pl-2">
            <Field
              label={`Pin ${n + 1}, cylinders`}
              className="figure"
              fault={fault(`form.layout.pins.${n}.cylinders`) ?? fault(`layout.pins.${n}.cylinders`)}
              value={pin.cylinders.join(" ")}
              onChange={(event) =>
                onChange(withPin(layout, n, { ...pin, cylinders: numbers(event.target.value) }))
              }
            />
            <Field
              label="throw °"
              type="number"
              min={0}
              max={359}
              className="figure"
              fault={fault(`form.layout.pins.${n}.throw_deg`) ?? fault(`layout.pins.${n}.throw_deg`)}
              value={pin.throw_deg}
              onChange={(event) =>
                onChange(withPin(layout, n, { ...pin, throw_deg: Number(event.target.value) }))
              }
            />
          </div>
        ))}
      </div>
      <div className="mt-4 grid grid-cols-4 gap-3 max-md:grid-cols-1">
        {layout.arrangement === "inline" ? null : (
          <>
            <Field
              label="Left bank, from the front"
              hint="Left as seen from the front. Empty: every other rod along the shaft."
              className="figure"
              fault={fault("form.layout.banks")}
              value={(layout.banks[0] ?? []).join(" ")}
              onChange={(event) => onChange(withBank(layout, numbers(event.target.value)))}
            />
            <Choice
              label="Inlet side"
              value={layout.inlet_side ?? ""}
              options={[{ value: "", label: "not said" }, ...SIDES]}
              onChange={(side) => onChange({ ...layout, inlet_side: side === "" ? null : side })}
            />
          </>
        )}
        {layout.arrangement === "inline" && (
          <Choice
            label="Inlet side, from the front"
            value={layout.inlet_side ?? ""}
            options={[{ value: "", label: "not said" }, ...SIDES.slice(0, 2)]}
            onChange={(side) => onChange({ ...layout, inlet_side: side === "" ? null : side })}
          />
        )}
        <Choice
          label="Turns, seen from the front"
          value={layout.rotation}
          options={[
            { value: "clockwise", label: "clockwise" },
            { value: "anticlockwise", label: "anticlockwise" },
          ]}
          onChange={(rotation) => onChange({ ...layout, rotation })}
        />
        <Choice
          label="Thrust is taken at"
          fault={fault("form.layout.thrust_main")}
          value={layout.thrust_main ?? ""}
          options={[
            { value: "", label: "not said" },
            ...layout.shaft
              .filter((name) => name.startsWith("M"))
              .map((main) => ({ value: main, label: `main ${main.slice(1)}` })),
          ]}
          onChange={(main) =>
            onChange(
              main === ""
                ? { ...layout, thrust_main: null, thrust_by: null }
                : { ...layout, thrust_main: main },
            )
          }
        />
        {layout.thrust_main && (
          <Choice
            label="by"
            value={layout.thrust_by ?? ""}
            options={[{ value: "", label: "not said" }, ...THRUST_BY]}
            onChange={(by) => onChange({ ...layout, thrust_by: by === "" ? null : by })}
          />
        )}
      </div>
    </Section>
  );
}

const THRUST_BY: { value: Schemas["ThrustBy"]; label: string }[] = [
  { value: "flanged halves", label: "flanged halves" },
  { value: "washers", label: "thrust washers" },
];
const SIDES: { value: Schemas["Side"]; label: string }[] = [
  { value: "left", label: "left" },
  { value: "right", label: "right" },
  { value: "in the vee", label: "in the vee" },
];

/** The banks as the left one is given; the right holds the rest. */
function withBank(layout: Layout, left: number[]): Layout {
  if (left.length === 0) return { ...layout, banks: [] };
  const all = layout.pins.flatMap((pin) => pin.cylinders).sort((a, b) => a - b);
  return { ...layout, banks: [left, all.filter((one) => !left.includes(one))] };
}

const numbers = (text: string): number[] =>
  text
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(Number);

function withPin(layout: Layout, at: number, pin: Schemas["Pin"]): Layout {
  return { ...layout, pins: layout.pins.map((old, n) => (n === at ? pin : old)) };
}
