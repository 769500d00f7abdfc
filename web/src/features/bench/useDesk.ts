import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { useSearchParams } from "react-router";

import { ask, client, type Schemas } from "../../api";
import { type Bench, type Journal, newId, useKeepBench } from "../../shared/job";
import { usePerson } from "../session";
import type { Parcel } from "./outbox";
import { useOutbox } from "./useOutbox";

type Unit = Schemas["Unit"];

/** What lies on the bench: the journal and spot in hand, what is being typed, the gauge, the unit typed in. */
export function useDesk(bench: Bench) {
  const jobId = bench.card.id;
  const person = usePerson();
  const { outbox, mine, others } = useOutbox(jobId);
  const journals = bench.assessment.journals;
  // The journal in hand stands in the address, so that a reload comes back to it.
  const [address, setAddress] = useSearchParams();
  const [opened] = useState(() => firstToRead(journals).id);
  const journalId = address.get("journal") ?? opened;
  const journal = journals.find((one) => one.id === journalId) ?? firstToRead(journals);
  const [spot, setSpot] = useState<string | null>(() => nextSpot(journal, mine, null));
  const [text, setText] = useState("");
  const [visits, setVisits] = useState(0);
  const [replace, setReplace] = useState(false);
  const [unit, setUnit] = useState<Unit>(bench.card.entry_unit);
  const [gauge, setGauge] = useState(() => gaugeFor(bench));
  const keep = useKeepBench();
  const question = mine.find((parcel) => parcel.state !== "waiting");

  const goTo = (id: string, at?: string | null) => {
    const next = journals.find((one) => one.id === id);
    if (!next) return;
    if (id !== address.get("journal")) setAddress({ journal: id }, { replace: true });
    setSpot(at === undefined ? nextSpot(next, mine, null) : at);
    setText("");
    setReplace(false);
    setVisits((before) => before + 1);
  };
  const upNext = nextJournal(journals, journal, mine);
  const land = () => {
    if (!spot) {
      if (upNext) goTo(upNext.id);
      return;
    }
    if (!text.trim()) return;
    const current = journal.spots.find((one) => one.name === spot)?.current;
    outbox.add(jobId, {
      id: newId(),
      journal: journal.id,
      spot,
      typed: text.trim(),
      unit,
      gauge,
      at: new Date().toISOString(),
      chosen_nm: null,
      corrects: replace && current ? current.id : null,
    });
    setText("");
    setReplace(false);
    setSpot(
      nextSpot(
        journal,
        outbox.snapshot().filter((parcel) => parcel.jobId === jobId),
        spot,
      ),
    );
  };
  const withdrawing = useMutation({
    mutationFn: (reading: string) =>
      ask(
        client.POST("/api/jobs/{job_id}/withdrawals", {
          params: { path: { job_id: jobId } },
          body: { id: newId(), reading, at: new Date().toISOString() },
        }),
      ),
    onSuccess: keep,
  });
  const withdrawLast = () => {
    const waiting = mine.at(-1);
    if (waiting) {
      outbox.drop(waiting.landing.id);
      goTo(waiting.landing.journal, waiting.landing.spot);
      return;
    }
    const last = lastReadBy(journals, person.name);
    if (!last) return;
    withdrawing.mutate(last.reading, { onSuccess: () => goTo(last.journal, last.spot) });
  };
  const putBack = (parcel: Parcel) => {
    outbox.drop(parcel.landing.id);
    goTo(parcel.landing.journal, parcel.landing.spot);
    setText(parcel.landing.typed);
  };

  return {
    bench, journal, spot, text, unit, gauge, replace, visits, question, mine, others, outbox, withdrawing,
    setText, setUnit, setGauge, setReplace, goTo, upNext, land, withdrawLast, putBack,
  }; // prettier-ignore
}

export type Desk = ReturnType<typeof useDesk>;

function pendingSpots(journal: Journal, parcels: readonly Parcel[]): string[] {
  return parcels
    .filter((parcel) => parcel.landing.journal === journal.id)
    .map((parcel) => parcel.landing.spot);
}

/** The next spot to read after this one, in the order of the plan; null when the journal is read. */
export function nextSpot(journal: Journal, parcels: readonly Parcel[], after: string | null): string | null {
  const pending = pendingSpots(journal, parcels);
  const open = journal.to_read.filter((name) => name !== after && !pending.includes(name));
  const names = journal.spots.map((one) => one.name);
  const at = after ? names.indexOf(after) : -1;
  return open.find((name) => names.indexOf(name) > at) ?? open[0] ?? null;
}

const URGENT = ["replace", "refer", "regrind", "measure", "fit undersize", "polish"] as const;

/** Where one goes on: a journal begun, else one not read, else the one that needs most. */
function firstToRead(journals: readonly Journal[]): Journal {
  const begun = journals.find((one) => one.to_read.length > 0 && one.to_read.length < one.spots.length);
  const open = begun ?? journals.find((one) => one.to_read.length > 0);
  const worst = URGENT.map((action) => journals.find((one) => one.own_action === action)).find(Boolean);
  const first = open ?? worst ?? journals[0];
  if (!first) throw new Error("An engine has at least two journals.");
  return first;
}

/** The next journal with spots to read: of the same set first, then of the other. */
export function nextJournal(
  journals: readonly Journal[],
  from: Journal,
  parcels: readonly Parcel[],
): Journal | undefined {
  const at = journals.indexOf(from);
  const round = [...journals.slice(at + 1), ...journals.slice(0, at)];
  const open = round.filter((one) => nextSpot(one, parcels, null) !== null);
  return open.find((one) => one.set === from.set) ?? open[0];
}

function lastReadBy(
  journals: readonly Journal[],
  name: string,
): { reading: string; journal: string; spot: string } | null {
  let last: { reading: string; journal: string; spot: string; at: string } | null = null;
  for (const journal of journals) {
    for (const spot of journal.spots) {
      const reading = spot.current;
      if (reading?.by === name && (!last || Date.parse(reading.at) >= Date.parse(last.at))) {
        last = { reading: reading.id, journal: journal.id, spot: spot.name, at: reading.at };
      }
    }
  }
  return last;
}

/** The gauge last used on this job, else the first that reads in the job's unit. */
function gaugeFor(bench: Bench): string {
  const used = bench.assessment.journals.flatMap((one) =>
    one.spots.flatMap((spot) => (spot.current ? [spot.current.gauge] : [])),
  );
  const listed = bench.gauges.find((gauge) => gauge.unit === bench.card.entry_unit && !gauge.retired);
  return used.at(-1) ?? listed?.id ?? bench.gauges[0]?.id ?? "";
}
