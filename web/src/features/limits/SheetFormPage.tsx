import { useEffect, useState } from "react";
import { useNavigate, useParams } from "react-router";

import { Refused, type Schemas } from "../../api";
import { SaidNotice, useServerForm } from "../../shared/forms";
import { type Kind, useKinds } from "../../shared/job";
import { Button, Choice, Faults, Field, Notice, Page, Pick, Section, TextArea } from "../../shared/ui";
import { useMay } from "../session";
import { LayoutPart } from "./LayoutPart";
import { MaterialChoice } from "./MaterialChoice";
import { SetPart } from "./SetPart";
import { useDescriptions } from "./useDescriptions";
import { useSheetDraft } from "./useSheetDraft";
import { type SetForm, type SheetForm, useBlank, useLibrary, useLimitsChanges, useSheet } from "./useLimits";

/** A set as the sheet begins to speak of it: every figure empty, the standard size to be had. */
const blankSet = (kind: Kind, set: string): SetForm => ({
  set,
  figures: kind.figures.map(({ name }) => ({ name, least: "", most: "", source: "maker", place: "" })),
  steps: kind.steps
    ? [{ size: "STD", part_number: "", can_be_bought: true, rings_number: "", rings_can_be_bought: null }]
    : [],
  made: {},
});

/** A like engine's sheet as a start: its figures are nobody's limits here until they are checked. */
const likeSheet = (form: SheetForm): SheetForm => ({
  ...form,
  version: 0,
  engine: "",
  sets: form.sets.map((set) => ({
    ...set,
    figures: set.figures.map((figure) =>
      figure.least === ""
        ? figure
        : { ...figure, source: "rule of thumb", place: `as ${form.engine}; not yet checked` },
    ),
  })),
});

