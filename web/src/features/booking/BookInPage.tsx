import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";

import { ask, client, type Schemas } from "../../api";
import { today } from "../../shared/dates";
import { SaidNotice, useServerForm } from "../../shared/forms";
import {
  type Drafts,
  NO_STOP,
  Questions,
  type Said,
  type Stop,
  StopForm,
  stopIn,
  toldIn,
  useTopics,
} from "../../shared/door";
import { newId, PlanChoice, planOf, plansFor, ScopeChoice, setName, useKinds } from "../../shared/job";
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
  const unitChosen = useRef(false);
  /** Where the engine goes once it is booked in: a view of its job. */
  const next = useRef("");
  const kinds = useKinds();
  const [scope, setScope] = useState<readonly string[]>();
  const [plans, setPlans] = useState<Record<string, string>>({});
  const topics = useTopics();
  const [said, setSaid] = useState<readonly (Said & { at: string })[]>([]);
  const [stops, setStops] = useState<readonly Stop[]>([]);
  // What is typed under a question and not written down goes along with the booking.
  const [drafts, setDrafts] = useState<Drafts>({});
  const [stopDraft, setStopDraft] = useState(NO_STOP);
  const allSaid = () => [
    ...said,
    ...toldIn(drafts).map((one) => ({ id: newId(), at: new Date().toISOString(), ...one })),
  ];
  const allStops = () => {
    const typed = topics.data ? stopIn(stopDraft, topics.data) : null;
    return typed ? [...stops, typed] : stops;
  };
  const sheetSets = (id: string) => sheets.data?.find((one) => String(one.id) === id)?.sets ?? [];
  const judged = (id: string) => (scope ?? sheetSets(id)).filter((set) => sheetSets(id).includes(set));
  const kindOf = (set: string) => kinds.find((kind) => set in kind.sets);
  /** The sets of which a measuring plan can be chosen: what comes loose is read where its kind says. */
  const planned = (id: string) => judged(id).filter((set) => (kindOf(set)?.plans.length ?? 0) > 0);
  const planIn = (set: string) => plans[set] ?? plansFor(kindOf(set))[0]?.value ?? "";
  const {
    form,
    field,
    said: refused,
    submit,
  } = useServerForm(
    START,
    async (given) => {
      const bench = await book.mutateAsync({
        number: given.number,
        title: given.title,
        customer: given.customer,
        complaint: given.complaint,
        due: given.due || null,
        card_version: 0,
        limits_id: given.limits ? Number(given.limits) : null,
        entry_unit: given.unit === "mm" ? "mm" : "in",
        booked_in: today(),
        use: USES.find((use) => use === given.use) ?? null,
        scope: given.limits ? [...judged(given.limits)] : ["pump"],
        told: allSaid().map((one) => ({ fact: "statement", note: "", ...one })),
        stops: allStops().map((one) => ({
          fact: "stop point",
          id: newId(),
          at: new Date().toISOString(),
          ...one,
        })),
        plans: Object.fromEntries(planned(given.limits).map((set) => [set, planOf(planIn(set))])),
      });
      booked.current = bench.card.id;
    },
    {
      guard: true,
      after: () => void go(`/jobs/${booked.current}${next.current}`),
      words: { limits_id: "Limits sheet", booked_in: "Booked in" },
    },
  );
  const limits = form.watch("limits");
  const whose = form.watch("customer");
  const customers = useQuery({
    queryKey: ["customers", whose],
    queryFn: () => ask(client.GET("/api/customers", { params: { query: { search: whose } } })),
    placeholderData: keepPreviousData,
    enabled: whose !== "",
  });
  const like = useSearchParams()[0].get("like");
  const start = useQuery({
    queryKey: ["start", like],
    queryFn: () =>
      ask(client.GET("/api/jobs/{job_id}/start", { params: { path: { job_id: Number(like) } } })),
    enabled: like !== null && Number.isInteger(Number(like)),
  });
  const begun = useRef(false);
  useEffect(() => {
    if (!start.data || begun.current) return;
    begun.current = true;
    const { title, customer, limits_id, entry_unit, use, scope: sets } = start.data;
    form.reset({
      ...START,
      title,
      customer,
      limits: limits_id === null ? "" : String(limits_id),
      unit: entry_unit,
      use: use ?? "",
    });
    unitChosen.current = true;
    setScope(sets);
  }, [start.data, form]);
  const chosen = limits === "" || judged(limits).length > 0;
  const options = [
    { value: "", label: "not known yet" },
    ...(sheets.data ?? []).map((sheet) => ({
      value: String(sheet.id),
      label: `${sheet.engine}, revision ${sheet.revision}${sheet.state === "confirmed" ? "" : `, ${sheet.state}`}`,
    })),
  ];
  return (
    <Page
      title="Book in an engine"
      note="Only a name is needed. What is known is one press each; the rest can be said later at the door."
    >
      {/* eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- keys of the fields inside */}
      <form
        onSubmit={(event) => void submit(event)}
        onKeyDown={(event) => {
          if (event.key !== "Enter" || !event.ctrlKey) return;
          event.preventDefault();
          event.currentTarget.querySelector<HTMLButtonElement>("button[type=submit]")?.click();
        }}
      >
        <div className="grid grid-cols-2 gap-x-10 gap-y-4 max-md:grid-cols-1">
          <Field label="Engine or machine" placeholder="Locomotive 3" autoFocus {...field("title")} />
          <div className="grid grid-cols-[1fr_auto] items-end gap-2">
            <Pick
              label="Limits sheet"
              options={options}
              {...field("limits")}
              onInput={(event) => {
                // A metric sheet books a metric job, unless the unit was chosen here.
                const sheet = sheets.data?.find((one) => String(one.id) === event.currentTarget.value);
                if (sheet && !unitChosen.current) form.setValue("unit", sheet.unit);
              }}
            />
            <LinkButton to="/limits/new">Not listed: enter it</LinkButton>
          </div>
          <Field label="Customer" list="customers" {...field("customer")} />
          <datalist id="customers">
            {customers.data?.map((one) => (
              <option key={one.id} value={one.name}>
                {one.reach}
              </option>
            ))}
          </datalist>
          <div className="grid grid-cols-2 gap-4">
            <Field label="Job number" hint="Left empty, it takes the next one." {...field("number")} />
            <Field label="Due" type="date" {...field("due")} />
          </div>
          <div className="col-span-full">
            <TextArea label="Complaint in the customer's words" {...field("complaint")} />
          </div>
        </div>
        <Section title="Limits and measuring plan">
          {sheets.data?.length === 0 && (
            <Notice>No limits sheet yet. Enter this engine's limits first.</Notice>
          )}
          <div className="grid grid-cols-2 gap-x-10 gap-y-4 max-md:grid-cols-1">
            <Pick
              label="A bare number is in"
              options={UNITS}
              {...field("unit")}
              onInput={() => (unitChosen.current = true)}
            />
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
        <div className="h-3" />
        {topics.data && (
          <Questions
            topics={topics.data.topics}
            said={said}
            drafts={drafts}
            onDrafts={setDrafts}
            onTell={(given) =>
              setSaid((before) => [...before, { id: newId(), at: new Date().toISOString(), ...given }])
            }
            onTakeBack={(id) => setSaid((before) => before.filter((one) => one.id !== id))}
          />
        )}
        {topics.data && (
          <Section title="Stop points agreed with the customer">
            <StopForm
              asked={topics.data}
              draft={stopDraft}
              onDraft={setStopDraft}
              onSet={(stop) => setStops((before) => [...before, stop])}
            />
            <ul className="mt-2">
              {stops.map((stop) => (
                <li key={stop.name} className="flex items-center gap-2 text-lg">
                  Stop {stop.name}
                  <Button kind="quiet" onClick={() => setStops(stops.filter((other) => other !== stop))}>
                    Take back
                  </Button>
                </li>
              ))}
            </ul>
          </Section>
        )}
        <div className="sticky bottom-0 border-t-2 border-line bg-paper pb-3">
          <SaidNotice said={refused} />
          <div className="mt-3 flex gap-3">
            <Button
              kind="strong"
              type="submit"
              disabled={!chosen || book.isPending}
              onClick={() => (next.current = limits ? "/looks" : "/door")}
            >
              {limits ? "Book in and look" : "Book in, engine not known yet"}
            </Button>
            {limits && (
              <Button type="submit" disabled={!chosen || book.isPending} onClick={() => (next.current = "")}>
                {chosen ? "Book in and measure" : "Choose what is measured first"}
              </Button>
            )}
            <LinkButton to="/">Back to the rack</LinkButton>
            <span className="self-center text-quiet max-md:hidden">
              <kbd className="figure text-sm">Ctrl+Enter</kbd> books in from anywhere on this page
            </span>
          </div>
        </div>
      </form>
    </Page>
  );
}
