import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useParams } from "react-router";

import { ask, client, type Schemas, stringOf } from "../../api";
import { momentText } from "../../shared/dates";
import { Button, LinkButton, Notice, Page, Section } from "../../shared/ui";
import { useMay } from "../session";
import { CheckForm } from "./CheckForm";
import { DriftPlot } from "./DriftPlot";
import { formOf, GaugeDialog } from "./GaugeDialog";
import { StandingMark } from "./StandingMark";

type Detail = Schemas["GaugeDetail"];

/** One gauge: how it stands, its drift, a setting check, the hands that use it. */
export function GaugePage() {
  const id = useParams().gaugeId ?? "";
  const [editing, setEditing] = useState(false);
  const may = useMay()("keep the gauge list");
  const detail = useQuery({
    queryKey: ["gauges", id],
    queryFn: () => ask(client.GET("/api/gauges/{key}", { params: { path: { key: id } } })),
  });
  if (!detail.data) {
    return (
      <Page title="Gauge">
        {detail.isError ? <Notice tone="wrong">{stringOf(detail.error)}</Notice> : "One moment."}
      </Page>
    );
  }
  const { gauge } = detail.data;
  return (
    <Page
      title={gauge.name}
      note={[gauge.kind, gauge.serial, `fit for ${gauge.purposes.join(", ")}`].filter(Boolean).join(", ")}
      actions={
        <>
          <LinkButton to="/gauges">To the cabinet</LinkButton>
          {may && <Button onClick={() => setEditing(true)}>Change</Button>}
        </>
      }
    >
      <p className="mb-3 text-lg">
        <StandingMark standing={gauge.standing} words={gauge.standing_words} />
      </p>
      {gauge.has_zero ? (
        <div className="grid grid-cols-[400px_minmax(0,1fr)] gap-10 max-lg:grid-cols-1">
          <Section title="Setting check">
            <CheckForm gauge={gauge} />
          </Section>
          <div>
            <Section title="Drift">
              {detail.data.checks.length === 0 ? (
                <p>
                  No check yet. Read its standard before you measure: the zero error is kept and taken off.
                </p>
              ) : (
                <DriftPlot detail={detail.data} />
              )}
              <Checks detail={detail.data} />
            </Section>
            <Section title="Hands">
              <Hands detail={detail.data} />
            </Section>
          </div>
        </div>
      ) : (
        <p>This gauge has no zero to check. Its permissible error counts as it stands.</p>
      )}
      {editing && <GaugeDialog id={gauge.id} start={formOf(gauge)} onClose={() => setEditing(false)} />}
    </Page>
  );
}

function Checks({ detail }: { detail: Detail }) {
  const { checks, gauge } = detail;
  return (
    <table className="mt-2 w-full text-[15px]">
      <caption className="sr-only">The last checks of {gauge.name}</caption>
      <tbody>
        {checks
          .slice(-4)
          .toReversed()
          .map((check) => (
            <tr key={check.id} className="border-b border-line/60">
              <td className="py-1">{momentText(check.at)}</td>
              <td>{check.by}</td>
              <td>
                on <span className="figure">{check.standard}</span>
                {check.against && `, ${check.against}`}
              </td>
              <td className="figure text-right">
                {check.zero}
                {check.out && <strong className="ml-2 text-red">out</strong>}
              </td>
            </tr>
          ))}
      </tbody>
    </table>
  );
}

/** How well each person repeats with it; taken into every budget where it is known well enough. */
function Hands({ detail }: { detail: Detail }) {
  const { hands, gauge, counts_with } = detail;
  if (hands.length === 0)
    return <p>Nobody's repeatability is known. Until then {counts_with} is counted with.</p>;
  return (
    <ul>
      {hands.map((hand) => (
        <li key={hand.by} className="flex justify-between border-b border-line/60 py-1">
          <strong>{hand.by}</strong>
          {hand.enough ? (
            <span>
              repeats within <span className="figure">{hand.repeats_within}</span> {gauge.unit}, one standard
              deviation
            </span>
          ) : (
            <span>too few repeats yet: {counts_with} is counted with</span>
          )}
        </li>
      ))}
    </ul>
  );
}
