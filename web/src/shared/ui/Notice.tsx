import type { ReactNode } from "react";

import { Refused, stringOf } from "../../api";

/** A sentence set apart: what happened and what to do. */
export function Notice({ tone = "plain", children }: { tone?: "plain" | "wrong"; children: ReactNode }) {
  const wrong = tone === "wrong";
  return (
    <div
      role={wrong ? "alert" : "status"}
      className={`border-l-4 bg-sheet px-4 py-2 ${wrong ? "border-red font-semibold text-red" : "border-blue"}`}
    >
      {children}
    </div>
  );
}

/** An error with every fault it names, each with its place. */
export function Faults({ error }: { error: unknown }) {
  if (!error) return null;
  const faults = error instanceof Refused ? error.faults : [];
  return (
    <Notice tone="wrong">
      <p>{stringOf(error)}</p>
      {faults.length > 0 && (
        <ul className="mt-1 list-disc pl-5 font-normal">
          {faults.map((fault) => (
            <li key={fault.where + fault.what}>
              <span className="font-semibold">{fault.where}</span>: {fault.what}
            </li>
          ))}
        </ul>
      )}
    </Notice>
  );
}
