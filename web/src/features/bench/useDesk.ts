import { useMutation } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { useSearchParams } from "react-router";

import type { Schemas } from "../../api";
import { announce } from "../../shared/announce";
import { type Bench, newId, type Part, useKinds, useAskedPart } from "../../shared/job";
import { useReport } from "../../shared/queue";
import { useKept } from "../../shared/useKept";
import { usePerson } from "../session";
import { firstStop, firstToRead, keyOf, nextPart, type Stop, stopAfter } from "./route";
import { spotsOf, type Target, targetsOf } from "./targets";
import { type Landing, type Parcel, useReadings } from "./useReadings";
import { useSetup } from "./useSetup";

type Unit = Schemas["Landing"]["unit"];
type Spot = Schemas["Spot"];

/** When it is, on the clock that the gauge lines are compared by. */
const sinceStart = (): number => performance.now();

/** What lies on the bench: the part and spot in hand, what is being typed, the gauge and how it is held. */
export function useDesk(bench: Bench) {
  const jobId = bench.card.id;
  const person = usePerson();
  const kinds = useKinds();
  const pressing = kinds[0]?.pressing ?? [];
  const readings = useReadings(jobId);
  const { mine } = readings;
  const setup = useSetup(bench);
  const { parts, stations } = bench.assessment;
  // The part in hand stands in the address too, so that a reload comes back to it. The address follows a little
  // later: a key struck at once after the click already belongs to the new part.
  const [address, setAddress] = useSearchParams();
  const isText = (kept: unknown): kept is string => typeof kept === "string";
  const [partId, setPartId] = useKept(
    `part.${jobId}`,
    () => address.get("part") ?? firstToRead(parts, pressing).id,
    isText,
  );
  const asked = useAskedPart();
  const [moved, setMoved] = useState(false);
  // A link to a part wins over what the tab remembers; once moved on, the address follows.
  const linked = moved ? null : address.get("part");
  const inHand = asked && !moved ? asked.part : (linked ?? partId);
  const part = parts.find((one) => one.id === inHand) ?? firstToRead(parts, pressing);
  // The last part in hand of each station: coming back to it goes on there.
  const [lastOf, setLastOf] = useKept<Record<string, string>>(`stations.${jobId}`, () => ({}), isRecord);
  const targets = targetsOf(bench, kinds, part);
  const target = targets.find((one) => one.value === setup.reading) ?? targets[0];
  if (!target) throw new Error("The kinds of part are not known.");
  const byPlan = target.value === "";
  const [chosen, setChosen] = useState<Stop | null>(() => firstStop(bench, part, mine));
  // What is typed stays with its spot: moving away and back, or a reload, loses none of it.
  const [drafts, setDrafts] = useKept<Record<string, string>>(`typed.${jobId}`, () => ({}), isRecord);
  const [visits, setVisits] = useState(0);
  const [replace, setReplace] = useState(false);
  const [gone, setGone] = useState<Landing | null>(null);
  /** Whether the text in the entry is to be typed over: it was put back there. */
  const [select, setSelect] = useState(false);
  /** When the spot in hand last changed by hand: a slow gauge's line then belongs to the spot before. */
  const movedAt = useRef(0);
  const report = useReport(jobId);
  const question = mine.find((parcel) => parcel.state !== "waiting");
  const openIn = (of: Part, aim: Target): Stop | null =>
    aim.value === ""
      ? firstStop(bench, of, mine)
      : firstUnread(spotsOf(bench, of, aim.part, aim.feature), mine, aim);
  // A spot that opens again, stale or asked for once more, comes to hand by itself.
  const stop = chosen && isOf(chosen, part, target) ? chosen : openIn(part, target);
  const kind = kinds.find((one) => one.kind === part.kind);
  const feature = (byPlan && kind?.features.find((one) => one.key === stop?.feature)) || target.feature;
  const gauge = setup.gaugeFor(feature, bench.hints[part.set]?.sizes_nm[feature.key]);
  const spots = spotsOf(bench, part, target.part, feature);
  const spot = stop?.spot ?? null;
  // Text begun before a question was seen belongs to the spot in hand, text begun after it to the doubted one.
  const again = useAgain(question);
  const draftKey = again.doubted
    ? keyOf(again.doubted.landing)
    : stop
      ? keyOf(stop)
      : `${part.id} ${feature.key}`;
  const text = drafts[draftKey] ?? "";
  const setText = (typed: string, key = draftKey) => {
    const rest = Object.fromEntries(Object.entries(drafts).filter(([one]) => one !== key));
    setDrafts(typed ? { ...rest, [key]: typed } : rest);
  };
  const type = (typed: string) => {
    const begun = text === "" && typed !== "" ? again.begin() : null;
    setText(typed, begun ? keyOf(begun.landing) : draftKey);
    if (typed === "") again.end();
  };

  const goTo = (id: string, at?: Stop | null) => {
    const next = parts.find((one) => one.id === id);
    if (!next) return;
    setPartId(id);
    setMoved(true);
    setLastOf({ ...lastOf, [next.station]: id });
    if (id !== address.get("part")) setAddress({ part: id }, { replace: true, state: asked });
    const aims = targetsOf(bench, kinds, next);
    const aim = aims.find((one) => one.value === setup.reading) ?? aims[0];
    setChosen(at === undefined && aim ? openIn(next, aim) : (at ?? null));
    movedAt.current = sinceStart();
    setReplace(false);
    setVisits((before) => before + 1);
  };
  const goToSpot = (name: string | null, of = feature.key) =>
    goTo(part.id, name === null ? null : { part: target.part, feature: of, spot: name });
  /** To a station: to the part that was last in hand there, else where one goes on. */
  const goToStation = (key: string) => {
    const here = parts.filter((one) => one.station === key);
    if (here.length > 0)
      goTo(here.find((one) => one.id === lastOf[key])?.id ?? firstToRead(here, pressing).id);
  };
  const nextStation = () => {
    const at = stations.findIndex((one) => one.key === part.station);
    const next = stations[(at + 1) % stations.length];
    if (next && next.key !== part.station) goToStation(next.key);
  };
  const measure = (what: string) => {
    setup.setReading(what);
    const aim = targets.find((one) => one.value === what) ?? target;
    setChosen(openIn(part, aim));
    setVisits((before) => before + 1);
  };
  const upNext = nextPart(bench, part, mine);
  const current = spots.find((one) => one.name === spot)?.current ?? null;
  const repeated = byPlan
    ? part.to_repeat.find((one) => one.feature === feature.key && one.spot === spot)
    : undefined;

  const moveOn = (from: Stop) => {
    setText("");
    setSelect(false);
    setGone(null);
    setReplace(false);
    const sent = readings.now();
    if (!byPlan) {
      setChosen(firstUnread(spots, sent, target));
    } else if (!repeated || repeated.times <= 1) {
      const next = stopAfter(bench, from, sent);
      const turning = bench.plans[part.set]?.order === "all journals at one angle";
      if (next && next.part !== part.id && turning) goTo(next.part, next);
      else setChosen(next && next.part === part.id ? next : null);
    }
  };
  const landText = (typed: string, unit: Unit, byButton: boolean) => {
    if (!stop || !typed.trim()) return;
    const landing: Landing = {
      ...setup.state(feature, gauge),
      ...stop,
      id: newId(),
      typed: typed.trim(),
      unit,
      at: new Date().toISOString(),
      chosen_nm: null,
      corrects: replace && current ? current.id : null,
      repeats: repeated && current ? current.id : null,
      by_button: byButton,
      seen: current?.id ?? null,
    };
    readings.add(landing);
    moveOn(stop);
    movedAt.current = byButton ? 0 : sinceStart();
  };
  /** The doubted spot, typed again: in place of what was asked about. */
  const landAgain = ({ landing }: Parcel) => {
    if (!text.trim()) return;
    readings.drop(landing.id);
    const at = new Date().toISOString();
    readings.add({
      ...landing,
      id: newId(),
      typed: text.trim(),
      unit: setup.unit,
      at,
      chosen_nm: null,
      by_button: false,
    });
    setText("");
    again.end();
  };
  const land = () => {
    if (again.doubted) landAgain(again.doubted);
    else if (stop) landText(text, setup.unit, false);
    else if (upNext) goTo(upNext.id);
  };
  const withdrawing = useMutation({
    mutationFn: (of: string) => report({ fact: "withdrawal", id: newId(), of, at: new Date().toISOString() }),
  });
  /** The part a landing belongs to: itself, or the one it lies beside. */
  const ownerOf = (landing: Stop): string =>
    bench.places.find((place) => place.id === landing.part)?.beside || landing.part;
  const tookBack = (landing: Landing) => {
    setGone(landing);
    announce(`Took back ${landing.typed} at ${landing.spot}. Alt+Shift+Z brings it again.`);
    goTo(ownerOf(landing), stopOf(landing));
  };
  const withdrawLast = () => {
    const waiting = mine.at(-1);
    if (waiting) {
      readings.drop(waiting.landing.id);
      tookBack(waiting.landing);
      return;
    }
    const last = lastReadBy(parts, person.name, byPlan ? null : feature.key);
    if (!last) return;
    const once = { ...setup.state(feature, gauge), ...last, at: "", id: "", corrects: null, repeats: null };
    const landing: Landing = { ...once, chosen_nm: last.nm, by_button: false, seen: null };
    withdrawing.mutate(last.reading, { onSuccess: () => tookBack(landing) });
  };
  /** Undo taking back: the same reading lands once more, as a new fact. */
  const undo = () => {
    if (!gone) return;
    readings.add({ ...gone, id: newId(), at: new Date().toISOString() });
    setGone(null);
    announce(`Put back ${gone.typed} at ${gone.spot}.`);
  };
  /** Readings pasted as a row or column, each at its spot, after they were looked at. */
  const landAll = (pasted: readonly (Stop & { typed: string; unit?: Unit })[]) => {
    const landings = pasted.map((one): Landing => ({
      ...setup.state(feature, gauge), id: newId(), ...one, unit: one.unit ?? setup.unit, at: new Date().toISOString(),
      chosen_nm: null, corrects: null, repeats: null, by_button: false, seen: null,
    })); // prettier-ignore
    readings.add(...landings);
    setChosen(null);
    setVisits((before) => before + 1);
  };
  const putBack = (parcel: Parcel) => {
    readings.drop(parcel.landing.id);
    const { landing } = parcel;
    goTo(ownerOf(landing), stopOf(landing));
    if (!(again.doubted && text)) setText(landing.typed, keyOf(landing));
    again.end();
    setSelect(true);
  };
  /** Answer the question that stands: its first or second choice, or null to type it again. */
  const answer = (nth: number | null) => {
    if (!question) return;
    const choice = nth === null ? undefined : question.question?.choices[nth];
    if (choice) choose(question, choice.nm);
    else if (nth === null) putBack(question);
  };
  const choose = ({ landing }: Parcel, nm: number) => {
    // What was begun in place of it stays in sight: it goes to that spot once more.
    if (again.doubted && text) goTo(ownerOf(landing), stopOf(landing));
    again.end();
    readings.choose(landing.id, nm);
  };
  const setGauge = (id: string) => setup.setGauge(feature, id);

  return {
    bench, kinds, kind, part, stop, spots,
    spot: again.doubted?.landing.part === part.id ? again.doubted.landing.spot : spot, feature, targets, target, byPlan, measure, repeated, again, answer, choose, type, text, setup, gauge,
    setGauge, replace, visits, question, mine, readings, withdrawing, movedAt, gone, undo, landAll, select,
    setSelect, setText, setReplace, goTo, goToSpot, goToStation, nextStation, upNext, land, landText, withdrawLast,
    putBack,
  }; // prettier-ignore
}

