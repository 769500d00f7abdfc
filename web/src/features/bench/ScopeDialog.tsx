import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client } from "../../api";
import { newId, setName } from "../../shared/job";
import { useReport, useWaiting, waitingOf, Waits } from "../../shared/queue";
import { Button, Dialog, Faults, TextArea } from "../../shared/ui";
import { useMay } from "../session";
import type { Desk } from "./useDesk";

interface Props {
  desk: Desk;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}

/** What the job judges: more from now on, or less with a reason. What was found of what is taken out stays. */
export function ScopeDialog({ desk, open, onOpenChange }: Props) {
  const { bench, kinds } = desk;
  const may = useMay();
  const report = useReport(bench.card.id);
  const sheets = useQuery({ queryKey: ["limits"], queryFn: () => ask(client.GET("/api/limits")) });
  const onSheet = sheets.data?.find((one) => one.id === bench.card.limits_id)?.sets ?? bench.scope;
  const all = kinds
    .flatMap((kind) => Object.keys(kind.sets))
    .filter((set) => kinds.length > 0 && (onSheet.includes(set) || bench.scope.includes(set)));
  const unknown = kinds.flatMap((kind) => Object.keys(kind.sets)).filter((set) => !all.includes(set));
  const { facts } = useWaiting(bench.card.id);
  const coming = [...waitingOf(facts, "extension"), ...waitingOf(facts, "narrowing")].flatMap(
    (one) => one.sets,
  );
  const [changed, setChanged] = useState<readonly string[]>([]);
  const [reason, setReason] = useState("");
  const more = changed.filter((set) => !bench.scope.includes(set));
  const less = changed.filter((set) => bench.scope.includes(set));
  const change = useMutation({
    mutationFn: async () => {
      const at = new Date().toISOString();
      if (more.length > 0) await report({ fact: "extension", id: newId(), sets: more, at });
      if (less.length > 0) await report({ fact: "narrowing", id: newId(), sets: less, reason, at });
    },
    onSuccess: () => onOpenChange(false),
  });
  const kept = all.some((set) => bench.scope.includes(set) !== changed.includes(set));
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="What is judged"
      note="What is not in it is not missed. What was found of a set that is taken out stays: found, out of scope."
    >
      {all.map((set) => (
        <label key={set} className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5"
            disabled={bench.card.signed || (bench.scope.includes(set) && !may("decide and sign"))}
            checked={bench.scope.includes(set) !== changed.includes(set)}
            onChange={() =>
              setChanged(changed.includes(set) ? changed.filter((one) => one !== set) : [...changed, set])
            }
          />
          {setName(kinds, set)} {coming.includes(set) && <Waits />}
        </label>
      ))}
      {unknown.length > 0 && (
        <p className="text-quiet">
          The limits sheet says nothing of:{" "}
          {unknown.map((set) => setName(kinds, set).toLowerCase()).join(", ")}.
        </p>
      )}
      <form
        className="mt-3 flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          change.mutate();
        }}
      >
        {less.length > 0 && (
          <TextArea
            label={`Why no longer: ${less.map((set) => setName(kinds, set).toLowerCase()).join(", ")}`}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
        )}
        {!kept && <p className="font-semibold text-red">Leave one set in: something has to be judged.</p>}
        <Faults error={change.error} />
        <Button
          kind="strong"
          type="submit"
          disabled={changed.length === 0 || !kept || (less.length > 0 && !reason.trim())}
        >
          {less.length === 0 ? "Judge these too" : "Change what is judged"}
        </Button>
      </form>
    </Dialog>
  );
}
