import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";

import { ask, client, Refused } from "../../api";
import { dayText } from "../../shared/dates";
import { SaidNotice, useServerForm } from "../../shared/forms";
import { type Bench, useKeepBench } from "../../shared/job";
import { Button, Dialog, Faults, Field, LinkButton, Pick, Section, TextArea } from "../../shared/ui";
import { useMay } from "../session";
import { PutAwayDialog } from "./PutAwayDialog";

/** The job's card: whose engine, what is wrong with it, and the limits it is judged by. */
export function CardPart({ bench }: { bench: Bench }) {
  const [open, setOpen] = useState(false);
  const may = useMay();
  const keep = useKeepBench();
  const path = { job_id: bench.card.id };
  const takeUp = useMutation({
    mutationFn: (limits_id: number) =>
      ask(client.PUT("/api/jobs/{job_id}/limits", { params: { path }, body: { limits_id } })),
    onSuccess: keep,
  });
  const [mistaken, setMistaken] = useState(false);
  const go = useNavigate();
  const putAway = useMutation({
    mutationFn: (reason: string) =>
      ask(client.PUT("/api/jobs/{job_id}/put-away", { params: { path }, body: { reason } })),
    onSuccess: () => void go("/"),
  });
  return (
    <Section title="Job card">
      <p>
        {bench.card.customer || "No customer given"}, booked in {dayText(bench.card.booked_in)}
        {bench.card.due ? `, due ${dayText(bench.card.due)}` : ", no date"}
      </p>
      {bench.card.complaint && <p className="text-quiet">“{bench.card.complaint}”</p>}
      <div className="mt-2 flex flex-wrap gap-2">
        {!bench.card.signed && <Button onClick={() => setOpen(true)}>Change the card</Button>}
        {!bench.card.signed &&
          may("decide and sign") &&
          bench.other_limits.map((other) => (
            <Button key={other.id} onClick={() => takeUp.mutate(other.id)}>
              Judge by limits revision {other.revision}
              {other.state === "confirmed" ? "" : `, ${other.state}`}
            </Button>
          ))}
        <LinkButton to={`/book-in?like=${bench.card.id}`}>Book in one like it</LinkButton>
        {!bench.card.signed && !bench.card.archived && may("decide and sign") && (
          <Button onClick={() => setMistaken(true)}>Booked by mistake</Button>
        )}
      </div>
      {mistaken && (
        <PutAwayDialog
          onClose={() => setMistaken(false)}
          onPutAway={(reason) => putAway.mutateAsync(reason)}
        />
      )}
      <Faults error={takeUp.error} />
      <CardDialog bench={bench} open={open} onOpenChange={setOpen} />
    </Section>
  );
}

function CardDialog({
  bench,
  open,
  onOpenChange,
}: {
  bench: Bench;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Job card">
      <CardForm bench={bench} onDone={() => onOpenChange(false)} />
    </Dialog>
  );
}

const UNITS = [
  { value: "in", label: "inch" },
  { value: "mm", label: "millimetre" },
];

function CardForm({ bench, onDone }: { bench: Bench; onDone: () => void }) {
  const { title, customer, complaint, due, entry_unit } = bench.card;
  const [version, setVersion] = useState(bench.card.card_version);
  const keep = useKeepBench();
  const { field, said, submit } = useServerForm(
    { title, customer, complaint, due: due ?? "", entry_unit },
    async (given) => {
      try {
        const changed = await ask(
          client.PUT("/api/jobs/{job_id}", {
            params: { path: { job_id: bench.card.id } },
            body: { ...given, due: given.due || null, card_version: version },
          }),
        );
        keep(changed);
        onDone();
      } catch (error) {
        // Told what the other changed, a second try keeps this one's.
        if (error instanceof Refused && error.code === "changed-meanwhile")
          setVersion(bench.card.card_version);
        throw error;
      }
    },
  );
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4">
      <Field label="Engine or machine" {...field("title")} />
      <Field label="Customer" {...field("customer")} />
      <Field label="Due" type="date" {...field("due")} />
      <TextArea label="Complaint" {...field("complaint")} />
      <Pick
        label="A bare number is in"
        hint="What was typed stays as it was meant."
        options={UNITS}
        {...field("entry_unit")}
      />
      <SaidNotice said={said} />
      <Button kind="strong" type="submit">
        Keep it
      </Button>
    </form>
  );
}
