import { useMutation } from "@tanstack/react-query";

import { ask, client, type Schemas } from "../../api";
import { useKeepBench } from "./useBench";

/** A name for a fact made at this bench, so that sent twice it lands once. */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(12));
  return Array.from(bytes, (byte) => byte.toString(16).padStart(2, "0")).join("");
}

type Deciding = Partial<Omit<Schemas["Deciding"], "id" | "at">> & Pick<Schemas["Deciding"], "kind" | "set">;
const PLAIN = { part: "", about: "readings", step: "", way: "", reason: "", sure: false } as const;

export function useDecisions(jobId: number) {
  const keep = useKeepBench();
  const path = { job_id: jobId };
  return {
    decide: useMutation({
      mutationFn: (given: Deciding) =>
        ask(
          client.POST("/api/jobs/{job_id}/decisions", {
            params: { path },
            body: { ...PLAIN, ...given, id: newId(), at: new Date().toISOString() },
          }),
        ),
      onSuccess: keep,
    }),
    takeBack: useMutation({
      mutationFn: (given: Partial<Schemas["TakeBackIn"]> & Pick<Schemas["TakeBackIn"], "set">) => {
        const body = { part: "", about: "readings" as const, ...given };
        return ask(client.POST("/api/jobs/{job_id}/decisions/take-back", { params: { path }, body }));
      },
      onSuccess: keep,
    }),
    takeUp: useMutation({
      mutationFn: (id: string) =>
        ask(client.POST("/api/jobs/{job_id}/decisions/take-up", { params: { path }, body: { id } })),
      onSuccess: keep,
    }),
    sign: useMutation({
      mutationFn: (answers: Readonly<Record<string, string>>) =>
        ask(client.POST("/api/jobs/{job_id}/signatures", { params: { path }, body: { answers } })),
      onSuccess: keep,
    }),
    withdraw: useMutation({
      mutationFn: (reason: string) =>
        ask(client.POST("/api/jobs/{job_id}/signatures/withdraw", { params: { path }, body: { reason } })),
      onSuccess: keep,
    }),
  };
}
