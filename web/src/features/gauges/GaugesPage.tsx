import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";

import { ask, client, type Schemas } from "../../api";
import { yearText } from "../../shared/dates";
import { Button, Faults, Page } from "../../shared/ui";
import { useMay } from "../session";
import { BLANK, GaugeDialog } from "./GaugeDialog";
import { StandingMark } from "./StandingMark";

type Gauge = Schemas["GaugeOut"];

/** What a narrow screen has no room for: it stands on the page of the gauge. */
const ROOMY = "max-md:hidden";

/** The cabinet: every gauge of the shop, how it stands, what it is fit for. */
export function GaugesPage() {
  const gauges = useQuery({ queryKey: ["gauges"], queryFn: () => ask(client.GET("/api/gauges")) });
  const [entering, setEntering] = useState(false);
  const may = useMay()("keep the gauge list");
  return (
    <Page
      title="Gauge cabinet"
      note="How finely each reads, how far it may be out, and when it was last checked. Every verdict rests on it."
      actions={
        may && (
          <Button kind="strong" onClick={() => setEntering(true)}>
            Enter a gauge
          </Button>
        )
      }
    >
      <Faults error={gauges.error} />
      {gauges.data?.length === 0 && (
        <p>The cabinet is empty. Enter the micrometer you measure journals with.</p>
      )}
      <table className="w-full border-collapse text-left">
        <thead className="text-quiet">
          <tr className="border-b-2 border-ink">
            <th className="py-2 font-semibold">Gauge</th>
            <th className="font-semibold">Reads to</th>
            <th className={`${ROOMY} font-semibold`}>May be out by</th>
            <th className={`${ROOMY} font-semibold`}>Zero error</th>
            <th className={`${ROOMY} font-semibold`}>Fit for</th>
            <th className={`${ROOMY} font-semibold`}>Due</th>
            <th className="font-semibold">Stands</th>
          </tr>
        </thead>
        <tbody>
          {gauges.data?.map((gauge) => (
            <Row key={gauge.id} gauge={gauge} />
          ))}
        </tbody>
      </table>
      {entering && <GaugeDialog id={null} start={BLANK} onClose={() => setEntering(false)} />}
    </Page>
  );
}

function Row({ gauge }: { gauge: Gauge }) {
  const unit = gauge.reads_in;
  return (
    <tr className="border-b border-line align-baseline hover:bg-tint">
      <td className="py-1.5">
        <Link to={`/gauges/${gauge.id}`} className="block min-h-11 py-1 leading-tight">
          <span className="text-lg font-semibold text-blue">{gauge.name}</span>
          {gauge.retired && <span className="ml-2 text-quiet">retired</span>}
          <span className="block text-[15px] text-quiet">
            {gauge.kind}
            {gauge.least &&
              gauge.kind !== "setting ring" &&
              gauge.reads_in === gauge.unit &&
              `, ${gauge.least} to ${gauge.most} ${unit}`}
            {gauge.serial && `, ${gauge.serial}`}
            {gauge.port && ", with a data button"}
          </span>
        </Link>
      </td>
      <td className="figure">
        {gauge.kind === "setting ring" ? `${gauge.least} ${unit}` : `${gauge.resolution} ${unit}`}
      </td>
      <td className={`${ROOMY} figure`}>
        ±{gauge.permissible_error} {unit}
      </td>
      <td className={`${ROOMY} figure`}>{gauge.zero && !gauge.comparator ? gauge.zero : "–"}</td>
      <td className={`${ROOMY} text-[15px] leading-tight`}>{gauge.purposes.join(", ")}</td>
      <td className={`${ROOMY} whitespace-nowrap`}>{gauge.due ? yearText(gauge.due) : "–"}</td>
      <td className="md:whitespace-nowrap">
        <StandingMark standing={gauge.standing} />
      </td>
    </tr>
  );
}
