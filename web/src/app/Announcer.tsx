import { useAnnounced } from "../shared/announce";

/** The one polite place where landings and verdicts are read out to those who do not see them. */
export function Announcer() {
  return (
    <div role="status" aria-live="polite" className="sr-only" data-testid="announced">
      {useAnnounced()}
    </div>
  );
}
