import type { Schemas } from "../../api";
import type { Kind } from "../../shared/job";
import { Button, Choice, Field, Section } from "../../shared/ui";
import type { SetForm } from "./useLimits";

type FigureForm = Schemas["FigureForm"];
type FigureAsked = Kind["figures"][number];
const SOURCES: readonly Schemas["SourceKind"][] = [
  "maker",
  "part maker",
  "house",
  "rule of thumb",
  "invented",
];
const cell = "min-h-10 w-full rounded-tool border-2 border-line bg-sheet px-2 text-[17px] focus:border-blue";

interface Props {
  title: string;
  kind: Kind;
  /** The unit the sheet is typed in. */
  unit: Schemas["Unit"];
  form: SetForm;
  /** The sets that the sheet speaks of. */
  sets: readonly string[];
  /** What the server said of a field, by its name. */
  fault: (name: string) => string | undefined;
  onChange: (form: SetForm) => void;
  /** A field is being typed in: what was said of it no longer stands. */
  onMend: (name: string) => void;
  onLeaveOut: (() => void) | undefined;
}

/** The limits of one set: figure, source and place, row by row; what it is made of; then the steps that are sold. */
export function SetPart({ title, kind, unit, form, sets, fault, onChange, onMend, onLeaveOut }: Props) {
  const set = form.set;
  const change = (name: string, next: Partial<FigureForm>) => {
    onMend(`${set}.${name}`);
    onChange({
      ...form,
      figures: form.figures.map((old) => (old.name === name ? { ...old, ...next } : old)),
    });
  };
  return (
    <Section title={title}>
      {onLeaveOut && (
        <Button kind="quiet" className="float-right" onClick={onLeaveOut}>
          Leave the {title.toLowerCase()} out
        </Button>
      )}
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
            {kind.figures.map((asked) => {
              const figure = form.figures.find((one) => one.name === asked.name);
              if (asked.of_set && asked.of_set !== set) return null;
              const once = sets.includes(asked.asked_of) && !figure?.least && !figure?.most;
              return (
                figure &&
                !once && (
                  <FigureRow
                    key={asked.name}
                    set={title}
                    asked={asked}
                    figure={figure}
                    fault={fault(`${set}.${asked.name}`)}
                    onChange={(next) => change(asked.name, next)}
                  />
                )
              );
            })}
          </tbody>
        </table>
      </div>
      {fault(set) && <p className="mt-1 font-semibold text-red">{fault(set)}</p>}
      <div className="mt-3 grid grid-cols-[16rem_1fr] gap-6 max-md:grid-cols-1">
        <div className="flex flex-col gap-3">
          {kind.made.map((made) => (
            <MadeOf
              key={made.key}
              made={made}
              value={form.made[made.key] ?? ""}
              fault={fault(`${set}.${made.key}`)}
              onChange={(said) => {
                onMend(`${set}.${made.key}`);
                onChange({ ...form, made: { ...form.made, [made.key]: said } });
              }}
            />
          ))}
        </div>
        {kind.steps && (
          <Steps title={title} kind={kind} unit={unit} form={form} fault={fault} onChange={onChange} />
        )}
      </div>
    </Section>
  );
}

interface MadeProps {
  made: Kind["made"][number];
  value: string;
  fault: string | undefined;
  onChange: (said: string) => void;
}

/** What a set is made of: one of the answers, or in degrees, or in words. */
function MadeOf({ made, value, fault, onChange }: MadeProps) {
  if (made.answers.length === 0)
    return (
      <Field
        label={made.label}
        value={value}
        fault={fault}
        onChange={(event) => onChange(event.target.value)}
      />
    );
  return (
    <Choice
      label={made.label}
      value={value}
      options={[
        ...(value === "" ? [{ value: "", label: "not said" }] : []),
        ...made.answers.map((answer) => ({ value: answer, label: answer })),
      ]}
      onChange={onChange}
    />
  );
}

interface RowProps {
  set: string;
  asked: FigureAsked;
  figure: FigureForm;
  fault: string | undefined;
  onChange: (next: Partial<FigureForm>) => void;
}

