import type { Schemas } from "../../api";

/** What has to be said at once of marks and joints. */
export function Findings({ findings }: { findings: readonly Schemas["Reason"][] }) {
  if (findings.length === 0) return null;
  return (
    <div role="alert" aria-label="Said at once" className="mb-3 border-l-4 border-red bg-sheet px-4 py-2">
      <ul>
        {findings.map((one) => (
          <li key={one.text} className="text-lg font-semibold leading-snug text-red">
            {one.text}
          </li>
        ))}
      </ul>
    </div>
  );
}
