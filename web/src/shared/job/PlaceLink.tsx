import type { ReactNode } from "react";
import { Link, useSearchParams } from "react-router";

/** The name of a part, to press: its card opens over the page. A finger finds it above and below the line too. */
export function PlaceLink({
  place,
  className = "",
  children,
}: {
  place: string;
  className?: string;
  children: ReactNode;
}) {
  const [params] = useSearchParams();
  const with_it = new URLSearchParams(params);
  with_it.set("place", place);
  return (
    <Link
      to={{ search: with_it.toString() }}
      preventScrollReset
      className={`py-2.5 underline decoration-line decoration-2 underline-offset-4 hover:text-blue hover:decoration-blue ${className}`}
    >
      {children}
    </Link>
  );
}
