import { useState } from "react";
import { useNavigate, useParams } from "react-router";

import { Refused, type Schemas } from "../../api";
import { Button, Choice, Faults, Field, Notice, Page, Section, TextArea } from "../../shared/ui";
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
      error={draft.error}
      onKeep={(form) => draft.mutate(form, { onSuccess: (sheet) => void go(`/limits/${sheet.line.id}`) })}
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
  const fixed = line.frozen || (line.state === "confirmed" && !may("confirm a limits sheet"));
  return (
    <FormPage
      key={`${line.id} ${line.state}`}
      title={`${line.engine}, revision ${line.revision}`}
      note={line.frozen ? "Frozen: a job judged by it is signed. Copy it to change it." : line.state}
      start={form}
      readOnly={fixed || !may("draft a limits sheet")}
      error={change.error ?? copy.error ?? confirm.error}
      kept={change.isSuccess}
      onKeep={(next) => change.mutate({ id, form: next })}
      actions={
        <>
          {may("draft a limits sheet") && (
            <Button
              onClick={() => copy.mutate(id, { onSuccess: (next) => void go(`/limits/${next.line.id}`) })}
            >
              Copy to a new revision
            </Button>
          )}
          {line.state === "draft" && may("confirm a limits sheet") && (
            <Button kind="strong" onClick={() => confirm.mutate(id)}>
              Confirm against its sources
            </Button>
          )}
        </>
      }
    />
  );
}

interface FormProps {
  title: string;
  note?: string;
  start: SheetForm;
  readOnly: boolean;
  error: unknown;
  kept?: boolean;
  onKeep: (form: SheetForm) => void;
  actions?: React.ReactNode;
}

function FormPage({ title, note = "", start, readOnly, error, kept, onKeep, actions }: FormProps) {
  const [form, setForm] = useState(start);
  const blank = useBlank();
  const refused = error instanceof Refused ? error : null;
  const figures = blank.data?.figures ?? [];
  return (
    <Page title={title} note={note} actions={actions}>
      <fieldset disabled={readOnly}>
        <div className="grid grid-cols-[2fr_1fr] gap-6">
          <Field
            label="Engine: make and model"
            value={form.engine}
            fault={refused?.at("engine")}
            onChange={(event) => setForm({ ...form, engine: event.target.value })}
          />
          <Choice
            label="A bare number is in"
            value={form.unit}
            options={[
              { value: "in", label: "inch" },
              { value: "mm", label: "millimetre" },
            ]}
            onChange={(unit) => setForm({ ...form, unit })}
          />
        </div>
        <div className="h-4" />
        <LayoutPart
          layouts={blank.data?.layouts ?? []}
          layout={form.layout}
          onChange={(layout) => setForm({ ...form, layout })}
        />
        {(["rods", "mains"] as const).map((part) => (
          <SetPart
            key={part}
            title={part === "rods" ? "Rod journals" : "Main journals"}
            part={part}
            form={form[part]}
            figures={figures}
            refused={refused}
            onChange={(next) => setForm({ ...form, [part]: next })}
          />
        ))}
        <Section title="Materials">
          <div className="grid grid-cols-3 gap-4">
            <MaterialChoice
              label="Crank"
              value={form.crank_material}
              onChange={(crank_material) => setForm({ ...form, crank_material })}
            />
            <MaterialChoice
              label="Housings of the mains"
              value={form.mains.housing_material}
              onChange={(housing_material) =>
                setForm({ ...form, mains: { ...form.mains, housing_material } })
              }
            />
            <MaterialChoice
              label="Rods"
              value={form.rods.housing_material}
              onChange={(housing_material) => setForm({ ...form, rods: { ...form.rods, housing_material } })}
            />
          </div>
        </Section>
        <Section title="Notes">
          <TextArea
            label="Anything that belongs to these limits"
            value={form.notes}
            onChange={(event) => setForm({ ...form, notes: event.target.value })}
          />
        </Section>
      </fieldset>
      <div className="sticky bottom-0 flex items-center gap-4 border-t-2 border-line bg-paper py-3">
        {!readOnly && (
          <Button kind="strong" onClick={() => onKeep(form)}>
            Keep the sheet
          </Button>
        )}
        <div className="flex-1">
          <Faults error={error} />
          {kept && !refused && <Notice>Kept.</Notice>}
        </div>
      </div>
    </Page>
  );
}
