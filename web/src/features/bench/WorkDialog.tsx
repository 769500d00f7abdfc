import { useMutation, useQuery } from "@tanstack/react-query";

import { ask, client, Refused, type Schemas } from "../../api";
import { momentText } from "../../shared/dates";
import { SaidNotice, useServerForm } from "../../shared/forms";
import { MAKER_FIRST, newId } from "../../shared/job";
import { drop, useReport, useWaiting, waitingOf, Waits } from "../../shared/queue";
import { Button, Choice, Dialog, Faults, Field } from "../../shared/ui";
import type { Desk } from "./useDesk";

type Kind = Schemas["OperationKind"];

interface Props {
  desk: Desk;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}

/** Work that was done: what it touches has to be measured again. What was written down can be taken back. */
export function WorkDialog({ desk, open, onOpenChange }: Props) {
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="Work done"
      note="Readings that it touches become stale. They stay in the record and are taken again."
    >
      <WorkForm desk={desk} onDone={() => onOpenChange(false)} />
      <DoneList desk={desk} />
    </Dialog>
  );
}

function WorkForm({ desk, onDone }: { desk: Desk; onDone: () => void }) {
  const key = useQuery({
    queryKey: ["key"],
    queryFn: () => ask(client.GET("/api/key")),
    staleTime: Infinity,
  });
  const { bench, part, kinds } = desk;
  const report = useReport(bench.card.id);
  const here = kinds.filter((one) =>
    bench.assessment.stations.some((station) => station.key === one.station),
  );
  const spokenOf = [...bench.scope, ...here.flatMap((one) => one.wholes)];
  const work = (key.data?.work ?? []).filter((one) => one.on.some((on) => spokenOf.includes(on)));
  const placesOf = (kind: Kind) => {
    const done = work.find((one) => one.kind === kind);
    const together = (done?.on ?? []).filter((on) => spokenOf.includes(on));
    return done?.alone && together.includes(part.set) ? [...together, part.id] : together;
  };
  const placeOf = (kind: Kind, on: string) => (placesOf(kind).includes(on) ? on : (placesOf(kind)[0] ?? ""));
  const start = {
    kind:
      desk.kind?.stepped?.work ?? (work.find((one) => one.on.includes(part.set)) ?? work[0])?.kind ?? "grind",
    on: part.set,
    step: "",
    note: "",
    at: "",
    sure: false,
  };
  const { form, field, set, said, submit, submitWith } = useServerForm(start, async (given) => {
    const at = given.at ? new Date(given.at).toISOString() : null;
    await report({ fact: "operation", ...given, at, on: placeOf(given.kind, given.on), id: newId() });
    onDone();
  });
  const { kind, on } = form.watch();
  const cautions = work.find((one) => one.kind === kind)?.cautions ?? [];
  const [places, place] = [placesOf(kind), placeOf(kind, on)];
  const asked = said?.error instanceof Refused && said.error.code === "makes-stale";
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-3">
      <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
        <Choice
          label="What was done"
          value={kind}
          options={work.map((one) => ({ value: one.kind, label: one.kind }))}
          onChange={(next) => set({ kind: next })}
        />
        <Choice
          label="Done to"
          value={place}
          options={places.map((value) => ({
            value,
            label: value === part.id ? `${part.short_name} alone` : value,
          }))}
          onChange={(next) => set({ on: next })}
        />
      </div>
      {work.find((one) => one.kind === kind)?.sized && (
        <Field
          label={kinds.find((one) => one.stepped?.work === kind)?.stepped?.taken_to ?? "Taken to"}
          placeholder=".020 or 0.50 mm"
          hint="Left empty, the next readings tell."
          {...field("step")}
        />
      )}
      <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
        <Field label="Note" placeholder="who did it, where" {...field("note")} />
        <Field label="When it was done" type="datetime-local" hint="Left empty: now." {...field("at")} />
      </div>
      <div className="border-l-4 border-blue pl-3 text-[15px] leading-tight">
        {cautions.map((caution) => (
          <p key={caution.work}>
            <strong>{caution.work}.</strong> {caution.say}
          </p>
        ))}
        <p className="text-quiet">{MAKER_FIRST}</p>
      </div>
      <SaidNotice said={said} />
      {asked ? (
        <Button
          kind="strong"
          onClick={(event) => void submitWith((values) => ({ ...values, sure: true }))(event)}
        >
          Yes, write it down
        </Button>
      ) : (
        <Button kind="strong" type="submit" disabled={form.formState.isSubmitting}>
          Write it down
        </Button>
      )}
    </form>
  );
}

function DoneList({ desk }: { desk: Desk }) {
  const report = useReport(desk.bench.card.id);
  const takeBack = useMutation({
    mutationFn: (of: string) => report({ fact: "withdrawal", id: newId(), of, at: new Date().toISOString() }),
  });
  const waiting = waitingOf(useWaiting(desk.bench.card.id).facts, "operation");
  if (desk.bench.operations.length + waiting.length === 0) return null;
  return (
    <section className="mt-5 border-t-2 border-line pt-3">
      <h3 className="text-lg font-semibold">On record</h3>
      {waiting.map((done) => (
        <p
          key={done.id}
          className="flex items-center justify-between gap-3 border-b border-line/60 py-1 leading-tight"
        >
          <span>
            {done.kind}: {done.on}
            {done.step && `, to ${done.step}`} <Waits />
          </span>
          <Button kind="quiet" onClick={() => drop(done.id)}>
            Take back
          </Button>
        </p>
      ))}
      {desk.bench.operations.map((done) => (
        <p
          key={done.id}
          className="flex items-center justify-between gap-3 border-b border-line/60 py-1 leading-tight"
        >
          <span>
            {done.kind}: {done.on_words}
            {done.step && `, to ${done.step}`}
            <span className="block text-sm text-quiet">
              {done.by}, {momentText(done.at)}; {done.stale} {done.stale === 1 ? "reading" : "readings"} stale
            </span>
          </span>
          <Button kind="quiet" disabled={desk.bench.card.signed} onClick={() => takeBack.mutate(done.id)}>
            Take back
          </Button>
        </p>
      ))}
      <Faults error={takeBack.error} />
    </section>
  );
}