/** A new sheet starts empty, with the usual layouts to choose from, or from a like engine. */
export function NewSheetPage() {
  const blank = useBlank();
  const kinds = useKinds();
  const library = useLibrary();
  const [like, setLike] = useState("");
  const liked = useSheet(Number(like), like !== "");
  const { draft } = useLimitsChanges();
  const go = useNavigate();
  const may = useMay();
  const first = blank.data?.layouts.find((layout) => layout.name === "Inline four");
  if (!first || kinds.length === 0 || (like !== "" && !liked.data))
    return <Page title="New limits sheet">One moment.</Page>;
  const start: SheetForm = liked.data
    ? likeSheet(liked.data.form)
    : {
        version: 0,
        sure: false,
        engine: "",
        unit: "in",
        notes: "",
        layout: first,
        description: null,
        crank_material: "not known",
        sets: kinds
          .filter((kind) => kind.station === "crank")
          .flatMap((kind) => Object.keys(kind.sets).map((set) => blankSet(kind, set))),
      };
  return (
    <FormPage
      key={like}
      title="New limits sheet"
      draftOf={`New limits sheet ${like}`}
      start={start}
      readOnly={!may("draft a limits sheet")}
      above={
        <Choice
          label="Start from"
          value={like}
          options={[
            { value: "", label: "an empty sheet" },
            ...(library.data ?? []).map((line) => ({
              value: String(line.id),
              label: `a like engine: ${line.engine}, revision ${line.revision}`,
            })),
          ]}
          onChange={setLike}
        />
      }
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
  return line.state === "confirmed" ? line.state : `${line.state}: an owner confirms it against its sources`;
}

interface FormProps {
  title: string;
  /** What the draft is kept under, where the title is that of several. */
  draftOf?: string;
  note?: string;
  start: SheetForm;
  readOnly: boolean;
  above?: React.ReactNode;
  error?: unknown;
  kept?: boolean;
  onKeep: (form: SheetForm) => Promise<void>;
  actions?: React.ReactNode;
}

function FormPage({
  title,
  draftOf = title,
  note = "",
  start,
  readOnly,
  above,
  error,
  kept,
  onKeep,
  actions,
}: FormProps) {
  const draft = useSheetDraft(readOnly ? null : draftOf);
  const { form, field, fault, set, mend, said, submit, submitWith } = useServerForm<SheetForm>(
    draft.kept ?? start,
    async (values) => {
      await onKeep(values);
      draft.forget();
    },
  );
  const sheet = form.watch();
  const { keep } = draft;
  useEffect(() => {
    // What is set anew as a whole was kept, or begun anew: only what somebody changes is a draft.
    const watching = form.watch((values, { name }) => {
      if (name) keep(values as SheetForm);
    });
    return () => watching.unsubscribe();
  }, [form, keep]);
  const blank = useBlank();
  const kinds = useKinds();
  const [page, setPage] = useState("engine");
  const odd = said?.error instanceof Refused && said.error.code === "odd-sheet";
  const stations = [...new Set(kinds.filter((kind) => kind.figures.length > 0).map((kind) => kind.station))];
  const faulty = (station: string) =>
    setsOf(kinds, station).some(({ kind, set }) => namesOf(kind, set, sheet).some((name) => fault(name)));
  // What is marked is brought into sight: its page opens, and the focus goes to the first of it.
  const firstFaulty = said ? stations.find(faulty) : undefined;
  useEffect(() => {
    if (!said) return;
    if (firstFaulty) setPage(firstFaulty);
    window.setTimeout(() => document.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus());
  }, [said, firstFaulty]);
  const change = (next: SetForm) =>
    set({ sets: sheet.sets.map((one) => (one.set === next.set ? next : one)) });
  return (
    <Page title={title} note={note} actions={actions}>
      {draft.kept && (
        <div className="mb-3">
          <Notice>
            Your draft of this sheet is here, as it was left.{" "}
            <Button
              kind="quiet"
              className="!px-0"
              onClick={() => {
                draft.forget();
                form.reset(start);
              }}
            >
              Begin anew
            </Button>
          </Notice>
        </div>
      )}
      {above && <div className="mb-4 max-w-xl">{above}</div>}
      <div
        role="tablist"
        aria-label="Pages of the sheet"
        className="mb-4 flex flex-wrap gap-1 border-b-2 border-ink"
      >
        {["engine", ...stations].map((one) => (
          <button
            key={one}
            type="button"
            role="tab"
            aria-selected={page === one}
            className={`min-h-11 px-5 text-lg font-semibold first-letter:uppercase ${page === one ? "bg-ink text-paper" : "bg-tint hover:bg-line"}`}
            onClick={() => setPage(one)}
          >
            {one}
            {faulty(one) && <span className="text-red"> ● mend</span>}
          </button>
        ))}
      </div>
      <fieldset disabled={readOnly} className={page === "engine" ? "" : "hidden"}>
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
        <DescriptionChoice sheet={sheet} onChange={set} />
        {sheet.description === null && (
          <LayoutPart
            layouts={blank.data?.layouts ?? []}
            layout={sheet.layout}
            fault={(where) => fault(where)}
            onChange={(layout) => set({ layout })}
          />
        )}
        <div className="max-w-xs">
          <MaterialChoice
            label="Crank material"
            value={sheet.crank_material}
            onChange={(crank_material) => set({ crank_material })}
          />
        </div>
        <div className="h-4" />
        <Section title="Notes">
          <TextArea label="Anything that belongs to these limits" {...field("notes")} />
        </Section>
      </fieldset>
      {page !== "engine" && (
        <fieldset disabled={readOnly}>
          {setsOf(kinds, page).map(({ kind, set: one, name }) => {
            const given = sheet.sets.find((other) => other.set === one);
            if (!given)
              return (
                <Section key={one} title={name}>
                  <p className="mb-2 text-quiet">
                    The sheet says nothing of them: a job judged by it cannot judge them.
                  </p>
                  <Button onClick={() => set({ sets: [...sheet.sets, blankSet(kind, one)] })}>
                    Enter their limits
                  </Button>
                </Section>
              );
            const leaveOut = () => set({ sets: sheet.sets.filter((other) => other.set !== one) });
            return (
              <SetPart
                key={one}
                title={name}
                kind={kind}
                unit={sheet.unit}
                form={given}
                sets={sheet.sets.map((other) => other.set)}
                fault={fault}
                onChange={change}
                onMend={mend}
                onLeaveOut={readOnly ? undefined : leaveOut}
              />
            );
          })}
        </fieldset>
      )}
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

/** The engine as it is described, where the shop has described it: the sheet stands on that then. */
function DescriptionChoice({
  sheet,
  onChange,
}: {
  sheet: SheetForm;
  onChange: (next: Partial<SheetForm>) => void;
}) {
  const known = useDescriptions();
  if (!known.data?.length) return null;
  return (
    <div className="mb-3 grid grid-cols-2 items-end gap-6 max-md:grid-cols-1">
      <Choice
        label="The engine as it is described"
        hint="Places, strip and drawings follow from the description."
        value={sheet.description === null ? "" : String(sheet.description)}
        options={[
          { value: "", label: "not described: the crank is typed below" },
          ...known.data.map((one) => ({
            value: String(one.id),
            label: `${one.name}, revision ${one.revision}`,
          })),
        ]}
        onChange={(id) => onChange({ description: id === "" ? null : Number(id) })}
      />
    </div>
  );
}

/** The sets whose limits stand on one page, with what each is called. */
function setsOf(kinds: readonly Kind[], station: string): { kind: Kind; set: string; name: string }[] {
  return kinds
    .filter((kind) => kind.station === station)
    .flatMap((kind) => Object.entries(kind.sets).map(([set, name]) => ({ kind, set, name })));
}

/** Every name under which the server may find fault with a set. */
function namesOf(kind: Kind, set: string, sheet: SheetForm): string[] {
  const steps = sheet.sets.find((one) => one.set === set)?.steps ?? [];
  const within = [...kind.figures.map((one) => one.name), ...kind.made.map((one) => one.key)];
  return [set, ...within.map((name) => `${set}.${name}`), ...steps.map((_, n) => `${set}.steps.${n}`)];
}
