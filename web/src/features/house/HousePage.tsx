import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client, Refused, type Schemas } from "../../api";
import { SaidNotice, useServerForm } from "../../shared/forms";
import { Button, Faults, Field, LinkButton, Notice, Page, Section } from "../../shared/ui";
import { useMay } from "../session";
import { Schools } from "./Schools";
import { WouldChange } from "./WouldChange";

type Rules = Schemas["HouseRulesForm"];

export function HousePage() {
  const rules = useQuery({ queryKey: ["house-rules"], queryFn: () => ask(client.GET("/api/house-rules")) });
  if (!rules.data) return <Page title="House rules">{rules.isError ? <Faults error={rules.error} /> : "One moment."}</Page>; // prettier-ignore
  return <RulesForm start={rules.data} />;
}

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
      actions={
        <>
          <LinkButton to="/house-rules/shop">The shop on paper</LinkButton>
          <LinkButton to="/house-rules/looks">The table of looks</LinkButton>
        </>
      }
    >
      {!start.confirmed && (
        <Notice tone="wrong">
          No owner has chosen these yet. Until then they ask, and reject nothing: look through them and keep
          them.
        </Notice>
      )}
      <fieldset disabled={!may}>
        <Schools about="crank" rules={rules} onChange={set} />
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
        <Schools about="block" rules={rules} onChange={set} />
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
        <Schools about="strip" rules={rules} onChange={set} />
        {rules.stretch_bolts === "by measured stretch" && (
          <Section title="A stretch bolt used again">
            <div className="max-w-md">
              <Field
                label="May have grown over its new free length by"
                hint="0.001 in is common; the maker's figure comes first."
                {...field("bolt_growth")}
              />
            </div>
          </Section>
        )}
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
      {may && <WouldChange rules={rules} />}
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
