import type { Schemas } from "../../api";
import { Button, Choice, Field, Section } from "../../shared/ui";
import type { SetForm } from "./useLimits";

type FigureForm = Schemas["FigureForm"];
const SOURCES: readonly Schemas["SourceKind"][] = [
  "maker",
  "part maker",
  "house",
  "rule of thumb",
  "invented",
];
const HARDENINGS: readonly Schemas["Hardening"][] = [
  "unknown",
  "none",
  "induction",
  "nitrided",
  "nitrocarburised",
];
const cell = "min-h-10 w-full rounded-tool border-2 border-line bg-sheet px-2 text-[17px] focus:border-blue";

interface Props {
  title: string;
  part: "rods" | "mains";
  form: SetForm;
  figures: readonly Schemas["FigureLabel"][];
  /** What the server said of a field, by its name. */
  fault: (name: string) => string | undefined;
  onChange: (form: SetForm) => void;
  /** A field is being typed in: what was said of it no longer stands. */
  onMend: (name: string) => void;
}

/** The limits of one set: figure, source and place, row by row; then the shells that can be bought. */
export function SetPart({ title, part, form, figures, fault, onChange, onMend }: Props) {
  const change = (name: string, next: Partial<FigureForm>) => {
    onMend(`${part}.${name}`);
    onChange({
      ...form,
      figures: form.figures.map((old) => (old.name === name ? { ...old, ...next } : old)),
    });
  };
  return (
    <Section title={title}>
      <div className="overflow-x-auto">
        <table className="w-full min-w-[56rem] border-collapse text-left">
          <thead className="text-quiet">
            <tr>
              <th className="w-64 font-normal">Figure</th>
              <th className="w-36 font-normal">Least, or the limit</th>
              <th className="w-36 font-normal">Most</th>
              <th className="w-36 font-normal">Source</th>
              <th className="font-normal">Book and page</th>
            </tr>
          </thead>
          <tbody>
            {figures.map((label) => {
              const figure = form.figures.find((one) => one.name === label.name);
              return (
                figure && (
                  <FigureRow
                    key={label.name}
                    set={title}
                    label={label}
                    figure={figure}
                    fault={fault(`${part}.${label.name}`)}
                    onChange={(next) => change(label.name, next)}
                  />
                )
              );
            })}
          </tbody>
        </table>
      </div>
      {fault(part) && <p className="mt-1 font-semibold text-red">{fault(part)}</p>}
      <div className="mt-3 grid grid-cols-[16rem_1fr] gap-6 max-md:grid-cols-1">
        <div className="flex flex-col gap-3">
          <Choice
            label="Hardening"
            value={form.hardening}
            options={HARDENINGS.map((value) => ({ value, label: value }))}
            onChange={(hardening) => onChange({ ...form, hardening })}
          />
          <Field
            label="Oil hole, degrees"
            hint="From the throw; mains from cylinder 1 top dead centre. Drawn so that the gauge keeps clear."
            value={form.oil_hole_deg}
            fault={fault(`${part}.oil_hole_deg`)}
            onChange={(event) => onChange({ ...form, oil_hole_deg: event.target.value })}
          />
        </div>
        <Shells title={title} part={part} form={form} fault={fault} onChange={onChange} />
      </div>
    </Section>
  );
}

interface RowProps {
  set: string;
  label: Schemas["FigureLabel"];
  figure: FigureForm;
  fault: string | undefined;
  onChange: (next: Partial<FigureForm>) => void;
}

function FigureRow({ set, label, figure, fault, onChange }: RowProps) {
  const name = `${set}, ${label.label}`;
  return (
    <tr>
      <th scope="row" className="pr-3 text-left font-normal">
        {label.label}
        {label.needed && <span className="text-quiet"> (needed)</span>}
        {fault && <span className="block font-semibold text-red">{fault}</span>}
      </th>
      <td className="p-0.5">
        <input
          aria-label={label.is_band ? `${name}, least` : name}
          aria-invalid={!!fault}
          className={`${cell} figure`}
          value={figure.least}
          onChange={(e) => onChange({ least: e.target.value })}
        />
      </td>
      <td className="p-0.5">
        {label.is_band && (
          <input
            aria-label={`${name}, most`}
            aria-invalid={!!fault}
            className={`${cell} figure`}
            value={figure.most}
            onChange={(e) => onChange({ most: e.target.value })}
          />
        )}
      </td>
      <td className="p-0.5">
        <select
          aria-label={`${name}, source`}
          className={cell}
          value={figure.source}
          onChange={(e) =>
            onChange({ source: SOURCES.find((source) => source === e.target.value) ?? "maker" })
          }
        >
          {SOURCES.map((source) => (
            <option key={source}>{source}</option>
          ))}
        </select>
      </td>
      <td className="p-0.5">
        <input
          aria-label={`${name}, book and page`}
          className={cell}
          value={figure.place}
          onChange={(e) => onChange({ place: e.target.value })}
        />
      </td>
    </tr>
  );
}

function Shells({ title, part, form, fault, onChange }: Omit<Props, "figures" | "onMend">) {
  const change = (at: number, next: Partial<Schemas["ShellForm"]>) =>
    onChange({ ...form, shells: form.shells.map((old, n) => (n === at ? { ...old, ...next } : old)) });
  return (
    <div>
      <p className="mb-1 font-semibold">Shell sizes</p>
      {fault(`${part}.shells`) && <p className="font-semibold text-red">{fault(`${part}.shells`)}</p>}
      {form.shells.map((shell, n) => (
        <div key={n} className="mb-1">
          <div className="grid grid-cols-[8rem_1fr_9rem_auto] items-center gap-2">
            <input
              aria-label={`${title}, shell ${n + 1}, undersize`}
              placeholder=".010"
              className={`${cell} figure`}
              value={shell.undersize}
              onChange={(e) => change(n, { undersize: e.target.value })}
            />
            <input
              aria-label={`${title}, shell ${n + 1}, part number`}
              placeholder="part number"
              className={cell}
              value={shell.part_number}
              onChange={(e) => change(n, { part_number: e.target.value })}
            />
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                className="size-5"
                checked={shell.can_be_bought}
                onChange={(e) => change(n, { can_be_bought: e.target.checked })}
              />
              can be bought
            </label>
            <Button
              kind="quiet"
              aria-label={`Take out shell ${n + 1}`}
              onClick={() => onChange({ ...form, shells: form.shells.filter((_, at) => at !== n) })}
            >
              Take out
            </Button>
          </div>
          {fault(`${part}.shells.${n}`) && (
            <p className="font-semibold text-red">{fault(`${part}.shells.${n}`)}</p>
          )}
        </div>
      ))}
      <Button
        onClick={() =>
          onChange({
            ...form,
            shells: [...form.shells, { undersize: "", part_number: "", can_be_bought: true }],
          })
        }
      >
        Add a shell size
      </Button>
    </div>
  );
}