function FigureRow({ set, asked, figure, fault, onChange }: RowProps) {
  const name = `${set}, ${asked.label}`;
  return (
    <tr>
      <th scope="row" className="pr-3 text-left font-normal">
        {asked.label}
        {asked.read_in && ` (${asked.read_in})`}
        {asked.needed && <span className="text-quiet"> (needed)</span>}
        {fault && <span className="block font-semibold text-red">{fault}</span>}
      </th>
      <td className="p-0.5">
        <input
          aria-label={asked.is_band ? `${name}, least` : name}
          aria-invalid={!!fault}
          className={`${cell} figure`}
          value={figure.least}
          onChange={(e) => onChange({ least: e.target.value })}
        />
      </td>
      <td className="p-0.5">
        {asked.is_band && (
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

const RINGS = ["not said", "sold", "not sold"] as const;
const ringsOf = (step: Schemas["StepForm"]): (typeof RINGS)[number] => {
  if (step.rings_can_be_bought == null) return "not said";
  return step.rings_can_be_bought ? "sold" : "not sold";
};

/** A step as it is typed, of a crank and of a piston. */
const EXAMPLE: Record<Schemas["Unit"], readonly [string, string]> = {
  in: [".010", ".020"],
  mm: ["0.25", "0.50"],
};

/** The sizes from standard that can be bought; a piston's with its rings. */
function Steps({ title, kind, unit, form, fault, onChange }: Omit<Props, "onMend" | "onLeaveOut" | "sets">) {
  const rings = kind.step_rings;
  const change = (at: number, next: Partial<Schemas["StepForm"]>) =>
    onChange({ ...form, steps: form.steps.map((old, n) => (n === at ? { ...old, ...next } : old)) });
  const BLANK = {
    size: "",
    part_number: "",
    can_be_bought: true,
    rings_number: "",
    rings_can_be_bought: null,
  };
  return (
    <div>
      <p className="mb-1 font-semibold">{kind.steps}</p>
      {fault(`${form.set}.steps`) && <p className="font-semibold text-red">{fault(`${form.set}.steps`)}</p>}
      {form.steps.map((step, n) => (
        <div key={n} className="mb-1">
          <div className="flex flex-wrap items-center gap-2">
            <input
              aria-label={`${title}, step ${n + 1}, size from standard`}
              placeholder={EXAMPLE[unit][rings ? 1 : 0]}
              className={`${cell} figure !w-28`}
              value={step.size}
              onChange={(e) => change(n, { size: e.target.value })}
            />
            <input
              aria-label={`${title}, step ${n + 1}, part number`}
              placeholder={rings ? "piston number" : "part number"}
              className={`${cell} !w-48 flex-1`}
              value={step.part_number}
              onChange={(e) => change(n, { part_number: e.target.value })}
            />
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                className="size-5"
                checked={step.can_be_bought}
                onChange={(e) => change(n, { can_be_bought: e.target.checked })}
              />
              can be bought
            </label>
            {rings && (
              <>
                <input
                  aria-label={`${title}, step ${n + 1}, rings number`}
                  placeholder="rings number"
                  className={`${cell} !w-40 flex-1`}
                  value={step.rings_number}
                  onChange={(e) => change(n, { rings_number: e.target.value })}
                />
                <label className="flex items-center gap-2">
                  rings
                  <select
                    className={`${cell} !w-28`}
                    value={ringsOf(step)}
                    onChange={(e) =>
                      change(n, {
                        rings_can_be_bought: e.target.value === "not said" ? null : e.target.value === "sold",
                      })
                    }
                  >
                    {RINGS.map((said) => (
                      <option key={said}>{said}</option>
                    ))}
                  </select>
                </label>
              </>
            )}
            <Button
              kind="quiet"
              aria-label={`Take out step ${n + 1}`}
              onClick={() => onChange({ ...form, steps: form.steps.filter((_, at) => at !== n) })}
            >
              Take out
            </Button>
          </div>
          {fault(`${form.set}.steps.${n}`) && (
            <p className="font-semibold text-red">{fault(`${form.set}.steps.${n}`)}</p>
          )}
        </div>
      ))}
      <Button onClick={() => onChange({ ...form, steps: [...form.steps, BLANK] })}>Add a size</Button>
    </div>
  );
}
