import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client } from "../../api";
import { newId, setName } from "../../shared/job";
import { useReport, useWaiting, waitingOf, Waits } from "../../shared/queue";
import { Button, Dialog, Faults } from "../../shared/ui";
import type { Desk } from "./useDesk";

interface Props {
  desk: Desk;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}

/** What the job judges, and judging more from now on. It is never made less: readings of it may stand. */
export function ScopeDialog({ desk, open, onOpenChange }: Props) {
  const { bench, kinds } = desk;
  const report = useReport(bench.card.id);
  const sheets = useQuery({ queryKey: ["limits"], queryFn: () => ask(client.GET("/api/limits")) });
  const here = sheets.data?.find((one) => one.id === bench.card.limits_id)?.sets ?? bench.scope;
  const more = kinds.flatMap((kind) => Object.keys(kind.sets)).filter((set) => !bench.scope.includes(set));
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const coming = waitingOf(useWaiting(bench.card.id).facts, "extension").flatMap((one) => one.sets);
  const extend = useMutation({
    mutationFn: () =>
      report({ fact: "extension", id: newId(), sets: [...chosen], at: new Date().toISOString() }),
    onSuccess: () => onOpenChange(false),
  });
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="What is judged"
      note="What is not in it is not missed. More can be added; what stands in it stays."
    >
      <ul className="mb-3 list-disc pl-5">
        {bench.scope.map((set) => (
          <li key={set}>{setName(kinds, set)}</li>
        ))}
        {coming.map((set) => (
          <li key={set}>
            {setName(kinds, set)} <Waits />
          </li>
        ))}
      </ul>
      {more.map((set) => (
        <label key={set} className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5"
            disabled={!here.includes(set) || bench.card.signed}
            checked={chosen.includes(set)}
            onChange={(event) =>
              setChosen(event.target.checked ? [...chosen, set] : chosen.filter((one) => one !== set))
            }
          />
          {setName(kinds, set)}
          {!here.includes(set) && <span className="text-quiet">: the limits sheet says nothing of them</span>}
        </label>
      ))}
      {more.length === 0 && (
        <p className="text-quiet">All of this engine that can be judged here is in it.</p>
      )}
      <Faults error={extend.error} />
      {more.length > 0 && (
        <Button kind="strong" className="mt-3" disabled={chosen.length === 0} onClick={() => extend.mutate()}>
          Judge these too
        </Button>
      )}
    </Dialog>
  );
}
