import { Link } from "react-router";

import type { Schemas } from "../../api";
import { dayText, today } from "../../shared/dates";
import { setName, useKinds } from "../../shared/job";
import { PunchMark } from "../../shared/marks";
import { WaitsHere } from "../../shared/queue";
import { StageRule } from "../../shared/StageRule";
import { Button } from "../../shared/ui";

type Line = Schemas["RackLine"];

interface Props {
  jobs: Line[];
  onArchive: ((id: number, archived: boolean) => void) | undefined;
}

export function RackTable({ jobs, onArchive }: Props) {
  return (
    <table className="w-full border-collapse text-left">
      <thead className="text-quiet max-md:hidden">
        <tr className="border-b-2 border-ink">
          <th className="py-2 pr-4 font-semibold">Job</th>
          <th className="pr-4 font-semibold">Engine</th>
          <th className="pr-4 font-semibold">Stage</th>
          <th className="pr-4 font-semibold">Verdicts</th>
          <th className="pr-4 font-semibold">Due</th>
          <th>
            <span className="sr-only">Archive</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {jobs.map((job) => (
          <RackRow key={job.id} job={job} onArchive={onArchive} />
        ))}
      </tbody>
    </table>
  );
}

function RackRow({ job, onArchive }: { job: Line } & Omit<Props, "jobs">) {
  const kinds = useKinds();
  return (
    <tr className="border-b border-line align-top hover:bg-tint max-md:grid max-md:grid-cols-[1fr_auto] max-md:gap-x-3 max-md:py-2">
      <td className="py-3 pr-4">
        <Link to={`/jobs/${job.id}`} className="flex gap-3">
          <span className="figure text-2xl font-bold text-blue">{job.number}</span>
          <span>
            <span className="block text-lg font-semibold leading-tight">{job.title}</span>
            <span className="text-quiet">{job.customer}</span>
            {job.archived && !job.put_away && <span className="block text-[15px]">in the archive</span>}
            {job.put_away && <span className="block text-[15px]">put away for good: {job.put_away}</span>}
            {job.found && <span className="block max-w-96 text-[15px] text-quiet">“{job.found}”</span>}
            <WaitsHere jobId={job.id} />
          </span>
        </Link>
      </td>
      <td className="py-3 pr-4 max-md:order-1 max-md:col-span-2 max-md:py-0">{job.engine}</td>
      <td className="py-3 pr-4 max-md:order-3 max-md:py-0">
        <StageRule stage={job.stage} />
        <span className="block text-sm">
          {job.stage === "signed" || job.stage === "handed over" ? job.stage : `waits for ${job.waits_for}`}
          {job.doubts > 0 && (
            <strong className="block">
              {job.doubts} {job.doubts === 1 ? "doubt" : "doubts"} open
            </strong>
          )}
        </span>
      </td>
      <td className="py-3 pr-4 max-md:order-2 max-md:col-span-2 max-md:py-1">
        {job.sets.map((one) => (
          <SetLine key={one.set} name={setName(kinds, one.set)} code={one.mark} headline={one.headline} />
        ))}
      </td>
      <td className="whitespace-nowrap py-3 pr-4 max-md:pr-0 max-md:text-right">
        {job.due ? dayText(job.due) : "no date"}
        {job.due && job.due < today() && job.stage !== "signed" && job.stage !== "handed over" && (
          <strong className="block text-red">overdue</strong>
        )}
      </td>
      <td className="py-2 text-right max-md:order-4">
        {onArchive && !job.put_away && (
          <Button
            kind="quiet"
            onClick={() => onArchive(job.id, !job.archived)}
            aria-label={`${job.archived ? "Bring back" : "Archive"} job ${job.number}`}
          >
            {job.archived ? "Bring back" : "Archive"}
          </Button>
        )}
      </td>
    </tr>
  );
}

function SetLine({ name, code, headline }: { name: string; code: Schemas["MarkCode"]; headline: string }) {
  return (
    <span className="flex items-center gap-2">
      <PunchMark code={code} size={18} />
      <span>
        {name}: {headline}
      </span>
    </span>
  );
}
