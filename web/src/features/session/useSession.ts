import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import { ask, client, type Schemas } from "../../api";
import { forgetKnown } from "../../shared/away";

export type Session = Schemas["SessionOut"];
export type Act = Schemas["Act"];
const KEY = ["session"];

export function useSession() {
  return useQuery({ queryKey: KEY, queryFn: () => ask(client.GET("/api/session")), staleTime: 60_000 });
}

/** The person signed in; pages behind the sign-in only. */
export function usePerson(): Schemas["PersonOut"] {
  return useSession().data?.person ?? NOBODY;
}

/** Stands in for the moment between signing out and the sign-in page. */
const NOBODY: Schemas["PersonOut"] = {
  id: 0, name: "", role: "bench", active: false, shown_unit: "in", rights: [],
}; // prettier-ignore

/** Whether the person signed in may do something. */
export function useMay(): (act: Act) => boolean {
  const person = usePerson();
  return (act) => person.rights.includes(act);
}

export function useSessionChanges() {
  const queries = useQueryClient();
  const keep = (session: Session) => {
    queries.setQueryData(KEY, session);
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
        // The session first: a page still drawn must never find nobody at all.
        queries.setQueryData(KEY, session);
        queries.removeQueries({ predicate: (query) => query.queryKey[0] !== KEY[0] });
        forgetKnown();
      },
    }),
    changePassword: useMutation({
      mutationFn: (body: Schemas["PasswordIn"]) => ask(client.POST("/api/session/password", { body })),
      onSuccess: keep,
    }),
    preferUnit: useMutation({
      mutationFn: (unit: Schemas["Unit"]) => ask(client.PUT("/api/session/unit", { body: { unit } })),
      onSuccess: keep,
    }),
  };
}
