import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useOutletContext } from "react-router";

import { ask, client, Refused, type Schemas } from "../../api";
import { useStripReport } from "../../shared/door";
import { StandsKey } from "../../shared/engine";
import { type Bench, PlaceLink, useKeepBench } from "../../shared/job";
import { Button, Choice, Faults, LinkButton, Notice, Page } from "../../shared/ui";
import { useMay } from "../session";
import { EngineStands } from "./EngineStands";
import { StripTabs } from "./StripTabs";

/** The engine of the job: as it still stands, what nobody has said of it, and the description it stands on. */
export function EnginePage() {
  const bench = useOutletContext<Bench>();
  const jobId = bench.card.id;
  const strip = useStripReport(jobId);
  const may = useMay();
  const report = strip.data;
  return (
    <Page untitled title="The engine" pages={<StripTabs jobId={jobId} />}>
      <Faults error={strip.error} />
      {report && (
        <div className="flex flex-col gap-4">
          <EngineStands drawn={report} large />
          <StandsKey />
          <div className="grid grid-cols-2 gap-8 max-md:grid-cols-1">
            <GroupList groups={report.groups} />
            <div className="flex flex-col gap-4">
              <Unknown report={report} />
              {may("draft a limits sheet") ? (
                !bench.card.signed && <TakeUp jobId={jobId} bench={bench} />
              ) : (
                <p>A machinist or an owner says how the engine is built. Ask one to, or change person.</p>
              )}
            </div>
          </div>
        </div>
      )}
    </Page>
  );
}

/** The groups in words: how many of each are off. */
function GroupList({ groups }: { groups: readonly Schemas["DrawnGroup"][] }) {
  const byName = new Map<string, Schemas["DrawnGroup"][]>();
  for (const one of groups) byName.set(one.key, [...(byName.get(one.key) ?? []), one]);
  return (
    <section aria-label="Groups">
      <h2 className="mb-1 text-xl font-semibold">What is on and what is off</h2>
      <ul className="columns-2 gap-6 max-sm:columns-1">
        {[...byName.values()].map((all) => {
          const [first] = all;
          const off = all.reduce((sum, one) => sum + one.off, 0);
          const whole = all.reduce((sum, one) => sum + one.all, 0);
          const next = all.some((one) => one.stands === "next");
          const missing = all.every((one) => one.stands === "missing");
          const name = all.length > 1 ? first?.key : first?.name;
          const words = missing
            ? "not on this engine"
            : off === whole
              ? "off"
              : off
                ? `${off} of ${whole} off`
                : "on";
          return (
            <li
              key={first?.key}
              className="flex min-h-11 break-inside-avoid items-center justify-between gap-2 border-b border-line/60"
            >
              {first?.place && all.length === 1 ? (
                <PlaceLink place={first.place} className="first-letter:uppercase">
                  {name}
                </PlaceLink>
              ) : (
                <span className="first-letter:uppercase">{name}</span>
              )}
              <span className={next ? "font-semibold text-blue" : off ? "text-quiet" : ""}>
                {words}
                {next && ", next"}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function Unknown({ report }: { report: Schemas["StripTold"] }) {
  if (report.asked.length === 0 && report.not_judged.length === 0) return null;
  return (
    <section aria-label="Not known" className="border-l-4 border-blue px-3">
      {report.asked.length > 0 && <h2 className="text-xl font-semibold">Not known, and it matters</h2>}
      <ul>
        {report.asked.map((one) => (
          <li key={one.field}>
            {one.question} <span className="text-quiet">Taken for: {one.taken_for}.</span>
          </li>
        ))}
      </ul>
      {report.not_judged.map((words) => (
        <p key={words} className="mt-1">
          {words}
        </p>
      ))}
    </section>
  );
}

/** Another description for this engine: what falls away and what comes is said before it is taken up. */
function TakeUp({ jobId, bench }: { jobId: number; bench: Bench }) {
  const keep = useKeepBench();
  const known = useQuery({
    queryKey: ["descriptions"],
    queryFn: () => ask(client.GET("/api/descriptions")),
  });
  const [chosen, setChosen] = useState("");
  const take = useMutation({
    mutationFn: (body: Schemas["TakingDescription"]) =>
      ask(client.PUT("/api/jobs/{job_id}/description", { params: { path: { job_id: jobId } }, body })),
    onSuccess: (next) => keep(next),
  });
  const changes = take.error instanceof Refused && take.error.code === "list-changes" ? take.error : null;
  return (
    <section aria-label="Description">
      <h2 className="text-xl font-semibold">The description it stands on</h2>
      <p className="mb-2">{bench.layout.name}</p>
      {known.data?.length === 0 && (
        <p className="mb-2">No engine is described yet: describe this one first.</p>
      )}
      <div className="flex flex-wrap items-end gap-3">
        <div className="min-w-60 grow">
          <Choice
            label="Another"
            value={chosen}
            options={[
              { value: "", label: "choose" },
              ...(known.data ?? []).map((one) => ({
                value: String(one.id),
                label: `${one.name}, revision ${one.revision}`,
              })),
            ]}
            onChange={setChosen}
          />
        </div>
        <Button
          kind="strong"
          disabled={chosen === "" || take.isPending}
          onClick={() => take.mutate({ description: Number(chosen), sure: false })}
        >
          Take it up
        </Button>
        <LinkButton to={`/limits/engines/new?job=${jobId}`}>Describe it</LinkButton>
      </div>
      {changes ? (
        <div className="mt-2">
          <Notice>
            <p>{changes.message}</p>
            <ul className="list-disc pl-5 font-normal">
              {changes.faults.map((fault) => (
                <li key={fault.what}>{fault.what}</li>
              ))}
            </ul>
            <Button className="mt-2" onClick={() => take.mutate({ description: Number(chosen), sure: true })}>
              Take it up all the same
            </Button>
          </Notice>
        </div>
      ) : (
        <Faults error={take.error} />
      )}
      {take.isSuccess && <p className="mt-2 font-semibold">Taken up.</p>}
    </section>
  );
}
