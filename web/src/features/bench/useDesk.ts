import { useMutation } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { useSearchParams } from "react-router";

import { ask, client, type Schemas } from "../../api";
import { announce } from "../../shared/announce";
import { type Bench, type Journal, newId, useKeepBench } from "../../shared/job";
import { useKept } from "../../shared/useKept";
import { usePerson } from "../session";
import type { Landing, Parcel } from "./outbox";
import { firstSpot, firstToRead, nextJournal, stopAfter } from "./route";
import { useOutbox } from "./useOutbox";
import { useSetup } from "./useSetup";

type Unit = Schemas["Unit"];
type Spot = Schemas["Spot"];

/** What lies on the bench: the part and spot in hand, what is being typed, the gauge and how it is held. */
export function useDesk(bench: Bench) {
  const jobId = bench.card.id;
  const person = usePerson();
  const { outbox, mine, others } = useOutbox(jobId);
  const setup = useSetup(bench);
  const journals = bench.assessment.journals;
  // The journal in hand stands in the address too, so that a reload comes back to it. The address follows a little
  // later: a key struck at once after the click already belongs to the new journal.
  const [address, setAddress] = useSearchParams();
  const isText = (kept: unknown): kept is string => typeof kept === "string";
  const [journalId, setJournalId] = useKept(
    `journal.${jobId}`,
    () => address.get("journal") ?? firstToRead(journals).id,
    isText,
  );
  const journal = journals.find((one) => one.id === journalId) ?? firstToRead(journals);
  const [chosen, setSpot] = useState<string | null>(() => firstSpot(bench, journal, mine));
  // What is typed stays with its spot: moving away and back, or a reload, loses none of it.
  const [drafts, setDrafts] = useKept<Record<string, string>>(`typed.${jobId}`, () => ({}), isRecord);
  const [visits, setVisits] = useState(0);
  const [replace, setReplace] = useState(false);
  const [gone, setGone] = useState<Landing | null>(null);
  /** Whether the text in the entry is to be typed over: it was put back there. */
  const [select, setSelect] = useState(false);
  /** When the spot in hand last changed by hand: a slow gauge's line then belongs to the spot before. */
  const movedAt = useRef(0);
  const keep = useKeepBench();
  const question = mine.find((parcel) => parcel.state !== "waiting");
  const feature = setup.feature;
  const spots = spotsOf(bench, journal, feature);
  const nextHere = () =>
    feature === "journal" ? firstSpot(bench, journal, mine) : firstUnread(spots, mine, journal.id, feature);
  // A spot that opens again, stale or asked for once more, comes to hand by itself.
  const spot = chosen ?? nextHere();
  const draftKey = `${journal.id} ${feature} ${spot ?? ""}`;
  const text = drafts[draftKey] ?? "";
  const setText = (typed: string, key = draftKey) => {
    const others = Object.fromEntries(Object.entries(drafts).filter(([one]) => one !== key));
    setDrafts(typed ? { ...others, [key]: typed } : others);
  };

  const goTo = (id: string, at?: string | null) => {
    const next = journals.find((one) => one.id === id);
    if (!next) return;
    setJournalId(id);
    if (id !== address.get("journal")) setAddress({ journal: id }, { replace: true });
    const open =
      feature === "journal"
        ? firstSpot(bench, next, mine)
        : firstUnread(spotsOf(bench, next, feature), mine, next.id, feature);
    setSpot(at === undefined ? open : at);
    movedAt.current = performance.now();
    setReplace(false);
    setVisits((before) => before + 1);
  };
  const measure = (what: Schemas["Feature"]) => {
    setup.measure(what);
    setSpot(
      what === "journal"
        ? firstSpot(bench, journal, mine)
        : firstUnread(spotsOf(bench, journal, what), mine, journal.id, what),
    );
    setVisits((before) => before + 1);
  };
  const upNext = nextJournal(bench, journal, mine);
  const current = spots.find((one) => one.name === spot)?.current ?? null;
  const again = feature === "journal" ? journal.to_repeat.find((one) => one.spot === spot) : undefined;

  const moveOn = (from: string) => {
    setText("");
    setSelect(false);
    setGone(null);
    setReplace(false);
    const sent = outbox.snapshot().filter((parcel) => parcel.jobId === jobId);
    if (feature !== "journal") {
      setSpot(firstUnread(spots, sent, journal.id, feature));
    } else if (!again || again.more <= 1) {
      const next = stopAfter(bench, { journal: journal.id, spot: from }, sent);
      const plan = journal.set === "mains" ? bench.mains_plan : bench.rods_plan;
      if (next && next.journal !== journal.id && plan.order === "all journals at one angle")
        goTo(next.journal, next.spot);
      else setSpot(next && next.journal === journal.id ? next.spot : null);
    }
  };
  const landText = (typed: string, unit: Unit, byButton: boolean) => {
    if (!spot || !typed.trim()) return;
    const landing: Landing = {
      ...setup.state(),
      id: newId(),
      journal: journal.id,
      feature,
      spot,
      typed: typed.trim(),
      unit,
      at: new Date().toISOString(),
      chosen_nm: null,
      corrects: replace && current ? current.id : null,
      repeats: again && current ? current.id : null,
      by_button: byButton,
      seen: current?.id ?? null,
    };
    outbox.add(jobId, landing);
    moveOn(spot);
    movedAt.current = byButton ? 0 : performance.now();
  };
  const land = () => {
    if (spot) landText(text, setup.unit, false);
    else if (upNext) goTo(upNext.id);
  };
  const withdrawing = useMutation({
    mutationFn: (fact: string) =>
      ask(
        client.POST("/api/jobs/{job_id}/withdrawals", {
          params: { path: { job_id: jobId } },
          body: { id: newId(), fact, at: new Date().toISOString() },
        }),
      ),
    onSuccess: keep,
  });
  const tookBack = (landing: Landing) => {
    setGone(landing);
    announce(`Took back ${landing.typed} at ${landing.spot}. Alt+Z puts it back.`);
    goTo(landing.journal, landing.spot);
  };
  const withdrawLast = () => {
    const waiting = mine.at(-1);
    if (waiting) {
      outbox.drop(waiting.landing.id);
      tookBack(waiting.landing);
      return;
    }
    const last = lastReadBy(journals, person.name, feature);
    if (!last) return;
    const again = { ...setup.state(), ...last, feature, at: "", id: "", corrects: null, repeats: null };
    const landing: Landing = { ...again, chosen_nm: last.nm, by_button: false, seen: null };
    withdrawing.mutate(last.reading, { onSuccess: () => tookBack(landing) });
  };
  /** Undo taking back: the same reading lands once more, as a new fact. */
  const undo = () => {
    if (!gone) return;
    outbox.add(jobId, { ...gone, id: newId(), at: new Date().toISOString() });
    setGone(null);
    announce(`Put back ${gone.typed} at ${gone.spot}.`);
  };
  /** Readings pasted as a row or column, each at its spot, after they were looked at. */
  const landAll = (pasted: readonly { journal: string; spot: string; typed: string }[]) => {
    for (const one of pasted) {
      outbox.add(jobId, {
        ...setup.state(), id: newId(), ...one, feature, unit: setup.unit, at: new Date().toISOString(),
        chosen_nm: null, corrects: null, repeats: null, by_button: false, seen: null,
      }); // prettier-ignore
    }
    setSpot(null);
    setVisits((before) => before + 1);
  };
  const putBack = (parcel: Parcel) => {
    outbox.drop(parcel.landing.id);
    goTo(parcel.landing.journal, parcel.landing.spot);
    const { landing } = parcel;
    setText(landing.typed, `${landing.journal} ${landing.feature} ${landing.spot}`);
    setSelect(true);
  };

  return {
    bench, journal, spot, spots, feature, measure, again, text, setup, replace, visits, question, mine, others,
    outbox, withdrawing, movedAt, gone, undo, landAll, select, setSelect, setText, setReplace, goTo, upNext, land, landText, withdrawLast, putBack,
  }; // prettier-ignore
}

