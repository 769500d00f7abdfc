import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client, Refused, type Schemas } from "../../api";
import { SaidNotice, useServerForm } from "../../shared/forms";
import { Button, Faults, Field, LinkButton, Notice, Page, Section } from "../../shared/ui";
import { useMay } from "../session";
import { School } from "./School";
import { EvidenceRules } from "./EvidenceRules";
import { StripRules } from "./StripRules";

type Rules = Schemas["HouseRulesForm"];

const GUARDS: readonly { value: Rules["guard"]; title: string; why: string }[] = [
  {
    value: "1.645u",
    title: "95 % sure",
    why: "A value must clear its limit by 1.645 times the gauge's standard uncertainty. Fewer readings end in doubt.",
  },
  {
    value: "2u",
    title: "Twice the uncertainty",
    why: "Stricter: about 98 % sure. More readings end in doubt and want a finer gauge.",
  },
];

const HARDENED: readonly { value: Rules["hardened_crank"]; title: string; why: string }[] = [
  {
    value: "never ground",
    title: "Never ground",
    why: "The case may be gone after a grind and nobody sees it. A hardened crank that is worn out is replaced.",
  },
  {
    value: "ground within the case",
    title: "Ground within the case",
    why: "Where the maker's case depth is on the sheet and enough is left, it is ground and its hardness checked after.",
  },
];

export function HousePage() {
  const rules = useQuery({ queryKey: ["house-rules"], queryFn: () => ask(client.GET("/api/house-rules")) });
  if (!rules.data) return <Page title="House rules">{rules.isError ? <Faults error={rules.error} /> : "One moment."}</Page>; // prettier-ignore
  return <RulesForm start={rules.data} />;
}

const AXIS = [
  {
    value: "yes",
    title: "Keep the axis",
    why: "Ground about the axis it has: throw and index stay as they are.",
  },
  {
    value: "no",
    title: "Move it where it saves the crank",
    why: "A grinder who can set the axis anew may save a scored journal. Stroke and index move with it.",
  },
] as const;
const MIXED = [
  {
    value: "no",
    title: "One size for a set",
    why: "All mains alike, all rods alike: no shell goes to the wrong place.",
  },
  {
    value: "yes",
    title: "Mixed shells allowed",
    why: "A journal ground singly keeps its own shells; every place is marked on the sheet.",
  },
] as const;

const GLAZED: readonly { value: Rules["glazed_bore"]; title: string; why: string }[] = [
  {
    value: "light hone",
    title: "Light hone",
    why: "The glaze is broken so that new rings seat. What it takes off must leave the bore within its limit.",
  },
  {
    value: "leave alone",
    title: "Leave it alone",
    why: "A round bore that sealed goes on sealing with the rings it has; a hone only wears it.",
  },
  {
    value: "always full hone",
    title: "Always a full hone",
    why: "A glaze hides the shape: the bore is honed whole and measured again, to the next size if it asks.",
  },
];
const WORN: readonly { value: Rules["worn_bore"]; title: string; why: string }[] = [
  {
    value: "first oversize, new pistons",
    title: "First oversize, new pistons",
    why: "Bore, hone and piston are new together. Every wall gets thinner by it.",
  },
  {
    value: "thin sleeves, keep the pistons",
    title: "Thin sleeves, keep the pistons",
    why: "Good pistons of a rare engine stay, and no oversize is used up. Every sleeve is a press fit to answer for.",
  },
];
const BORE_AXIS = [
  {
    value: "yes",
    title: "Bored about the axis it has",
    why: "The bore stays where it stands, and the worst side of its wear decides the size.",
  },
  {
    value: "no",
    title: "Axis moved where it saves a size",
    why: "A radial profile shows how far the bore may be moved. It then no longer stands where it did.",
  },
] as const;
const PLATE = [
  {
    value: "no",
    title: "Bored and measured free",
    why: "As most makers' limits are given. The head pulls the bore out of round when it is bolted down.",
  },
  {
    value: "yes",
    title: "With the torque plate fitted",
    why: "The block stands as it will run. A bore read free does not count against one finished under the plate.",
  },
] as const;

const KEEP = [
  {
    value: "yes",
    title: "Back into its own bore",
    why: "A used piston and its bore have worn to each other. Only what is new goes where it fits best.",
  },
  {
    value: "no",
    title: "Where it fits best",
    why: "Sound pistons are paired with the bores over the whole set, nearest to the clearance aimed at.",
  },
] as const;
const AFTER_METAL: readonly { value: Rules["pump_after_metal"]; title: string; why: string }[] = [
  {
    value: "flush, measure, reuse if within",
    title: "Flush it, measure it, reuse it if within",
    why: "A pump within every figure pumps. It still goes back only on a person's word, with the reason.",
  },
  {
    value: "new regardless",
    title: "New regardless",
    why: "Metal that went through it may lie in it, and what it scored shows later. A pump costs less than a crank.",
  },
];

