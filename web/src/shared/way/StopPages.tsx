import { NavLink } from "react-router";

export interface StopPage {
  to: string;
  name: string;
  /** How much of it is left, or how it stands, in a word or two. */
  count?: string | undefined;
}

/** The pages of a stop, under the way, each with how it stands. */
export function StopPages({ name, pages }: { name: string; pages: readonly StopPage[] }) {
  return (
    <nav aria-label={name} className="mb-3 flex flex-wrap border-b-2 border-line">
      {pages.map((page) => (
        <NavLink
          key={page.to}
          to={page.to}
          end
          className={({ isActive }) =>
            `flex min-h-12 flex-col justify-center border-b-4 px-3 py-1 leading-tight ${isActive ? "border-blue bg-tint text-blue" : "border-transparent hover:bg-tint"}`
          }
        >
          <span className="block text-lg font-semibold">{page.name}</span>
          {page.count && <span className="block text-[15px] text-quiet">{page.count}</span>}
        </NavLink>
      ))}
    </nav>
  );
}
