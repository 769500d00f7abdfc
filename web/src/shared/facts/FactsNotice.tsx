import { Button, Notice } from "../ui";
import type { useFacts } from "./useFacts";

/** What waits in this browser, and what was refused when it was sent later. */
export function FactsNotice({ facts }: { facts: ReturnType<typeof useFacts> }) {
  const waiting = facts.kept.filter((one) => !one.message).length;
  return (
    <>
      {waiting > 0 && (
        <Notice tone="wrong">
          The server does not answer. {waiting} {waiting === 1 ? "entry is" : "entries are"} kept here and
          sent when it is back. Go on.
        </Notice>
      )}
      {facts.kept
        .filter((one) => one.message)
        .map((one) => (
          <Notice key={one.fact.id} tone="wrong">
            Not kept: {one.message}{" "}
            <Button kind="quiet" onClick={() => facts.putAway(one.fact.id)}>
              Put away
            </Button>
          </Notice>
        ))}
    </>
  );
}
