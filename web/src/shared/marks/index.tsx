import type { Schemas } from "../../api";
import shapes from "./shapes.json";

export type MarkCode = Schemas["MarkCode"];

/** One punch mark. Its word is read out unless it stands beside it already. */
export function PunchMark({ code, size = 22, label }: { code: MarkCode; size?: number; label?: string }) {
  return (
    <svg
      viewBox="0 0 24 24"
      width={size}
      height={size}
      fill="currentColor"
      className="inline-block shrink-0"
      role={label ? "img" : "presentation"}
      aria-label={label}
      aria-hidden={label ? undefined : true}
      dangerouslySetInnerHTML={{ __html: shapes[code] }}
    />
  );
}
