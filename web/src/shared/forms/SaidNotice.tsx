import { stringOf } from "../../api";
import { Notice } from "../ui";
import type { Said } from "./useServerForm";

/** What the server said of a form: its sentence, and the faults that no field shows. */
export function SaidNotice({ said }: { said: Said | null }) {
  if (!said) return null;
  return (
    <Notice tone="wrong">
      <p>{stringOf(said.error)}</p>
      {said.rest.length > 0 && (
        <ul className="mt-1 list-disc pl-5 font-normal">
          {said.rest.map((fault) => (
            <li key={fault.where + fault.what}>
              <span className="font-semibold">{fault.where}</span>: {fault.what}
            </li>
          ))}
        </ul>
      )}
    </Notice>
  );
}
