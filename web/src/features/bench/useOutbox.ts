import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useSyncExternalStore } from "react";

import { knownBench, useKeepChanges } from "../../shared/job";
import { usePerson } from "../session";
import { Outbox, type Parcel } from "./outbox";

const outbox = new Outbox();

/** The outbox of this browser, seen from one job. */
export function useOutbox(jobId: number): { outbox: Outbox; mine: readonly Parcel[]; others: number } {
  const person = usePerson().name;
  const queries = useQueryClient();
  const keep = useKeepChanges();
  const all = useSyncExternalStore(outbox.subscribe, outbox.snapshot);
  useEffect(() => {
    outbox.person = person;
    outbox.onLanded = keep;
    outbox.stateOf = (job) => knownBench(queries, job)?.state ?? "";
    void outbox.send();
    const again = () => void outbox.send();
    window.addEventListener("online", again);
    return () => window.removeEventListener("online", again);
  }, [person, keep, queries]);
  const here = all.filter((parcel) => parcel.jobId === jobId && !parcel.recalled);
  const mine = here.filter((parcel) => parcel.by === person);
  return { outbox, mine, others: here.length - mine.length };
}
