import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";

import { ask, client, Refused, type Schemas } from "../../api";
import { newId } from "../../shared/job";
import { queue, useShownQueue } from "../../shared/queue";
import { listen } from "../../shared/stream";
import type { Desk } from "./useDesk";

/** A line of the gauge as the server tells it: to enter, or only to show. */
export interface Told {
  gauge: string;
  state: Schemas["LineState"];
  text: string;
  words: string;
  entry: { typed: string; unit: Schemas["Unit"] } | null;
}

/** Another bench that has this job open, who stands at it, and which spot is in hand there. */
export type BenchBeside = Schemas["StandsIn"] & { person: string };

/** So long after a move the other benches are told: not at every spot that is only passed. */
const SETTLED_MS = 300;
const BENCH = "half-thou.bench";
const LOOK_AGAIN_MS = 150;
/** A line this soon after the spot was changed by hand may be the answer to the spot before. */
const SLOW_MS = 600;

/** The name of this tab, kept over a reload. */
function benchName(): string {
  const known = sessionStorage.getItem(BENCH);
  if (known) return known;
  const made = newId();
  sessionStorage.setItem(BENCH, made);
  return made;
}

/** The gauge that speaks: taken in hand by this bench, its lines entered at the spot in hand. */
export function useLive(desk: Desk) {
  const [bench] = useState(benchName);
  const [last, setLast] = useState<Told | null>(null);
  const [port, setPort] = useState<{ connected: boolean; words: string } | null>(null);
  const [inHand, setInHand] = useState(false);
  const [refused, setRefused] = useState("");
  const [beside, setBeside] = useState<readonly BenchBeside[]>([]);
  const queries = useQueryClient();
  const jobId = desk.bench.card.id;
  const gaugeId = desk.gauge;
  const speaks = desk.bench.gauges.some((one) => one.id === gaugeId && one.port !== "");
  // A stream that was refused does not come back by itself.
  const { signedOut } = useShownQueue();
  const now = useRef(desk);
  useEffect(() => {
    now.current = desk;
  });

  const claim = useCallback(
    async (takeOver: boolean) => {
      const where = `job ${now.current.bench.card.number}`;
      try {
        const body = { gauge: gaugeId, bench, where, take_over: takeOver };
        const { elsewhere } = await ask(client.POST("/api/live/claims", { body }));
        setInHand(elsewhere === "");
        setRefused(elsewhere);
        if (elsewhere) return;
        const live = await ask(client.GET("/api/live/gauges"));
        const mine = live.find((one) => one.gauge === gaugeId);
        if (mine) setPort({ connected: mine.connected, words: mine.words });
      } catch (error) {
        setInHand(false);
        if (error instanceof Refused) setRefused(error.message);
      }
    },
    [gaugeId, bench],
  );
  useEffect(() => {
    if (signedOut) return;
    let timer: number | undefined;
    let heardAt = 0;
    let greeted = false;
    const lookAgain = () => {
      heardAt = Date.now();
      window.clearTimeout(timer);
      timer = window.setTimeout(() => {
        // What came back with a reading of this bench since then holds it already.
        const known = queries.getQueryState(["bench", jobId])?.dataUpdatedAt ?? 0;
        if (known < heardAt) void queries.invalidateQueries({ queryKey: ["bench", jobId] });
      }, LOOK_AGAIN_MS);
    };
    const hear: Record<string, (said: unknown) => void> = {
      line: (said) => setLast(enter(now.current, said as Told)),
      port: (said) => {
        const port = said as { gauge: string; connected: boolean; words: string };
        if (port.gauge === now.current.gauge) setPort(port);
      },
      lost: (said) => {
        setInHand(false);
        setRefused(`The gauge was taken over: ${(said as { to: string }).to}.`);
      },
      beside: (said) => setBeside((said as { benches: BenchBeside[] }).benches),
      differs: (said) => queue.differs((said as { words: string }).words),
      hello: () => {
        if (speaks) void claim(false);
        // The stream broke off and came back: what was told meanwhile was not heard.
        if (greeted) lookAgain();
        greeted = true;
      },
      job: lookAgain,
    };
    const stop = listen({ bench, job: jobId }, (told) => hear[told.event]?.(JSON.parse(told.data)));
    return () => {
      window.clearTimeout(timer);
      stop();
      setInHand(false);
      setRefused("");
      setLast(null);
      setPort(null);
      setBeside([]);
      if (speaks) void client.POST("/api/live/release", { body: { bench, gauge: gaugeId } });
    };
  }, [bench, jobId, queries, speaks, claim, gaugeId, signedOut]);
  // Where nobody else has the job open, nobody is told.
  const accompanied = beside.length > 0;
  const [part, spot] = [desk.stop?.part ?? desk.part.id, desk.stop?.spot ?? ""];
  useEffect(() => {
    if (!accompanied) return;
    const body = { bench, part, spot };
    const timer = window.setTimeout(
      () => void client.POST("/api/live/stands", { body }).catch(() => undefined),
      SETTLED_MS,
    );
    return () => window.clearTimeout(timer);
  }, [bench, accompanied, part, spot]);
  return { speaks, last, port, inHand, refused, beside, takeOver: () => void claim(true) };
}

export type Live = ReturnType<typeof useLive>;

/** Enter a line at the spot in hand; where nothing can be entered, say so and keep it in view. */
export function enter(desk: Desk, told: Told): Told {
  if (!told.entry) return told;
  if (desk.bench.card.signed) return { ...told, entry: null, words: "Signed: no readings are taken." };
  if (desk.question) return { ...told, entry: null, words: "Answer the question first, then press again." };
  if (!desk.spot) return { ...told, entry: null, words: "No spot in hand: not entered. Choose a spot." };
  if (performance.now() - desk.movedAt.current < SLOW_MS)
    return { ...told, entry: null, state: "late", words: "It came just as the spot changed. Press again." };
  desk.landText(told.entry.typed, told.entry.unit, true);
  return told;
}
