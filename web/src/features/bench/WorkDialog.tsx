import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client, Refused, type Schemas } from "../../api";
import { MAKER_FIRST, newId, useKeepBench } from "../../shared/job";
import { Button, Choice, Dialog, Faults, Field } from "../../shared/ui";
import type { Desk } from "./useDesk";

type Kind = Schemas["OperationKind"];

interface Props {
  desk: Desk;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}

/** Work that was done: what it touches has to be measured again. */
export function WorkDialog({ desk, open, onOpenChange }: Props) {
  const [kind, setKind] = useState<Kind>("grind");
  const [on, setOn] = useState<string>(desk.journal.set);
  const [undersize, setUndersize] = useState("");
  const [note, setNote] = useState("");
  const keep = useKeepBench();
  const key = useQuery({
    queryKey: ["key"],
    queryFn: () => ask(client.GET("/api/key")),
    staleTime: Infinity,
  });
  const work = key.data?.work ?? [];
  const chosen = work.find((one) => one.kind === kind);
  const [places, cautions] = [chosen?.on ?? [], chosen?.cautions ?? []];
  const place = places.includes(on) ? on : (places[0] ?? "");
  const write = useMutation({
    mutationFn: () =>
      ask(
        client.POST("/api/jobs/{job_id}/operations", {
          params: { path: { job_id: desk.bench.card.id } },
          body: { id: newId(), kind, on: place, undersize, note },
        }),
      ),
    onSuccess: (bench) => {
      keep(bench);
      onOpenChange(false);
    },
  });
  const refused = write.error instanceof Refused ? write.error : null;
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="Work done"
      note="Readings that it touches become stale. They stay in the record and are taken again."
    >
      <div className="flex flex-col gap-3">
        <Choice
          label="What was done"
          value={kind}
          options={work.map((one) => ({ value: one.kind, label: one.kind }))}
          onChange={setKind}
        />
        <Choice
          label="Done to"
          value={place}
          options={places.map((value) => ({ value, label: value }))}
          onChange={setOn}
        />
        {kind === "grind" && (
          <Field
            label="Ground to, under standard"
            placeholder=".020 or 0.50 mm"
            hint="Left empty, the next readings tell."
            value={undersize}
            fault={refused?.at("undersize")}
            onChange={(e) => setUndersize(e.target.value)}
          />
        )}
        <Field
          label="Note"
          placeholder="who did it, where"
          value={note}
          onChange={(e) => setNote(e.target.value)}
        />
        <div className="border-l-4 border-blue pl-3 text-[15px] leading-tight">
          {cautions.map((caution) => (
            <p key={caution.work}>
              <strong>{caution.work}.</strong> {caution.say}
            </p>
          ))}
          <p className="text-quiet">{MAKER_FIRST}</p>
        </div>
        {!refused?.faults.length && <Faults error={write.error} />}
        <Button kind="strong" disabled={write.isPending} onClick={() => write.mutate()}>
          Write it down
        </Button>
      </div>
    </Dialog>
  );
}
