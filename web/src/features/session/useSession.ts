import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect } from "react";

import { ask, client, drawFor, onSessionEnded, type Schemas } from "../../api";
import { forgetKnown } from "../../shared/away";
import { writeDates } from "../../shared/dates";
import { spellWith } from "../../shared/decimalSign";
import { queue, useQueueOf } from "../../shared/queue";

export type Session = Schemas["SessionOut"];
export type Act = Schemas["Act"];
const KEY = ["session"];

/** Somebody signed out on purpose: then nothing stays open. */
let leaving = false;

/** The session as the server says. Where it ended by itself the page stays: typing goes on, and nothing is sent before
 * somebody signs in. */
export function useSession() {
  const queries = useQueryClient();
  return useQuery({
    queryKey: KEY,
    queryFn: async () => {
      const found = await ask(client.GET("/api/session"));
      const known = queries.getQueryData<Session>(KEY);
      if (!known?.person || found.person || leaving) return shownAsRead(found);
      queue.sessionEnded();
      return known;
    },
    staleTime: 60_000,
  });
}

/** What is drawn for somebody is written as they read it. */
function shownAsRead(session: Session): Session {
  const shown = session.person?.shown ?? NOBODY.shown;
  writeDates(shown);
  spellWith(shown.decimal_sign);
  return session;
}

/** The session over all tabs, once, where pages begin: what is sent goes as the person this tab is drawn for. */
export function useSessionOverTabs(): void {
  const queries = useQueryClient();
  const session = useSession().data;
  const person = session?.person?.name ?? "";
  const ended = useCallback(() => {
    if (!queue.snapshot().signedOut) queue.sessionEnded();
  }, []);
  const look = useCallback(() => void queries.invalidateQueries({ queryKey: KEY }), [queries]);
  useEffect(() => {
    drawFor(person);
    onSessionEnded(ended);
  }, [person, ended]);
  useQueueOf(person, look);
  useEffect(() => {
    const hear = (event: MessageEvent<"in" | "out">) => {
      leaving = event.data === "out";
      if (leaving) queries.removeQueries({ predicate: (query) => query.queryKey[0] !== KEY[0] });
      look();
    };
    tabs?.addEventListener("message", hear);
    return () => tabs?.removeEventListener("message", hear);
  }, [queries, look]);
}

/** Tells the other tabs of this browser who signed in or out. */
const tabs = "BroadcastChannel" in globalThis ? new BroadcastChannel("half-thou.session") : null;

/** The person signed in; pages behind the sign-in only. */
export function usePerson(): Schemas["PersonOut"] {
  return useSession().data?.person ?? NOBODY;
}

/** Stands in for the moment between signing out and the sign-in page. */
const NOBODY: Schemas["PersonOut"] = {
  id: 0, name: "", role: "bench", active: false, shown_unit: "in", rights: [],
  shown: { decimal_sign: ".", date_form: "4 May 2031", time_form: "16:30" },
}; // prettier-ignore

/** Whether the person signed in may do something. */
export function useMay(): (act: Act) => boolean {
  const person = usePerson();
  return (act) => person.rights.includes(act);
}

export function useSessionChanges() {
  const queries = useQueryClient();
  const keep = (session: Session) => {
    leaving = false;
    tabs?.postMessage("in");
    queries.setQueryData(KEY, shownAsRead(session));
    // Also where it is the same person again: what waited for that goes.
    queue.signedInAs(session.person?.name ?? "");
    void queries.invalidateQueries({ predicate: (query) => query.queryKey[0] !== "session" });
  };
  return {
    signIn: useMutation({
      mutationFn: (body: Schemas["SignIn"]) => ask(client.POST("/api/session", { body })),
      onSuccess: keep,
    }),
    signOut: useMutation({
      mutationFn: () => ask(client.DELETE("/api/session")),
      onSuccess: (session) => {
        leaving = true;
        tabs?.postMessage("out");
        // The session first: a page still drawn must never find nobody at all.
        queries.setQueryData(KEY, shownAsRead(session));
        queries.removeQueries({ predicate: (query) => query.queryKey[0] !== KEY[0] });
        forgetKnown();
      },
    }),
    changePassword: useMutation({
      mutationFn: (body: Schemas["PasswordIn"]) => ask(client.POST("/api/session/password", { body })),
      onSuccess: keep,
    }),
    preferForms: useMutation({
      mutationFn: (body: Schemas["ShownForms"]) => ask(client.PUT("/api/session/forms", { body })),
      onSuccess: keep,
    }),
    preferUnit: useMutation({
      mutationFn: (unit: Schemas["Unit"]) => ask(client.PUT("/api/session/unit", { body: { unit } })),
      onSuccess: keep,
    }),
  };
}
