import { useMutation } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client, Refused } from "../../api";
import { dayText } from "../../shared/dates";
import { type Bench, useKeepBench } from "../../shared/job";
import { Button, Dialog, Faults, Field, Section, TextArea } from "../../shared/ui";
import { useMay } from "../session";

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
              {other.state === "draft" ? ", draft" : ""}
            </Button>
          ))}
      </div>
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
  const { title, customer, complaint, due } = bench.card;
  const [card, setCard] = useState({ title, customer, complaint, due: due ?? "" });
  const keep = useKeepBench();
  const change = useMutation({
    mutationFn: () =>
      ask(
        client.PUT("/api/jobs/{job_id}", {
          params: { path: { job_id: bench.card.id } },
          body: { ...card, due: card.due || null },
        }),
      ),
    onSuccess: (changed) => {
      keep(changed);
      onOpenChange(false);
    },
  });
  const refused = change.error instanceof Refused ? change.error : null;
  const field = (name: keyof typeof card) => ({
    value: card[name],
    fault: refused?.at(name),
    onChange: (event: { target: { value: string } }) => setCard({ ...card, [name]: event.target.value }),
  });
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Job card">
      <div className="flex flex-col gap-4">
        <Field label="Engine or machine" {...field("title")} />
        <Field label="Customer" {...field("customer")} />
        <Field label="Due" type="date" {...field("due")} />
        <TextArea label="Complaint" {...field("complaint")} />
        {!refused?.faults.length && <Faults error={change.error} />}
        <Button kind="strong" onClick={() => change.mutate()}>
          Keep it
        </Button>
      </div>
    </Dialog>
  );
}
