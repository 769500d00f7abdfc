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
    super("The server does not answer. What you typed is kept here and sent when it is back.");
  }
}

export function csrfToken(cookie: string): string {
  return /(?:^|;\s*)csrftoken=([^;]+)/.exec(cookie)?.[1] ?? "";
}

const csrf: Middleware = {
  onRequest({ request }) {
    if (!["GET", "HEAD"].includes(request.method)) {
      request.headers.set("X-CSRFToken", csrfToken(document.cookie));
    }
    return request;
  },
};

/** Told of every answer: empty where it is the server's, else the time of the last known one. */
let listening: (known: string) => void = () => undefined;
export const onAnswer = (listener: (known: string) => void): void => {
  listening = listener;
};

const known: Middleware = {
  onResponse({ response }) {
    listening(response.headers.get("X-Last-Known") ?? "");
  },
};

export const client = createClient<paths>({
  baseUrl: window.location.origin,
  credentials: "same-origin",
  // Looked up late: openapi-fetch would keep the fetch of the moment it was made.
  fetch: (request) => globalThis.fetch(request),
});
client.use(csrf, known);

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
    return new Refused(status, code ?? "refused", body.message, faults ?? []);
  }
  if (status >= 502) return new Unreachable();
  if (status >= 500)
    return new Refused(status, "fault", "The program failed on this. Nothing of it was kept.", []);
  return new Refused(status, "refused", "The server refused this. Load the page again.", []);
}

export const stringOf = (error: unknown): string =>
  error instanceof Error ? error.message : "Something went wrong. Load the page again.";
