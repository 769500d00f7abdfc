import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";

import { ask, client, Refused, type Schemas } from "../../api";
import { newId } from "../../shared/job";
import type { Desk } from "./useDesk";

/** A line of the gauge as the server tells it: to enter, or only to show. */
export interface Told {
  gauge: string;
  state: Schemas["LineState"];
  text: string;
  words: string;
  entry: { typed: string; unit: Schemas["Unit"] } | null;
}

const BENCH = "half-thou.bench";
const LOOK_AGAIN_MS = 400;
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
  const queries = useQueryClient();
  const jobId = desk.bench.card.id;
  const gaugeId = desk.gauge;
  const speaks = desk.bench.gauges.some((one) => one.id === gaugeId && one.port !== "");
  const now = useRef(desk);
  useEffect(() => {
    now.current = desk;
  });

  const claim = useCallback(
    async (takeOver: boolean) => {
      const where = `job ${now.current.bench.card.number}`;
      try {
        const body = { gauge: gaugeId, bench, where, take_over: takeOver };
        await ask(client.POST("/api/live/claims", { body }));
        setInHand(true);
        setRefused("");
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
    let timer: number | undefined;
    const source = new EventSource(`/api/live/events?bench=${bench}&job=${jobId}`);
    source.addEventListener("line", (event: MessageEvent<string>) => {
      const told = JSON.parse(event.data) as Told;
      setLast(enter(now.current, told));
    });
    source.addEventListener("port", (event: MessageEvent<string>) => {
      const said = JSON.parse(event.data) as { gauge: string; connected: boolean; words: string };
      if (said.gauge === now.current.gauge) setPort(said);
    });
    source.addEventListener("lost", (event: MessageEvent<string>) => {
      const said = JSON.parse(event.data) as { to: string };
      setInHand(false);
      setRefused(`The gauge was taken over: ${said.to}.`);
    });
    source.addEventListener("hello", () => {
      if (speaks) void claim(false);
    });
    source.addEventListener("job", () => {
      window.clearTimeout(timer);
      timer = window.setTimeout(() => {
        // A reading of this bench came back with the bench after it: there is nothing newer to fetch.
        const known = queries.getQueryState(["bench", jobId])?.dataUpdatedAt ?? 0;
        if (Date.now() - known > 2 * LOOK_AGAIN_MS)
          void queries.invalidateQueries({ queryKey: ["bench", jobId] });
      }, LOOK_AGAIN_MS);
    });
    return () => {
      window.clearTimeout(timer);
      source.close();
      setInHand(false);
      setRefused("");
      setLast(null);
      setPort(null);
      if (speaks) void client.POST("/api/live/release", { body: { bench, gauge: gaugeId } });
    };
  }, [bench, jobId, queries, speaks, claim, gaugeId]);
  return { speaks, last, port, inHand, refused, takeOver: () => void claim(true) };
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
