import { useState } from "react";

import type { Schemas } from "../../api";
import type { useFacts } from "../../shared/queue";
import { Button, Chip } from "../../shared/ui";
import { AddFastener } from "./AddFastener";

const WHAT = ["taken out for access", "fastener or hole", "fragment"] as const;
type What = (typeof WHAT)[number];

interface Props {
  gauges: readonly Schemas["BenchGauge"][];
  facts: ReturnType<typeof useFacts>;
  signed: boolean;
}

/** Something to write down: taken out for access, a fastener or an empty hole, a loose piece. */
export function AddOpen({ gauges, facts, signed }: Props) {
  const [what, setWhat] = useState<What>("taken out for access");
  const offered = signed ? WHAT.filter((one) => one !== "fastener or hole") : WHAT;
  return (
    <section aria-label="Write down" className="border-2 border-line bg-sheet p-3">
      <div role="group" aria-label="What is written down" className="mb-2 flex flex-wrap gap-1.5">
        {offered.map((one) => (
          <Chip key={one} chosen={one === what} onClick={() => setWhat(one)}>
            {one}
          </Chip>
        ))}
      </div>
      {what === "fastener or hole" ? (
        <AddFastener gauges={gauges} facts={facts} />
      ) : (
        <AddTwo key={what} what={what} facts={facts} />
      )}
    </section>
  );
}

const box = "h-11 w-full border-2 border-line bg-sheet px-2 focus:border-blue";

function AddTwo({ what, facts }: { what: Exclude<What, "fastener or hole">; facts: Props["facts"] }) {
  const [thing, setThing] = useState("");
  const [place, setPlace] = useState("");
  const [magnetic, setMagnetic] = useState<boolean | null>(null);
  const fragment = what === "fragment";
  const write = () =>
    facts.tell.mutate(
      [
        fragment
          ? { fact: "fragment", what: thing.trim(), place: place.trim(), magnetic }
          : { fact: "removal", what: thing.trim(), place: place.trim() },
      ],
      {
        onSuccess: () => {
          setThing("");
          setPlace("");
          setMagnetic(null);
        },
      },
    );
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        write();
      }}
    >
      <label>
        <span className="text-[15px] text-quiet">{fragment ? "What was found" : "What was taken out"}</span>
        <input
          className={box}
          placeholder={fragment ? "grey chip, 6 mm" : "dip tube"}
          maxLength={200}
          value={thing}
          onChange={(event) => setThing(event.target.value)}
        />
      </label>
      <label>
        <span className="text-[15px] text-quiet">{fragment ? "Where it lay" : "Where it belongs"}</span>
        <input
          className={box}
          placeholder={fragment ? "pan, rear corner" : "block, left side"}
          maxLength={200}
          value={place}
          onChange={(event) => setPlace(event.target.value)}
        />
      </label>
      {fragment && (
        <div role="group" aria-label="Magnetic" className="flex gap-1.5">
          <Chip chosen={magnetic === true} onClick={() => setMagnetic(magnetic === true ? null : true)}>
            magnetic
          </Chip>
          <Chip chosen={magnetic === false} onClick={() => setMagnetic(magnetic === false ? null : false)}>
            not magnetic
          </Chip>
        </div>
      )}
      <Button kind="strong" type="submit" disabled={!thing.trim() || !place.trim()}>
        Write it down
      </Button>
    </form>
  );
}
