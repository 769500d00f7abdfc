import { useNavigate, useParams } from "react-router";

import { Refused, type Schemas } from "../../api";
import { SaidNotice, useServerForm } from "../../shared/forms";
import { Button, Faults, Field, Notice, Page, Pick, Section, TextArea } from "../../shared/ui";
import { useMay } from "../session";
import { LayoutPart } from "./LayoutPart";
import { MaterialChoice } from "./MaterialChoice";
import { SetPart } from "./SetPart";
import { type SetForm, type SheetForm, useBlank, useLimitsChanges, useSheet } from "./useLimits";

const blankSet = (figures: Schemas["FigureLabel"][]): SetForm => ({
  figures: figures.map(({ name }) => ({ name, least: "", most: "", source: "maker", place: "" })),
  shells: [{ undersize: "STD", part_number: "", can_be_bought: true }],
  hardening: "unknown",
  oil_hole_deg: "",
  housing_material: "grey cast iron",
});

/** A new sheet starts empty, with the usual layouts to choose from. */
export function NewSheetPage() {
  const blank = useBlank();
  const { draft } = useLimitsChanges();
  const go = useNavigate();
  const may = useMay();
  const first = blank.data?.layouts.find((layout) => layout.name === "Inline four");
  if (!blank.data || !first) return <Page title="New limits sheet">One moment.</Page>;
  const start: SheetForm = {
    version: 0,
    sure: false,
    engine: "",
    unit: "in",
    notes: "",
    layout: first,
    crank_material: "steel",
    mains: blankSet(blank.data.figures),
    rods: blankSet(blank.data.figures),
  };
  return (
    <FormPage
      title="New limits sheet"
      start={start}
      readOnly={!may("draft a limits sheet")}
      onKeep={async (form) => {
        const sheet = await draft.mutateAsync(form);
        window.setTimeout(() => void go(`/limits/${sheet.line.id}`));
      }}
    />
  );
}

/** One revision: change it, copy it to the next, confirm it. */
export function SheetFormPage() {
  const id = Number(useParams().revisionId);
  const sheet = useSheet(id);
  const { change, copy, confirm } = useLimitsChanges();
  const go = useNavigate();
  const may = useMay();
  if (sheet.isError) return <Page title="Limits sheet"><Faults error={sheet.error} /></Page>; // prettier-ignore
  if (!sheet.data) return <Page title="Limits sheet">One moment.</Page>;
  const { line, form } = sheet.data;
  const unsourced = confirm.error instanceof Refused && confirm.error.code === "no-source";
  const fixed = line.frozen || line.in_use || (line.state === "confirmed" && !may("confirm a limits sheet"));
  return (
    <FormPage
      key={`${line.id} ${line.state} ${line.version}`}
      title={`${line.engine}, revision ${line.revision}`}
      note={standing(line)}
      start={form}
      readOnly={fixed || !may("draft a limits sheet")}
      error={copy.error ?? confirm.error}
      kept={change.isSuccess}
      onKeep={async (next) => {
        await change.mutateAsync({ id, form: next });
      }}
      actions={
        <>
          {may("draft a limits sheet") && (
            <Button
              onClick={() => copy.mutate(id, { onSuccess: (next) => void go(`/limits/${next.line.id}`) })}
            >
              Copy to a new revision
            </Button>
          )}
          {line.state !== "confirmed" && may("confirm a limits sheet") && (
            <Button kind="strong" onClick={() => confirm.mutate({ id, version: line.version, sure: false })}>
              Confirm against its sources
            </Button>
          )}
          {unsourced && (
            <Button onClick={() => confirm.mutate({ id, version: line.version, sure: true })}>
              I have checked them all the same
            </Button>
          )}
        </>
      }
    />
  );
}

function standing(line: Schemas["SheetLine"]): string {
  if (line.frozen) return "Frozen: a job judged by it is signed. Copy it to change it.";
  if (line.in_use)
    return `${line.state}; a job stands on it. Copy it to change it, and take the copy up on the job.`;
  return line.state;
}

interface FormProps {
  title: string;
  note?: string;
  start: SheetForm;
  readOnly: boolean;
  error?: unknown;
  kept?: boolean;
  onKeep: (form: SheetForm) => Promise<void>;
  actions?: React.ReactNode;
}

function FormPage({ title, note = "", start, readOnly, error, kept, onKeep, actions }: FormProps) {
  const { form, field, fault, set, mend, said, submit, submitWith } = useServerForm<SheetForm>(
    start,
    onKeep,
    {
      guard: !readOnly,
    },
  );
  const sheet = form.watch();
  const blank = useBlank();
  const figures = blank.data?.figures ?? [];
  const odd = said?.error instanceof Refused && said.error.code === "odd-sheet";
  return (
    <Page title={title} note={note} actions={actions}>
      <fieldset disabled={readOnly}>
        <div className="grid grid-cols-[2fr_1fr] gap-6 max-md:grid-cols-1">
          <Field label="Engine: make and model" {...field("engine")} />
          <Pick
            label="A bare number is in"
            options={[
              { value: "in", label: "inch" },
              { value: "mm", label: "millimetre" },
            ]}
            {...field("unit")}
          />
        </div>
        <div className="h-4" />
        <LayoutPart
          layouts={blank.data?.layouts ?? []}
          layout={sheet.layout}
          fault={(where) => fault(where)}
          onChange={(layout) => set({ layout })}
        />
        {(["rods", "mains"] as const).map((part) => (
          <SetPart
            key={part}
            title={part === "rods" ? "Rod journals" : "Main journals"}
            part={part}
            form={sheet[part]}
            figures={figures}
            fault={fault}
            onChange={(next) => set({ [part]: next })}
            onMend={mend}
          />
        ))}
        <Section title="Materials">
          <div className="grid grid-cols-3 gap-4 max-md:grid-cols-1">
            <MaterialChoice
              label="Crank"
              value={sheet.crank_material}
              onChange={(crank_material) => set({ crank_material })}
            />
            <MaterialChoice
              label="Housings of the mains"
              value={sheet.mains.housing_material}
              onChange={(housing_material) => set({ mains: { ...sheet.mains, housing_material } })}
            />
            <MaterialChoice
              label="Rods"
              value={sheet.rods.housing_material}
              onChange={(housing_material) => set({ rods: { ...sheet.rods, housing_material } })}
            />
          </div>
        </Section>
        <Section title="Notes">
          <TextArea label="Anything that belongs to these limits" {...field("notes")} />
        </Section>
      </fieldset>
      <div className="sticky bottom-0 flex items-center gap-4 border-t-2 border-line bg-paper py-3">
        {!readOnly && (
          <Button kind="strong" onClick={(event) => void submit(event)}>
            Keep the sheet
          </Button>
        )}
        {odd && (
          <Button onClick={(event) => void submitWith((values) => ({ ...values, sure: true }))(event)}>
            Keep it as it is
          </Button>
        )}
        <div className="flex-1">
          <SaidNotice said={said} />
          <Faults error={error} />
          {kept && !said && <Notice>Kept.</Notice>}
        </div>
      </div>
    </Page>
  );
}