/** Text begun before a question was seen belongs to the next reading: so long it takes to see one. */
const SEEN_MS = 350;

/** Whether what is typed is the doubted spot again. */
function useAgain(question: Parcel | undefined) {
  const [of, setOf] = useState("");
  const id = question?.landing.id ?? "";
  const shownAt = useRef({ id: "", at: 0 });
  useEffect(() => {
    if (shownAt.current.id !== id) shownAt.current = { id, at: sinceStart() };
  }, [id]);
  return {
    /** The reading asked about, while it is typed again. */
    doubted: question && of === id ? question : null,
    /** Text is begun: gives the reading it is in place of, where its question was seen. */
    begin: (): Parcel | null => {
      if (!question || sinceStart() - shownAt.current.at < SEEN_MS) return null;
      setOf(id);
      return question;
    },
    end: () => setOf(""),
  };
}

export type Desk = ReturnType<typeof useDesk>;

const stopOf = ({ part, feature, spot }: Landing): Stop => ({ part, feature, spot });

/** Whether a stop belongs to what is in hand: to the plan of the part, or to the feature that is measured. */
function isOf(stop: Stop, part: Part, target: Target): boolean {
  if (target.value === "") return stop.part === part.id;
  return stop.part === target.part && stop.feature === target.feature.key;
}

