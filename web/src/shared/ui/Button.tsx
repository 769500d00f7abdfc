import type { ButtonHTMLAttributes, MouseEvent, ReactNode } from "react";
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

interface LinkLooks extends Looks {
  to: string;
  file?: boolean;
  onClick?: (event: MouseEvent) => void;
}

/** A link that looks like a button; `file` is for addresses that the server answers itself. */
export function LinkButton({ kind = "plain", to, file, children, onClick }: LinkLooks) {
  const className = `${base} ${kinds[kind]}`;
  if (!file) {
    return (
      <Link to={to} className={className}>
        {children}
      </Link>
    );
  }
  return (
    <a href={to} className={className} target="_blank" rel="noreferrer" onClick={onClick}>
      {children}
    </a>
  );
}

/** A page for paper, opened with the browser's print dialog. */
export function PrintButton({ to, children }: Looks & { to: string }) {
  const print = (event: MouseEvent) => {
    const paper = window.open(to, "_blank");
    if (!paper) return;
    event.preventDefault();
    paper.addEventListener("load", () => paper.print());
  };
  return (
    <LinkButton to={to} file onClick={print}>
      {children}
    </LinkButton>
  );
}
