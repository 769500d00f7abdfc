import createClient, { type Middleware } from "openapi-fetch";

import type { components, paths } from "./schema";

export type Schemas = components["schemas"];

/** The server's refusal, in its own words. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly faults: { where: string; what: string }[],
  ) {
    super(message);
  }

  /** What is wrong at one field, if anything. */
  at(where: string): string | undefined {
    return this.faults.find((fault) => fault.where === where)?.what;
  }
}

/** The server did not answer. */
export class Unreachable extends Error {
  constructor() {
    super("The server does not answer. What waits is kept here and sent when it is back.");
  }
}

export function csrfToken(cookie: string): string {
  return /(?:^|;\s*)csrftoken=([^;]+)/.exec(cookie)?.[1] ?? "";
}

let drawnFor = "";
/** Say for whom the pages of this tab are drawn: the server takes nothing as another's, where a second tab changed the
 * person meanwhile. */
export const drawFor = (person: string): void => {
  drawnFor = person;
};

const SESSION = "/api/session";
const changes = (request: Request): boolean => !["GET", "HEAD"].includes(request.method);
/** Signing in is for whoever it is for. */
const signsIn = (request: Request): boolean => request.method === "POST" && request.url.endsWith(SESSION);

const headers: Middleware = {
  onRequest({ request }) {
    if (!changes(request)) return request;
    request.headers.set("X-CSRFToken", csrfToken(document.cookie));
    if (drawnFor && !signsIn(request) && !request.headers.has("X-Person"))
      request.headers.set("X-Person", encodeURIComponent(drawnFor));
    return request;
  },
};

/** Send a request. Where the cookie that proves where it comes from was lost, a new one is asked for and the request
 * goes once more: nothing of it is lost. */
async function send(request: Request): Promise<Response> {
  const again = changes(request) ? request.clone() : null;
  // Looked up late: openapi-fetch would keep the fetch of the moment it was made.
  const answer = await globalThis.fetch(request);
  if (!again || answer.status !== 403 || !(await isForgery(answer))) return answer;
  await globalThis.fetch(
    new Request(new URL(SESSION, window.location.origin), { credentials: "same-origin" }),
  );
  again.headers.set("X-CSRFToken", csrfToken(document.cookie));
  return globalThis.fetch(again);
}

/** Whether a refusal is about the cookie, and not what this person may do: that has a message of its own. */
async function isForgery(answer: Response): Promise<boolean> {
  const said: unknown = await answer
    .clone()
    .json()
    .catch(() => null);
  return typeof said !== "object" || said === null || !("message" in said);
}

let ended: () => void = () => undefined;
/** Told where the server knows nobody behind a request, or another person than the page was drawn for. */
export const onSessionEnded = (listener: () => void): void => {
  ended = listener;
};

/** Told of every answer: empty where it is the server's, else the time of the last known one. */
let listening: (known: string) => void = () => undefined;
export const onAnswer = (listener: (known: string) => void): void => {
  listening = listener;
};

const known: Middleware = {
  onResponse({ response }) {
    if (response.status === 401) ended();
    listening(response.headers.get("X-Last-Known") ?? "");
  },
};

export const client = createClient<paths>({
  baseUrl: window.location.origin,
  credentials: "same-origin",
  fetch: send,
});
client.use(headers, known);

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/** The answer's data, or Refused with the server's words, or Unreachable. */
export async function ask<T>(answer: Promise<Answer<T>>): Promise<T> {
  let given: Answer<T>;
  try {
    given = await answer;
  } catch {
    throw new Unreachable();
  }
  if (given.response.ok && given.data !== undefined) return given.data;
  throw refusalOf(given.response.status, given.error);
}

function refusalOf(status: number, body: unknown): Error {
  if (status === 401) return new Refused(401, "signed-out", "You are signed out. Sign in again.", []);
  if (typeof body === "object" && body !== null && "message" in body && typeof body.message === "string") {
    const { code, faults } = body as { code?: string; faults?: { where: string; what: string }[] };
    if (code === "other-person") ended();
    return new Refused(status, code ?? "refused", body.message, faults ?? []);
  }
  if (status >= 502) return new Unreachable();
  if (status >= 500)
    return new Refused(status, "fault", "The program failed on this. Nothing of it was kept.", []);
  return new Refused(status, "refused", "The server refused this. Load the page again.", []);
}

export const stringOf = (error: unknown): string =>
  error instanceof Error ? error.message : "Something went wrong. Load the page again.";
