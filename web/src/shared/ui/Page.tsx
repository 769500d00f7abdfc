import type { ReactNode } from "react";

import { useTitle } from "../useTitle";

/** A page below the head line: title, what can be done, and its body. */
export function Page({
  title,
  note,
  actions,
  pages,
  untitled = false,
  children,
}: {
  title: string;
  note?: string;
  /** The frame around the page names its tab. */
  untitled?: boolean;
  actions?: ReactNode;
  /** The pages of its stop on the way. */
  pages?: ReactNode;
  children: ReactNode;
}) {
  useTitle(untitled ? null : title);
  return (
    <main id="main" className={`mx-auto max-w-[1280px] px-7 pb-5 max-md:px-3 ${pages ? "pt-1" : "pt-5"}`}>
      {pages}
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className={pages ? "sr-only" : "text-3xl font-semibold"}>{title}</h1>
          {note && <p className={pages ? "text-lg" : "text-quiet"}>{note}</p>}
        </div>
        <div className="flex flex-wrap gap-2">{actions}</div>
      </div>
      {children}
    </main>
  );
}

/** A part of a page under a hairline. */
export function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="border-t border-line py-4">
      <h2 className="mb-3 text-xl font-semibold">{title}</h2>
      {children}
    </section>
  );
}
