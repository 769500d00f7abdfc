import { useMutation, useQuery } from "@tanstack/react-query";
import { type SyntheticEvent, useState } from "react";
import { useNavigate } from "react-router";

import { ask, client, Refused, type Schemas } from "../../api";
import { today } from "../../shared/dates";
import { PlanChoice, planOf, PLANS } from "../../shared/job";
import { Button, Choice, Faults, Field, LinkButton, Notice, Page, Section, TextArea } from "../../shared/ui";

export function BookInPage() {
  const go = useNavigate();
  const sheets = useQuery({ queryKey: ["limits"], queryFn: () => ask(client.GET("/api/limits")) });
  const [limits, setLimits] = useState("");
  const [unit, setUnit] = useState<Schemas["Unit"]>("in");
  const [mains, setMains] = useState<string>(PLANS[0].value);
  const [rods, setRods] = useState<string>(PLANS[0].value);
  const [card, setCard] = useState({ number: "", title: "", customer: "", complaint: "", due: "" });
  const book = useMutation({
    mutationFn: (body: Schemas["BookIn"]) => ask(client.POST("/api/jobs", { body })),
    onSuccess: (bench) => void go(`/jobs/${bench.card.id}`),
  });
  const refused = book.error instanceof Refused ? book.error : null;
  const chosen = sheets.data?.find((sheet) => String(sheet.id) === limits);
  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    if (!chosen) return;
    book.mutate({
      ...card,
      due: card.due || null,
      limits_id: chosen.id,
      entry_unit: unit,
      booked_in: today(),
      mains_plan: planOf(mains),
      rods_plan: planOf(rods),
    });
  };
  const field = (name: keyof typeof card) => ({
    value: card[name],
    fault: refused?.at(name),
    onChange: (event: { target: { value: string } }) => setCard({ ...card, [name]: event.target.value }),
  });
  const options = [
    { value: "", label: "choose the engine" },
    ...(sheets.data ?? []).map((sheet) => ({
      value: String(sheet.id),
      label: `${sheet.engine}, revision ${sheet.revision}${sheet.state === "draft" ? ", draft" : ""}`,
    })),
  ];
  return (
    <Page title="Book in an engine" note="What it is, whose it is, and the limits it will be judged by.">
      <form onSubmit={submit}>
        <div className="grid grid-cols-2 gap-x-10 gap-y-4">
          <Field label="Engine or machine" placeholder="Locomotive 3" autoFocus {...field("title")} />
          <Field label="Customer" {...field("customer")} />
          <Field label="Job number" hint="Left empty, it takes the next one." {...field("number")} />
          <Field label="Due" type="date" {...field("due")} />
          <div className="col-span-2">
            <TextArea
              label="Complaint in the customer's words; hours or distance, and who says so"
              {...field("complaint")}
            />
          </div>
        </div>
        <div className="h-3" />
        <Section title="Limits and measuring plan">
          {sheets.data?.length === 0 && (
            <Notice>No limits sheet yet. Enter this engine's limits first.</Notice>
          )}
          <div className="grid grid-cols-2 gap-x-10 gap-y-4">
            <div className="grid grid-cols-[1fr_auto] items-end gap-2">
              <Choice label="Limits sheet" value={limits} options={options} onChange={setLimits} />
              <LinkButton to="/limits/new">Not listed: enter it</LinkButton>
            </div>
            <Choice
              label="A bare number is in"
              value={unit}
              options={[
                { value: "in", label: "inch" },
                { value: "mm", label: "millimetre" },
              ]}
              onChange={setUnit}
            />
            <PlanChoice label="Plan for each main journal" value={mains} onChange={setMains} />
            <PlanChoice label="Plan for each rod journal" value={rods} onChange={setRods} />
          </div>
        </Section>
        <Faults error={book.error} />
        <div className="mt-3 flex gap-3">
          <Button kind="strong" type="submit" disabled={!chosen || book.isPending}>
            {chosen ? "Book in and measure" : "Choose the limits sheet first"}
          </Button>
          <LinkButton to="/">Back to the rack</LinkButton>
        </div>
      </form>
    </Page>
  );
}
