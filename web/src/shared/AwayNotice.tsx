import { keepsPage, useLastKnown } from "./away";
import { momentText } from "./dates";
import { Notice } from "./ui";

/** Said where the server is away and the page shows what was last known. */
export function AwayNotice() {
  const known = useLastKnown();
  if (!known) return null;
  const when = Number.isNaN(Date.parse(known)) ? "" : `, ${momentText(new Date(known).toISOString())}`;
  return (
    <Notice tone="wrong">
      The server does not answer. This is as last known{when}. Readings are kept here and judged when it is
      back.
      {!keepsPage() && " Do not reload: a reload needs the server."}
    </Notice>
  );
}
