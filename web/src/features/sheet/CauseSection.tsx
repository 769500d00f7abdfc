import { Link } from "react-router";

import type { Bench } from "../../shared/job";
import { Section } from "../../shared/ui";

interface Props {
  cause: Bench["assessment"]["cause"];
  jobId: number;
}

/** The cause on the sheet: found by which proof, removed by what; or the words of whoever signed while it was open. */
export function CauseSection({ cause, jobId }: Props) {
  if (!cause.asked && !cause.open) return null;
  return (
    <Section title={cause.asked ? "The cause" : "Found, out of scope"}>
      <p className={`text-lg ${cause.open ? "border-l-4 border-red pl-3 font-semibold" : ""}`}>
        {cause.words}
      </p>
      <ul>
        {cause.found.map((line) => (
          <li key={line}>Found: {line}</li>
        ))}
        {cause.removed.map((line) => (
          <li key={line}>Removed: {line}</li>
        ))}
        {cause.found.length === 0 && cause.leaders.map((line) => <li key={line}>{line}</li>)}
        {cause.unexplained.map((line) => (
          <li key={line} className="text-red">
            Nothing explains: {line}
          </li>
        ))}
        {cause.contaminated > 0 && <li>{cause.contaminated} of what metal went through not dealt with</li>}
      </ul>
      {cause.signed_for && (
        <p className="mt-2 whitespace-pre-line border-l-4 border-blue pl-3">
          Closed up with this open:{"\n"}
          {cause.signed_for}
        </p>
      )}
      {cause.asked && (
        <Link
          to={`/jobs/${jobId}/evidence/cause`}
          className="inline-flex min-h-11 items-center font-semibold text-blue"
        >
          To the cause
        </Link>
      )}
    </Section>
  );
}
