import type { ButtonHTMLAttributes, ReactNode } from "react";
import { Link } from "react-router";

const base =
  "inline-flex min-h-11 items-center justify-center gap-2 rounded-tool border-2 px-4 text-base font-semibold transition-colors disabled:border-line disabled:bg-transparent disabled:text-quiet";
const kinds = {
  strong: "border-blue bg-blue text-onblue hover:brightness-110",
  plain: "border-ink bg-sheet text-ink hover:bg-tint",
  quiet: "border-transparent bg-transparent text-blue hover:bg-tint",
};

interface Looks {
  kind?: keyof typeof kinds;
  children: ReactNode;
}

export function Button({
  kind = "plain",
  className = "",
  ...rest
}: Looks & ButtonHTMLAttributes<HTMLButtonElement>) {
  return <button type="button" className={`${base} ${kinds[kind]} ${className}`} {...rest} />;
}

/** A link that looks like a button; `file` is for addresses that the server answers itself. */
export function LinkButton({ kind = "plain", to, file, children }: Looks & { to: string; file?: boolean }) {
  const className = `${base} ${kinds[kind]}`;
  if (!file) {
    return (
      <Link to={to} className={className}>
        {children}
      </Link>
    );
  }
  return (
    <a href={to} className={className} target="_blank" rel="noreferrer">
      {children}
    </a>
  );
}
