import { ask, client, csrfToken, Refused, type Schemas, stringOf, Unreachable } from "../../api";
import type { Kept, KeptFact, KeptPicture } from "./record";

/** What becomes of a letter that did not go through: sent again later, waits for its person, or refused. */
export type Fate =
  { kind: "later"; words: string } | { kind: "sign in" } | { kind: "refused"; error: Refused };

/** Sent again later: no answer, a server that is busy, slow, or has no room on its disk. */
const LATER = new Set([408, 425, 429, 502, 503, 504, 507]);

export function fateOf(error: unknown): Fate {
  if (error instanceof Unreachable) return { kind: "later", words: "The server does not answer." };
  if (!(error instanceof Refused)) return { kind: "later", words: stringOf(error) };
  if (error.status === 401 || error.code === "other-person") return { kind: "sign in" };
  if (LATER.has(error.status)) return { kind: "later", words: error.message };
  return { kind: "refused", error };
}

export interface Answer {
  results: readonly Schemas["LandedOut"][];
  changed: Schemas["ChangedOut"] | null;
}

/** A letter that is not answered in this time is taken for lost, and goes again. */
const ANSWER_MS = 30_000;
const PICTURE_ANSWER_MS = 180_000;

/** Send facts of one job. */
export async function postFacts(
  one: Kept,
  have: string,
  facts: readonly KeptFact["fact"][],
): Promise<Answer> {
  return ask(
    client.POST("/api/jobs/{job_id}/facts", {
      params: { path: { job_id: one.jobId } },
      body: { sent_at: new Date().toISOString(), have, facts: [...facts] },
      headers: { "X-Person": encodeURIComponent(one.by) },
      signal: AbortSignal.timeout(ANSWER_MS),
    }),
  );
}

/** Send a picture. */
export async function postPicture(one: KeptPicture): Promise<void> {
  const form = new FormData();
  const { id, on, words, at, cleaned } = one.picture;
  for (const [name, value] of Object.entries({ id, on, words, at, cleaned: String(cleaned) }))
    form.set(name, value);
  form.set("file", one.file, "picture");
  await ask(
    client.POST("/api/jobs/{job_id}/pictures", {
      params: { path: { job_id: one.jobId } },
      // The form as it is: its boundary is the browser's to choose.
      body: form as never,
      bodySerializer: (body: unknown) => body as FormData,
      headers: { "X-Person": encodeURIComponent(one.by), "X-CSRFToken": csrfToken(document.cookie) },
      signal: AbortSignal.timeout(PICTURE_ANSWER_MS),
    }),
  );
}
