import { useState } from "react";
import { Link } from "react-router";

import type { Schemas } from "../../api";
import type { askedFirst } from "../../shared/queue";
import { Button, Field, Notice } from "../../shared/ui";

type Answer = Partial<Schemas["DoingStep"]>;

/** What is told with the reason, by what was asked. */
const ALL_THE_SAME: Readonly<Record<string, Answer>> = {
  held: { covers: "all the same" },
  "look-first": { unseen: true },
};

/** What a step is asked for before it is done, and the ways to answer. */
export function AskedFirst({
  jobId,
  asked,
  onDo,
}: {
  jobId: number;
  asked: NonNullable<ReturnType<typeof askedFirst>>;
  onDo: (more: Answer) => void;
}) {
  const [because, setBecause] = useState("");
  const why = because.trim();
  return (
    <div className="mt-3">
      <Notice tone="wrong">
        <p>{asked.says}</p>
        <ul className="font-normal">
          {asked.what.map((what) => (
            <li key={what}>{what}</li>
          ))}
        </ul>
        {asked.code === "look-first" && (
          <Link
            to={`/jobs/${jobId}/evidence/looks`}
            className="inline-flex min-h-11 items-center font-semibold text-blue"
          >
            To the looks
          </Link>
        )}
        {asked.code === "mark-first" ? (
          <Button className="mt-2" onClick={() => onDo({ mark: true })}>
            Marked as listed, and done
          </Button>
        ) : (
          <div className="mt-2 flex flex-wrap items-end gap-3 font-normal">
            {asked.code === "held" && (
              <Button onClick={() => onDo({ covers: "off already" })}>It was off already</Button>
            )}
            <div className="min-w-60 grow">
              <Field
                label="All the same, because"
                value={because}
                maxLength={2000}
                onChange={(event) => setBecause(event.target.value)}
              />
            </div>
            <Button disabled={!why} onClick={() => onDo({ because: why, ...ALL_THE_SAME[asked.code] })}>
              {asked.code === "look-first" ? "Not looked at; done all the same" : "Done all the same"}
            </Button>
          </div>
        )}
      </Notice>
    </div>
  );
}
