import { useState } from "react";
import { Link } from "react-router";

import { ask, client, type Schemas } from "../../api";
import { Button, Faults } from "../../shared/ui";

type Rules = Schemas["HouseRulesForm"];
interface Found {
  job: Schemas["OpenJob"];
  lines: readonly string[];
}

/** How many open jobs these rules would change: tried job by job, and said as it goes. */
export function WouldChange({ rules }: { rules: Rules }) {
  const [tried, setTried] = useState<{ done: number; of: number; read: number; found: readonly Found[] }>();
  const [error, setError] = useState<unknown>(null);
  const run = async () => {
    setError(null);
    try {
      const jobs = await ask(client.GET("/api/house-rules/open-jobs"));
      let found: readonly Found[] = [];
      let read = 0;
      setTried({ done: 0, of: jobs.length, read, found });
      for (const [nth, job] of jobs.entries()) {
        const params = { path: { job_id: job.id } };
        const { lines, reads } = await ask(
          client.POST("/api/house-rules/would-change/{job_id}", { params, body: rules }),
        );
        if (lines.length > 0) found = [...found, { job, lines }];
        read += reads ? 1 : 0;
        setTried({ done: nth + 1, of: jobs.length, read, found });
      }
    } catch (failed) {
      setTried(undefined);
      setError(failed);
    }
  };
  const running = tried !== undefined && tried.done < tried.of;
  return (
    <section aria-label="What would change" className="my-4 border-t border-line pt-4">
      <Button disabled={running} onClick={() => void run()}>
        How many open jobs would change?
      </Button>
      {tried && (
        <div role="status" className="mt-2">
          {running && (
            <progress
              aria-label="Jobs tried"
              className="h-2 w-full max-w-md appearance-none [&::-webkit-progress-bar]:bg-line [&::-webkit-progress-value]:bg-blue"
              max={tried.of}
              value={tried.done}
            />
          )}
          <p className="text-lg font-semibold">
            {tried.done} of {tried.of} tried. {tried.read} read what is changed here, {tried.found.length}{" "}
            would change.
          </p>
          {tried.found.map(({ job, lines }) => (
            <div key={job.id} className="border-b border-line py-1">
              <Link to={`/jobs/${job.id}/sheet`} className="font-semibold text-blue">
                {job.number} {job.title}
              </Link>
              {lines.map((line) => (
                <p key={line}>{line}</p>
              ))}
            </div>
          ))}
        </div>
      )}
      <Faults error={error} />
    </section>
  );
}