function RulesForm({ start }: { start: Rules }) {
  const may = useMay()("keep the house rules");
  const queries = useQueryClient();
  const [version, setVersion] = useState(start.version);
  const { form, field, fault, set, said, submit, submitWith } = useServerForm<Rules>(
    start,
    async (rules) => {
      const kept = await ask(client.PUT("/api/house-rules", { body: { ...rules, version } }));
      queries.setQueryData(["house-rules"], kept);
      setVersion(kept.version);
    },
    { guard: true },
  );
  const rules = form.watch();
  const numberField = (name: "check_stands_h") => ({
    ...form.register(name, { valueAsNumber: true }),
    fault: fault(name),
  });
  const odd = said?.error instanceof Refused && said.error.code === "odd-rules";
  const meanwhile = said?.error instanceof Refused && said.error.code === "changed-meanwhile";
  return (
    <Page
      title="House rules"
      note="Where good shops disagree, the school this shop keeps. Every verdict cites it."
      actions={<LinkButton to="/house-rules/looks">The table of looks</LinkButton>}
    >
      {!start.confirmed && (
        <Notice tone="wrong">
          No owner has chosen these yet. Until then they ask, and reject nothing: look through them and keep
          them.
        </Notice>
      )}
      <fieldset disabled={!may}>
        <Section title="How sure before a value is called within or beyond">
          <School name="guard" options={GUARDS} value={rules.guard} onChange={(guard) => set({ guard })} />
        </Section>
        <Section title="A hardened crank that needs grinding">
          <School
            name="hardened"
            options={HARDENED}
            value={rules.hardened_crank}
            onChange={(hardened_crank) => set({ hardened_crank })}
          />
        </Section>
        <Section title="Where a score decides">
          <School
            name="axis"
            options={AXIS}
            value={rules.keep_axis ? "yes" : "no"}
            onChange={(value) => set({ keep_axis: value === "yes" })}
          />
        </Section>
        <Section title="A journal that was ground singly">
          <School
            name="mixed"
            options={MIXED}
            value={rules.mixed_sizes ? "yes" : "no"}
            onChange={(value) => set({ mixed_sizes: value === "yes" })}
          />
        </Section>
        <Section title="Grinding and polishing">
          <div className="grid max-w-2xl grid-cols-2 max-md:grid-cols-1 gap-4">
            <Field
              label="A polish takes off the diameter"
              hint="0.0002 to 0.0005 in is common."
              {...field("polish_allowance")}
            />
            <Field
              label="Narrowest band to grind to"
              hint="Half the maker's band where that is smaller. A narrower one is offered as tight."
              {...field("least_band")}
            />
          </div>
        </Section>
        <Section title="A piston that is used again">
          <School
            name="pistons"
            options={KEEP}
            value={rules.pistons_keep ? "yes" : "no"}
            onChange={(value) => set({ pistons_keep: value === "yes" })}
          />
        </Section>
        <Section title="A pump that metal went through">
          <School
            name="pump"
            options={AFTER_METAL}
            value={rules.pump_after_metal}
            onChange={(pump_after_metal) => set({ pump_after_metal })}
          />
        </Section>
        <Section title="A bore that is glazed and still round">
          <School
            name="glazed"
            options={GLAZED}
            value={rules.glazed_bore}
            onChange={(glazed_bore) => set({ glazed_bore })}
          />
        </Section>
        <Section title="Worn bores whose pistons are good">
          <School
            name="worn"
            options={WORN}
            value={rules.worn_bore}
            onChange={(worn_bore) => set({ worn_bore })}
          />
        </Section>
        <Section title="The axis of a worn bore">
          <School
            name="bore-axis"
            options={BORE_AXIS}
            value={rules.keep_bore_axis ? "yes" : "no"}
            onChange={(value) => set({ keep_bore_axis: value === "yes" })}
          />
        </Section>
        <Section title="The block under load">
          <School
            name="plate"
            options={PLATE}
            value={rules.torque_plate ? "yes" : "no"}
            onChange={(value) => set({ torque_plate: value === "yes" })}
          />
        </Section>
        <Section title="Boring and honing">
          <div className="grid max-w-2xl grid-cols-2 max-md:grid-cols-1 gap-4">
            <Field
              label="A light hone takes off the diameter"
              hint="0.0003 to 0.0005 in is common."
              {...field("light_hone")}
            />
            <Field
              label="Left in the bore for the final hone"
              hint="0.002 to 0.004 in on diameter is common."
              {...field("hone_stock")}
            />
          </div>
        </Section>
        <StripRules rules={rules} growth={field("bolt_growth")} onChange={(changed) => set(changed)} />
        <EvidenceRules rules={rules} onChange={(changed) => set(changed)} />
        <Section title="Gauges and warmth">
          <div className="grid max-w-4xl grid-cols-3 max-md:grid-cols-1 gap-4">
            <Field
              label="A setting check stands, hours"
              hint="After that the permissible error counts in full."
              type="number"
              min={1}
              max={168}
              {...numberField("check_stands_h")}
            />
            <Field
              label="Part and gauge, °C"
              hint="Counts where a sitting says nothing else. Sizes are brought to 20 °C."
              {...field("shop_c")}
            />
            <Field
              label="They may differ by, ± °C"
              hint="Though they lay side by side: 1 is common."
              {...field("spread_k")}
            />
          </div>
        </Section>
      </fieldset>
      {may ? (
        <div className="flex gap-3">
          <Button kind="strong" onClick={(event) => void submit(event)}>
            Keep the house rules
          </Button>
          {odd && (
            <Button onClick={(event) => void submitWith((values) => ({ ...values, sure: true }))(event)}>
              Keep them all the same
            </Button>
          )}
          {meanwhile && <Button onClick={() => window.location.reload()}>Look at what they are now</Button>}
        </div>
      ) : (
        <Notice>The owner keeps the house rules.</Notice>
      )}
      <div className="mt-3">
        {form.formState.isSubmitSuccessful && !said && (
          <Notice>Kept. Open jobs are judged by them from now on; signed ones stay as they are.</Notice>
        )}
        <SaidNotice said={said} />
      </div>
    </Page>
  );
}
