import { useQuery } from "@tanstack/react-query";

import { ask, client, type Schemas } from "../../api";
import { Faults, Section } from "../../shared/ui";

type Rules = Schemas["HouseRulesForm"];

interface Props {
  about: Schemas["About"];
  rules: Rules;
  onChange: (changed: Partial<Rules>) => void;
}

/** The schools about one thing, of which a shop keeps one each, the argument of each beside it. */
export function Schools({ about, rules, onChange }: Props) {
  const schools = useQuery({
    queryKey: ["house-rules", "schools"],
    queryFn: () => ask(client.GET("/api/house-rules/schools")),
  });
  return (
    <>
      <Faults error={schools.error} />
      {schools.data
        ?.filter((school) => school.about === about)
        .map((school) => (
          <Section key={school.rule} title={school.title}>
            <div
              className={`grid gap-4 max-md:grid-cols-1 ${school.ways.length === 3 ? "grid-cols-3" : "grid-cols-2"}`}
            >
              {school.ways.map((way) => {
                const kept = rules[school.rule as keyof Rules] === way.value;
                return (
                  <label
                    key={way.title}
                    className={`flex cursor-pointer gap-3 border-2 p-3 ${kept ? "border-blue bg-tint" : "border-line bg-sheet"}`}
                  >
                    <input
                      type="radio"
                      name={school.rule}
                      className="mt-1 size-5"
                      checked={kept}
                      onChange={() => onChange({ [school.rule]: way.value })}
                    />
                    <span>
                      <span className="block text-lg font-semibold">{way.title}</span>
                      {way.why}
                    </span>
                  </label>
                );
              })}
            </div>
          </Section>
        ))}
    </>
  );
}
