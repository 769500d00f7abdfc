import { useQuery } from "@tanstack/react-query";

import { ask, client } from "../../api";
import { PunchMark } from "../../shared/marks";
import { Faults, LinkButton, Page, Section } from "../../shared/ui";

/** The key: every punch mark with its letter and word, and every rule with its source. */
export function KeyPage() {
  const key = useQuery({
    queryKey: ["key"],
    queryFn: () => ask(client.GET("/api/key")),
    staleTime: Infinity,
  });
  return (
    <Page
      title="Key"
      note="The marks struck beside parts, and the rules behind the reasons."
      actions={<LinkButton to="/key/causes">Causes, and what settles them</LinkButton>}
    >
      <Faults error={key.error} />
      <Section title="Marks">
        <ul className="grid grid-cols-3 gap-4 max-md:grid-cols-1">
          {key.data?.marks.map((mark) => (
            <li key={mark.code} className="flex gap-3">
              <span className="flex w-10 flex-col items-center text-blue">
                <PunchMark code={mark.code} size={34} />
                <span className="text-lg font-semibold">{mark.letter}</span>
              </span>
              <span>
                <span className="block text-lg font-semibold">{mark.word}</span>
                {mark.meaning}
              </span>
            </li>
          ))}
        </ul>
      </Section>
      <Section title="Rules">
        <table className="w-full border-collapse text-left">
          <tbody>
            {key.data?.rules.map((rule) => (
              <tr key={rule.id} className="border-b border-line align-top">
                <td className="py-2 pr-4 font-semibold">{rule.name}</td>
                <td className="py-2 pr-4">{rule.source}</td>
                <td className="py-2 wrap-anywhere text-quiet">{rule.id}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Section>
    </Page>
  );
}
