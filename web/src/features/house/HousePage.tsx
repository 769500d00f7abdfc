import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client, Refused, type Schemas } from "../../api";
import { Button, Faults, Field, Notice, Page, Section } from "../../shared/ui";
import { useMay } from "../session";

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

function RulesForm({ start }: { start: Rules }) {
  const [rules, setRules] = useState(start);
  const may = useMay()("keep the house rules");
  const queries = useQueryClient();
  const keep = useMutation({
    mutationFn: () => ask(client.PUT("/api/house-rules", { body: rules })),
    onSuccess: (kept) => queries.setQueryData(["house-rules"], kept),
  });
  const refused = keep.error instanceof Refused ? keep.error : null;
  return (
    <Page
      title="House rules"
      note="Where good shops disagree, the school this shop keeps. Every verdict cites it."
    >
      <fieldset disabled={!may}>
        <Section title="How sure before a value is called within or beyond">
          <School
            name="guard"
            options={GUARDS}
            value={rules.guard}
            onChange={(guard) => setRules({ ...rules, guard })}
          />
        </Section>
        <Section title="A hardened crank that needs grinding">
          <School
            name="hardened"
            options={HARDENED}
            value={rules.hardened_crank}
            onChange={(hardened_crank) => setRules({ ...rules, hardened_crank })}
          />
        </Section>
        <Section title="What a polish takes off the diameter">
          <div className="max-w-xs">
            <Field
              label="Polish allowance"
              hint="0.0002 to 0.0005 in is common."
              value={rules.polish_allowance}
              fault={refused?.at("polish_allowance")}
              onChange={(event) => setRules({ ...rules, polish_allowance: event.target.value })}
            />
          </div>
        </Section>
        <Section title="How warm the shop is">
          <div className="grid max-w-2xl grid-cols-2 gap-4">
            <Field
              label="Part and gauge, °C"
              hint="Counts where a sitting says nothing else. Sizes are brought to 20 °C."
              value={rules.shop_c}
              fault={refused?.at("shop_c")}
              onChange={(event) => setRules({ ...rules, shop_c: event.target.value })}
            />
            <Field
              label="They may differ by, ± °C"
              hint="Though they lay side by side: 1 is common."
              value={rules.spread_k}
              fault={refused?.at("spread_k")}
              onChange={(event) => setRules({ ...rules, spread_k: event.target.value })}
            />
          </div>
        </Section>
      </fieldset>
      {may ? (
        <Button kind="strong" onClick={() => keep.mutate()}>
          Keep the house rules
        </Button>
      ) : (
        <Notice>The owner keeps the house rules.</Notice>
      )}
      <div className="mt-3">
        {keep.isSuccess && (
          <Notice>Kept. Open jobs are judged by them from now on; signed ones stay as they are.</Notice>
        )}
        {!refused?.faults.length && <Faults error={keep.error} />}
      </div>
    </Page>
  );
}

interface SchoolProps<T extends string> {
  name: string;
  options: readonly { value: T; title: string; why: string }[];
  value: T;
  onChange: (value: T) => void;
}

function School<T extends string>({ name, options, value, onChange }: SchoolProps<T>) {
  return (
    <div className="grid grid-cols-2 gap-4">
      {options.map((option) => (
        <label
          key={option.value}
          className={`flex cursor-pointer gap-3 border-2 p-3 ${option.value === value ? "border-blue bg-tint" : "border-line bg-sheet"}`}
        >
          <input
            type="radio"
            name={name}
            className="mt-1 size-5"
            checked={option.value === value}
            onChange={() => onChange(option.value)}
          />
          <span>
            <span className="block text-lg font-semibold">{option.title}</span>
            {option.why}
          </span>
        </label>
      ))}
    </div>
  );
}
