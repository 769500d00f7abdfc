import { useState } from "react";

import { Button, Dialog, Field } from "../../shared/ui";
import type { Shown } from "./EvidenceFrame";

type Props = Pick<Shown, "board" | "facts"> & { disabled: boolean };

/** How the oil runs in this engine: from which end, which main feeds which pin, what else hangs on it. */
export function OilWayDialog({ board, facts, disabled }: Props) {
  const { way } = board;
  const [open, setOpen] = useState(false);
  const [fromRear, setFromRear] = useState(way.from_rear);
  const [feeds, setFeeds] = useState<Record<string, string>>({});
  const [extras, setExtras] = useState<readonly string[]>(way.extras);
  const [source, setSource] = useState("");
  const pins = Object.entries(way.feeds);
  const fed = (pin: string) => feeds[pin] ?? way.feeds[pin]?.join(", ") ?? "";
  const keep = () => {
    facts.tell.mutate(
      [
        {
          fact: "oil way",
          from_rear: fromRear,
          feeds: Object.fromEntries(
            pins.map(([pin]) => [
              pin,
              fed(pin)
                .split(/[\s,]+/)
                .filter(Boolean)
                .map((main) => main.toUpperCase()),
            ]),
          ),
          extras: [...extras],
          source: source.trim(),
        },
      ],
      { onSuccess: () => setOpen(false) },
    );
  };
  return (
    <>
      <Button kind="quiet" disabled={disabled} onClick={() => setOpen(true)}>
        Change its way
      </Button>
      <Dialog
        open={open}
        onOpenChange={setOpen}
        title="How the oil runs here"
        note="By the maker's drawing where it is known. What is usual: each main feeds the pin behind it."
        wide
      >
        <label className="flex min-h-11 items-center gap-2 text-lg">
          <input
            type="checkbox"
            className="size-5"
            checked={fromRear}
            onChange={() => setFromRear(!fromRear)}
          />
          The pump feeds the gallery from the rear
        </label>
        <div className="my-3 grid grid-cols-3 gap-3 max-sm:grid-cols-2">
          {pins.map(([pin]) => (
            <Field
              key={pin}
              label={`Pin ${pin.slice(1)} is fed by main`}
              value={fed(pin)}
              maxLength={40}
              onChange={(event) => setFeeds({ ...feeds, [pin]: event.target.value })}
            />
          ))}
        </div>
        <fieldset className="mb-3 flex flex-wrap gap-x-5">
          <legend className="font-semibold">What else hangs on it</legend>
          {Object.entries(way.known_extras).map(([key, name]) => (
            <label key={key} className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-5"
                checked={extras.includes(key)}
                onChange={() =>
                  setExtras(extras.includes(key) ? extras.filter((one) => one !== key) : [...extras, key])
                }
              />
              {name}
            </label>
          ))}
        </fieldset>
        <Field
          label="Who says so"
          hint="The maker's drawing, page 31"
          value={source}
          maxLength={200}
          onChange={(event) => setSource(event.target.value)}
        />
        <div className="mt-4">
          <Button kind="strong" onClick={keep}>
            Keep it so
          </Button>
        </div>
      </Dialog>
    </>
  );
}
