import { type MouseEvent, type ReactNode, useEffect, useState } from "react";

import { readTelling } from "../../api";
import { announce } from "../announce";
import { LinkButton } from "../ui";

interface Props {
  to: string;
  kind?: "strong" | "plain" | "quiet";
  children: ReactNode;
}

/** A file that the server makes when it is asked for: how far it is stands on its button, then it is kept by the
 * browser like any other. */
export function MadeFile({ to, kind, children }: Props) {
  const [state, setState] = useState<{ since: number; share: number } | null>(null);
  const [, tick] = useState(0);
  const waits = state !== null;
  useEffect(() => {
    if (!waits) return;
    const clock = setInterval(() => tick((n) => n + 1), 1_000);
    return () => clearInterval(clock);
  }, [waits]);
  const make = async (event: MouseEvent) => {
    // With Ctrl and its like the browser opens it as it would any link.
    if (event.ctrlKey || event.metaKey || event.shiftKey) return;
    event.preventDefault();
    if (waits) return;
    const since = Date.now();
    setState({ since, share: 0 });
    announce("The file is being made.");
    try {
      const answer = await fetch(to, { credentials: "same-origin" });
      if (!answer.ok) throw new Error(String(answer.status));
      keep(await readTelling(answer, (share) => setState({ since, share })), nameOf(answer, to));
      announce("The file is there.");
    } catch {
      // Whatever the server says to it is seen where it stands.
      window.open(to, "_blank", "noreferrer");
    }
    setState(null);
  };
  return (
    <LinkButton to={to} file {...(kind ? { kind } : {})} onClick={(event) => void make(event)}>
      {state ? wordsOf(state) : children}
    </LinkButton>
  );
}

function wordsOf({ since, share }: { since: number; share: number }): string {
  if (share > 0) return `Coming, ${Math.round(share * 100)} %`;
  return `Being made, ${Math.round((Date.now() - since) / 1_000)} s`;
}

function nameOf(answer: Response, to: string): string {
  const told = /filename="([^"]+)"/.exec(answer.headers.get("content-disposition") ?? "")?.[1];
  return told ?? new URL(to, window.location.origin).pathname.split("/").at(-1) ?? "file";
}

function keep(file: Blob, name: string): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(file);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}
