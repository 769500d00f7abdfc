import { useMutation, useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";

import { ask, client, type Schemas } from "../../api";
import { today } from "../../shared/dates";
import { SaidNotice, useServerForm } from "../../shared/forms";
import { PlanChoice, planOf, plansFor, ScopeChoice, setName, useKinds } from "../../shared/job";
import { Button, Field, LinkButton, Notice, Page, Pick, Section, TextArea } from "../../shared/ui";

const UNITS = [
  { value: "in", label: "inch" },
  { value: "mm", label: "millimetre" },
];
const START = {
  number: "",
  title: "",
  customer: "",
  complaint: "",
  due: "",
  limits: "",
  unit: "in",
  use: "",
};

const USES: readonly Schemas["Use"][] = ["street", "hard use", "boosted", "marine", "stationary"];

export function BookInPage() {
  const go = useNavigate();
  const sheets = useQuery({ queryKey: ["limits"], queryFn: () => ask(client.GET("/api/limits")) });
  const book = useMutation({
    mutationFn: (body: Schemas["BookIn"]) => ask(client.POST("/api/jobs", { body })),
  });
  const booked = useRef(0);
  const kinds = useKinds();
  const [scope, setScope] = useState<readonly string[]>();
  const [plans, setPlans] = useState<Record<string, string>>({});
  const sheetSets = (id: string) => sheets.data?.find((one) => String(one.id) === id)?.sets ?? [];
  const judged = (id: string) => (scope ?? sheetSets(id)).filter((set) => sheetSets(id).includes(set));
  const kindOf = (set: string) => kinds.find((kind) => set in kind.sets);
  /** The sets of which a measuring plan can be chosen: what comes loose is read where its kind says. */
  const planned = (id: string) => judged(id).filter((set) => (kindOf(set)?.plans.length ?? 0) > 0);
  const planIn = (set: string) => plans[set] ?? plansFor(kindOf(set))[0]?.value ?? "";
  const { form, field, said, submit } = useServerForm(
    START,
    async (given) => {
      const bench = await book.mutateAsync({
        number: given.number,
        title: given.title,
        customer: given.customer,
        complaint: given.complaint,
        due: given.due || null,
        card_version: 0,
        limits_id: Number(given.limits),
        entry_unit: given.unit === "mm" ? "mm" : "in",
        booked_in: today(),
        use: USES.find((use) => use === given.use) ?? null,
        scope: [...judged(given.limits)],
        plans: Object.fromEntries(planned(given.limits).map((set) => [set, planOf(planIn(set))])),
      });
      booked.current = bench.card.id;
    },
    {
      guard: true,
      after: () => void go(`/jobs/${booked.current}`),
      words: { limits_id: "Limits sheet", booked_in: "Booked in" },
    },
  );
  const limits = form.watch("limits");
  const chosen = judged(limits).length > 0;
  const options = [
    { value: "", label: "choose the engine" },
    ...(sheets.data ?? []).map((sheet) => ({
      value: String(sheet.id),
      label: `${sheet.engine}, revision ${sheet.revision}${sheet.state === "confirmed" ? "" : `, ${sheet.state}`}`,
    })),
  ];
  return (
    <Page title="Book in an engine" note="What it is, whose it is, and the limits it will be judged by.">
      <form onSubmit={(event) => void submit(event)}>
        <div className="grid grid-cols-2 gap-x-10 gap-y-4 max-md:grid-cols-1">
          <Field label="Engine or machine" placeholder="Locomotive 3" autoFocus {...field("title")} />
          <Field label="Customer" {...field("customer")} />
          <Field label="Job number" hint="Left empty, it takes the next one." {...field("number")} />
          <Field label="Due" type="date" {...field("due")} />
          <div className="col-span-full">
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
          <div className="grid grid-cols-2 gap-x-10 gap-y-4 max-md:grid-cols-1">
            <div className="grid grid-cols-[1fr_auto] items-end gap-2">
              <Pick label="Limits sheet" options={options} {...field("limits")} />
              <LinkButton to="/limits/new">Not listed: enter it</LinkButton>
            </div>
            <Pick label="A bare number is in" options={UNITS} {...field("unit")} />
            <Pick
              label="What the engine is used for"
              hint="Picks the usual ring gaps. It can be said later."
              options={[{ value: "", label: "not said" }, ...USES.map((use) => ({ value: use, label: use }))]}
              {...field("use")}
            />
          </div>
          {limits !== "" && (
            <div className="mt-4 flex flex-col gap-4">
              <ScopeChoice
                kinds={kinds}
                sets={sheetSets(limits)}
                value={judged(limits)}
                onChange={setScope}
              />
              <div className="grid grid-cols-3 gap-x-6 gap-y-4 max-md:grid-cols-1">
                {planned(limits).map((set) => (
                  <PlanChoice
                    key={set}
                    label={`Plan for the ${setName(kinds, set).toLowerCase()}`}
                    kind={kindOf(set)}
                    value={planIn(set)}
                    onChange={(value) => setPlans({ ...plans, [set]: value })}
                  />
                ))}
              </div>
            </div>
          )}
        </Section>
        <SaidNotice said={said} />
        <div className="mt-3 flex gap-3">
          <Button kind="strong" type="submit" disabled={!chosen || book.isPending}>
            {bookWords(limits, chosen)}
          </Button>
          <LinkButton to="/">Back to the rack</LinkButton>
        </div>
      </form>
    </Page>
  );
}

function bookWords(limits: string, chosen: boolean): string {
  if (limits === "") return "Choose the limits sheet first";
  return chosen ? "Book in and measure" : "Choose what is measured first";
}
