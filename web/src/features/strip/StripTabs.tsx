import { NavLink } from "react-router";

const TABS = [
  ["", "Steps"],
  ["/open", "Fasteners and removed"],
  ["/marks", "Marks and places"],
  ["/labels", "Labels"],
  ["/pictures", "Pictures"],
] as const;

/** The views of the strip. */
export function StripTabs({ jobId }: { jobId: number }) {
  return (
    <nav aria-label="Strip" className="flex flex-wrap">
      {TABS.map(([end, name]) => (
        <NavLink
          key={end}
          to={`/jobs/${jobId}/strip${end}`}
          end
          className={({ isActive }) =>
            `flex min-h-11 items-center border-b-4 px-3 font-semibold ${isActive ? "border-blue text-blue" : "border-transparent hover:bg-tint"}`
          }
        >
          {name}
        </NavLink>
      ))}
    </nav>
  );
}