function firstUnread(spots: readonly Spot[], parcels: readonly Parcel[], target: Target): Stop | null {
  const pending = new Set(parcels.map((parcel) => keyOf(parcel.landing)));
  const stops = spots
    .filter((spot) => !spot.current)
    .map((spot) => ({ part: target.part, feature: target.feature.key, spot: spot.name }));
  return stops.find((stop) => !pending.has(keyOf(stop))) ?? null;
}

interface LastRead extends Stop {
  reading: string;
  typed: string;
  unit: Unit;
  gauge: string;
  at: string;
  nm: number;
}

const isRecord = (kept: unknown): kept is Record<string, string> => typeof kept === "object" && kept !== null;

/** The last reading of a person: of the plan, or of one feature beside it. */
function lastReadBy(parts: readonly Part[], name: string, beside: string | null): LastRead | null {
  let last: LastRead | null = null;
  for (const one of parts.flatMap((part) => part.features)) {
    if (beside === null ? !one.planned : one.feature !== beside) continue;
    for (const spot of one.spots) {
      const reading = spot.current;
      if (reading?.by === name && (!last || Date.parse(reading.at) >= Date.parse(last.at))) {
        const { id, typed, unit, gauge, at, size } = reading;
        const where = { part: one.part, feature: one.feature, spot: spot.name };
        last = { ...where, reading: id, typed, unit, gauge, at, nm: size.nm };
      }
    }
  }
  return last;
}
