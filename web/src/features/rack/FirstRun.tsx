import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";

import { ask, client } from "../../api";
import { useMay } from "../session";

/** What comes first in an empty shop: each with its page, and what is done already. */
export function FirstRun() {
  const steps = useQuery({ queryKey: ["first run"], queryFn: () => ask(client.GET("/api/first-run")) });
  const may = useMay();
  const open = steps.data?.filter((one) => !one.done) ?? [];
  if (!steps.data || open.length === 0) return null;
  const next = open[0]?.name;
  return (
    <section aria-label="What comes first" className="mb-5 border-2 border-ink bg-sheet p-4">
      <h2 className="text-2xl font-semibold">What comes first</h2>
      <ol className="mt-2">
        {steps.data.map((one) => (
          <li key={one.name} className="flex flex-wrap items-center gap-x-4 border-t border-line/60 py-1">
            <span className="w-14 shrink-0 font-semibold text-quiet">{one.done ? "done" : ""}</span>
            <span className="min-w-48 flex-1">
              <span className={one.name === next ? "text-lg font-semibold" : "text-lg"}>{one.name}</span>
              <span className="block text-[15px] text-quiet">{one.why}</span>
            </span>
            {may(one.right) ? (
              <Link
                to={one.page}
                className={`inline-flex min-h-11 items-center px-3 font-semibold ${one.name === next ? "bg-blue text-sheet" : "text-blue"}`}
              >
                {one.done ? "Look at it" : "Do it"}
              </Link>
            ) : (
              <span className="text-[15px] text-quiet">not yours to do: ask who may {one.right}</span>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
