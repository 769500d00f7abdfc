import { useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";

import { EngineAlong, EngineFront } from "../../shared/engine";
import { SaidNotice, useServerForm } from "../../shared/forms";
import { Button, Choice, Faults, Field, Notice, Page } from "../../shared/ui";
import { useMay } from "../session";
import { type Asked, answered, type Built, QUESTIONS, saidOf } from "./builtChoices";
import { ChoiceTiles } from "./ChoiceTiles";
import { LayoutPart } from "./LayoutPart";
import {
  type DescriptionForm,
  type Layout,
  useDescription,
  useDescriptionChanges,
  useDescriptions,
  useEngineLook,
  useLayoutOfJob,
  useUsualEngines,
} from "./useDescriptions";
import { useBlank } from "./useLimits";

const MADE_FOR: Asked = {
  field: "made_for",
  label: "Made for",
  answers: ["land, boats and plant", "aviation", "certified marine", "public transport"].map((value) => ({
    value,
    label: value,
  })),
};
/** Nothing is said yet. */
const UNKNOWN: NonNullable<Layout["built"]> = answered({}, "made_for", "");
const STANDS = ["inline", "V", "flat", "W", "radial", "opposed pistons"] as const;

/** A new description begins with the nearest usual engine, or with one of the shop's own. */
export function NewDescriptionPage() {
  const usual = useUsualEngines();
  const own = useDescriptions();
  const [asked] = useSearchParams();
  const [start, setStart] = useState(asked.get("like") ?? "");
  const like = useDescription(Number(start), /^\d+$/.test(start));
  const ofJob = useLayoutOfJob(Number(asked.get("job") ?? 0));
  const { draft } = useDescriptionChanges();
  const go = useNavigate();
  const may = useMay();
  if (!usual.data || (/^\d+$/.test(start) && !like.data) || (asked.has("job") && !ofJob.data))
    return <Page title="Describe an engine">One moment.</Page>;
  // What is on record of a job is by its own crank and numbering: a description for it begins with those.
  const ownCrank =
    start === "" && ofJob.data ? { ...ofJob.data, built: ofJob.data.built ?? UNKNOWN } : undefined;
  const begun =
    ownCrank ?? like.data?.layout ?? usual.data.find((one) => one.name === start) ?? usual.data[0];
  if (!begun) return null;
  return (
    <FormPage
      key={start}
      title="Describe an engine"
      start={{ version: 0, layout: { ...begun, name: "" } }}
      readOnly={!may("draft a limits sheet")}
      above={
        <Choice
          label="Begin with the nearest"
          value={ownCrank ? "" : start || begun.name}
          options={[
            ...(ofJob.data ? [{ value: "", label: `the crank of the job: ${ofJob.data.name}` }] : []),
            ...usual.data.map((one) => ({ value: one.name, label: one.name })),
            ...(own.data ?? []).map((one) => ({
              value: String(one.id),
              label: `one of ours: ${one.name}, revision ${one.revision}`,
            })),
          ]}
          onChange={setStart}
        />
      }
      onKeep={async (form) => {
        const kept = await draft.mutateAsync(form);
        window.setTimeout(() => void go(`/limits/engines/${kept.line.id}`));
      }}
    />
  );
}

/** One revision: change it, or copy it to the next. */
export function DescriptionPage() {
  const id = Number(useParams().revisionId);
  const found = useDescription(id);
  const { change, copy } = useDescriptionChanges();
  const go = useNavigate();
  const may = useMay();
  if (found.isError) return <Page title="Engine described"><Faults error={found.error} /></Page>; // prettier-ignore
  if (!found.data) return <Page title="Engine described">One moment.</Page>;
  const { line, layout } = found.data;
  const fixed = line.frozen || line.in_use;
  return (
    <FormPage
      key={`${line.id} ${line.version}`}
      title={`${line.name}, revision ${line.revision}`}
      note={
        line.frozen
          ? "Frozen: a job that stands on it is signed. Copy it to change it."
          : line.in_use
            ? "Limits or a job stand on it. Copy it to change it, and take the copy up there."
            : ""
      }
      start={{ version: line.version, layout }}
      readOnly={fixed || !may("draft a limits sheet")}
      error={copy.error}
      kept={change.isSuccess}
      onKeep={async (form) => {
        await change.mutateAsync({ id, form });
      }}
      actions={
        may("draft a limits sheet") && (
          <Button
            onClick={() =>
              copy.mutate(id, { onSuccess: (next) => void go(`/limits/engines/${next.line.id}`) })
            }
          >
            Copy to a new revision
          </Button>
        )
      }
    />
  );
}

interface FormProps {
  title: string;
  note?: string;
  start: DescriptionForm;
  readOnly: boolean;
  above?: React.ReactNode;
  error?: unknown;
  kept?: boolean;
  onKeep: (form: DescriptionForm) => Promise<void>;
  actions?: React.ReactNode;
}

function FormPage({ title, note = "", start, readOnly, above, error, kept, onKeep, actions }: FormProps) {
  const { form, fault, set, mend, said, submit } = useServerForm<DescriptionForm>(start, onKeep, {
    guard: true,
    shows: (where) => where === "layout.name",
    words: WORDS,
  });
  const layout = form.watch("layout");
  const built: Partial<Built> = layout.built ?? {};
  // By what it is called nothing follows: it is not asked for again with each letter of its name.
  const look = useEngineLook({ ...layout, name: "this engine" });
  const wanted = new Set(look.data?.asked.map((one) => one.field) ?? []);
  const say = (field: keyof Built, value: string) =>
    set({ layout: { ...layout, built: answered(built, field, value) } });
  return (
    <Page title={title} note={note} actions={actions}>
      <form
        onSubmit={(event) => void submit(event)}
        className="grid grid-cols-[minmax(0,7fr)_minmax(0,5fr)] gap-x-8 max-[979px]:grid-cols-1"
      >
        <div className="min-w-0">
          <div className="grid grid-cols-2 gap-4 max-md:grid-cols-1">
            {above}
            <Field
              label="The engine's name"
              hint="Make and model, as it stands on its plate."
              value={layout.name}
              disabled={readOnly}
              maxLength={200}
              fault={fault("layout.name")}
              onChange={(event) => {
                mend("layout.name");
                set({ layout: { ...layout, name: event.target.value } });
              }}
            />
          </div>
          <ChoiceTiles
            asked={MADE_FOR}
            said={saidOf(built, "made_for")}
            wanted
            disabled={readOnly}
            onSay={(value) => say("made_for", value)}
          />
          <ShaftPart
            layout={layout}
            look={look.isError ? undefined : look.data}
            disabled={readOnly}
            onChange={(next) => set({ layout: { ...next, name: layout.name, built: layout.built ?? null } })}
          />
          {QUESTIONS.map(({ title: part, asked }) => (
            <section key={part} aria-label={part}>
              <h2 className="mb-1 mt-3 text-xl font-semibold">{part}</h2>
              {asked.map((one) => (
                <ChoiceTiles
                  key={one.field}
                  asked={one}
                  said={saidOf(built, one.field)}
                  wanted={wanted.has(one.field)}
                  disabled={readOnly}
                  onSay={(value) => say(one.field, value)}
                />
              ))}
            </section>
          ))}
        </div>
        <aside aria-label="What follows" className="min-w-0">
          <div className="sticky top-2 flex flex-col gap-3">
            <Drawing look={look.data} stale={look.isError} />
            {look.data && look.data.asked.length > 0 && (
              <section aria-label="Asked" className="border-l-4 border-blue px-3">
                <h2 className="font-semibold">Not known, and it matters</h2>
                <ul>
                  {look.data.asked.map((one) => (
                    <li key={one.field} className="text-[15px]">
                      {one.question} <span className="text-quiet">Taken for: {one.taken_for}.</span>
                    </li>
                  ))}
                </ul>
              </section>
            )}
            {look.data?.not_judged.map((words) => (
              <p key={words} className="border-l-4 border-line px-3">
                {words}
              </p>
            ))}
            <Faults error={error} />
            {/* What cannot be drawn cannot be kept for the same reason: it is said once. */}
            {look.isError ? <Faults error={look.error} /> : <SaidNotice said={said} />}
            {kept && !said && <Notice>Kept.</Notice>}
            {!readOnly && (
              <Button kind="strong" type="submit" className="self-start !px-8 text-lg">
                Keep the description
              </Button>
            )}
          </div>
        </aside>
      </form>
    </Page>
  );
}

function Drawing({ look, stale }: { look: ReturnType<typeof useEngineLook>["data"]; stale: boolean }) {
  if (!look) return <p className="h-72 text-quiet">{stale ? "No such engine is drawn." : "One moment."}</p>;
  return (
    <figure className={`border border-line bg-sheet p-3 ${stale ? "opacity-40" : ""}`}>
      <EngineFront shape={look.shape} groups={[]} className="mx-auto h-56 w-full" />
      <EngineAlong shape={look.shape} groups={[]} className="h-44 w-full" />
      <figcaption className="text-[15px]">
        <span className="figure">{look.places}</span> places, <span className="figure">{look.steps}</span>{" "}
        steps of the strip, the crank turned <span className="figure">{look.turns}</span> times.
      </figcaption>
    </figure>
  );
}

/** The server's field names in the page's words. */
const WORDS = {
  layout: "The engine",
  "layout.built.made_for": "Made for",
};

/** How the cylinders stand, which way it is counted, and the crank as it really is. */
function ShaftPart({
  layout,
  look,
  disabled,
  onChange,
}: {
  layout: Layout;
  look: ReturnType<typeof useEngineLook>["data"];
  disabled: boolean;
  onChange: (layout: Layout) => void;
}) {
  const blank = useBlank();
  const [open, setOpen] = useState(false);
  const stands: Asked = { field: "made_for", label: "Cylinders stand", answers: STANDS.map((value) => ({ value, label: value })) }; // prettier-ignore
  const usual = blank.data?.layouts ?? [];
  const first = (arrangement: string) =>
    usual.find((one) => one.arrangement === arrangement && one.cylinders === layout.cylinders) ??
    usual.find((one) => one.arrangement === arrangement);
  return (
    <section aria-label="Crank and numbering">
      <ChoiceTiles
        asked={{ ...stands, field: "arrangement" as "made_for" }}
        said={layout.arrangement}
        wanted={false}
        disabled={disabled}
        onSay={(value) => {
          const known = first(value);
          if (known) onChange(known);
          else if (value) onChange({ ...layout, arrangement: value as Layout["arrangement"] });
        }}
      />
      <div className="flex flex-wrap items-center gap-x-6 gap-y-2 border-t border-line py-2">
        <span className="w-52 font-semibold max-sm:w-full">
          {layout.cylinders} {layout.cylinders === 1 ? "cylinder" : "cylinders"}, {layout.pins.length}{" "}
          {layout.pins.length === 1 ? "pin" : "pins"}
          {layout.arrangement === "V" && `, ${layout.bank_deg}°`}
        </span>
        {look && (
          <>
            <Button
              disabled={disabled}
              onClick={() => onChange(look.cylinders_turned)}
              title="Count the cylinders from the other end"
            >
              {look.first_cylinders.length > 1
                ? `Cylinders ${look.first_cylinders.join(" and ")} are at the front`
                : `Cylinder ${look.first_cylinders.join("")} is at the front`}
            </Button>
            <Button
              disabled={disabled}
              onClick={() => onChange(look.mains_turned)}
              title="Count the mains from the other end"
            >
              {look.first_main} is at the front
            </Button>
          </>
        )}
        <Button kind="quiet" onClick={() => setOpen(!open)} aria-expanded={open}>
          {open ? "Less of the crank" : "The crank as it really is"}
        </Button>
      </div>
      {open && (
        <fieldset disabled={disabled}>
          <LayoutPart layouts={usual} layout={layout} fault={() => undefined} onChange={onChange} />
        </fieldset>
      )}
    </section>
  );
}
