import type { ReactNode } from "react";
import { Link, useSearchParams } from "react-router";

/** The name of a part, to press: its card opens over the page. */
export function PlaceLink({
  place,
  label,
  className = "",
  children,
}: {
  place: string;
  /** What is read out where the name stands alone and is short. */
  label?: string;
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
      aria-label={label}
      className={`underline decoration-line decoration-2 underline-offset-4 hover:text-blue hover:decoration-blue ${className}`}
    >
      {children}
    </Link>
  );
}
