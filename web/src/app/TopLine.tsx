import { Link, NavLink, Outlet } from "react-router";

import { PersonMenu, SignInAgain, useSession } from "../features/session";
import { QueueLine } from "../shared/queue";
import { Name } from "../shared/Name";
import { Notice } from "../shared/ui";

const pages = [
  ["/", "Rack"],
  ["/limits", "Limits"],
  ["/gauges", "Gauges"],
  ["/house-rules", "House rules"],
  ["/key", "Key"],
] as const;

/** The head line of every page that is not a job. */
export function TopLine() {
  const warning = useSession().data?.warning;
  return (
    <>
      <header className="flex items-center justify-between gap-x-4 border-b-2 border-line px-7 py-2 max-md:flex-wrap max-md:px-3">
        <div className="flex items-center gap-8 max-md:contents">
          <Name />
          <nav aria-label="Shop" className="flex gap-1 max-md:order-last max-md:w-full max-md:flex-wrap">
            {pages.map(([to, label]) => (
              <NavLink
                key={to}
                to={to}
                end={to === "/"}
                className={({ isActive }) =>
                  `flex min-h-11 items-center border-b-4 px-3 text-lg font-semibold ${isActive ? "border-blue text-blue" : "border-transparent hover:bg-tint"}`
                }
              >
                {label}
              </NavLink>
            ))}
          </nav>
        </div>
        <div className="flex items-center gap-2">
          <PersonMenu />
        </div>
      </header>
      {warning && (
        <div className="px-7 pt-3 max-md:px-3">
          <Notice tone="wrong">
            {warning}{" "}
            <Link to="/people" className="underline">
              People
            </Link>
          </Notice>
        </div>
      )}
      <QueueLine signIn={<SignInAgain />} />
      <Outlet />
    </>
  );
}
