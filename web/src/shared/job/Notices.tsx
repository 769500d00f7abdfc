import type { Schemas } from "../../api";

/** What is said of the engine as a whole: caps that are no pair, a mix inside, what stands open until it leaves. */
export function Notices({ notices }: { notices: readonly Schemas["Reason"][] }) {
  if (notices.length === 0) return null;
  return (
    <ul aria-label="Of the whole engine" className="mb-1">
      {notices.map((one) => (
        <li key={one.text} className="mb-1 border-l-4 border-red pl-2 font-medium">
          {one.text}
        </li>
      ))}
    </ul>
  );
}