export type Desk = ReturnType<typeof useDesk>;

/** The spots of what is being measured; blank ones where nothing of it was read yet. */
function spotsOf(bench: Bench, journal: Journal, feature: Schemas["Feature"]): readonly Spot[] {
  if (feature === "journal") return journal.spots;
  const read = journal.bearing.find((one) => one.feature === feature);
  return read?.spots ?? bench.blank_spots[feature] ?? [];
}

function firstUnread(
  spots: readonly Spot[],
  parcels: readonly Parcel[],
  journal: string,
  feature: Schemas["Feature"],
): string | null {
  const pending = parcels
    .filter((parcel) => parcel.landing.journal === journal && parcel.landing.feature === feature)
    .map((parcel) => parcel.landing.spot);
  return spots.find((spot) => !spot.current && !pending.includes(spot.name))?.name ?? null;
}

interface LastRead {
  reading: string;
  journal: string;
  spot: string;
  typed: string;
  unit: Unit;
  gauge: string;
  at: string;
  nm: number;
}

const isRecord = (kept: unknown): kept is Record<string, string> => typeof kept === "object" && kept !== null;

function lastReadBy(
  journals: readonly Journal[],
  name: string,
  feature: Schemas["Feature"],
): LastRead | null {
  let last: LastRead | null = null;
  for (const journal of journals) {
    const read = journal.bearing.find((one) => one.feature === feature);
    for (const spot of feature === "journal" ? journal.spots : (read?.spots ?? [])) {
      const reading = spot.current;
      if (reading?.by === name && (!last || Date.parse(reading.at) >= Date.parse(last.at))) {
        const { id, typed, unit, gauge, at, size } = reading;
        last = { reading: id, journal: journal.id, spot: spot.name, typed, unit, gauge, at, nm: size.nm };
      }
    }
  }
  return last;
}
