import { createStore, del, entries, set, type UseStore } from "idb-keyval";

import { csrfToken } from "../../api";

/** A picture on its way. It waits in this browser until the server has it, over a reload too. */
export interface Waiting {
  id: string;
  jobId: number;
  by: string;
  on: string;
  words: string;
  cleaned: boolean;
  at: string;
  file: Blob;
  /** Why it was refused; "" while it waits. */
  message: string;
}

const RETRY_MS = 2000;
let opened: UseStore | undefined;
/** The store, made when it is first used. */
const store = (): UseStore => (opened ??= createStore("half-thou.pictures", "waiting"));

/** What the store gives; a browser without one keeps what waits for this page alone. */
async function stored<T>(run: () => Promise<T>, otherwise: T): Promise<T> {
  try {
    return await run();
  } catch {
    return otherwise;
  }
}

/** Pictures kept in this browser until they have landed; each lands once, by its name. */
export class PictureBox {
  private waiting: readonly Waiting[] = [];
  private listeners = new Set<() => void>();
  private sending = false;
  private timer: number | undefined;
  person = "";
  onLanded: (jobId: number) => void = () => undefined;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly snapshot = (): readonly Waiting[] => this.waiting;

  private show(waiting: readonly Waiting[]): void {
    this.waiting = waiting;
    this.listeners.forEach((listener) => listener());
  }

  /** Read what waits from before, and send it. */
  async open(): Promise<void> {
    const found = await stored(() => entries<string, Waiting>(store()), []);
    // Others may have been added while the store was read.
    const known = new Set(this.waiting.map((one) => one.id));
    this.show([...found.map(([, one]) => one).filter((one) => !known.has(one.id)), ...this.waiting]);
    await this.send();
  }

  /** Keep a picture and send it. */
  async add(picture: Omit<Waiting, "by" | "message">): Promise<void> {
    const waiting = { ...picture, by: this.person, message: "" };
    this.show([...this.waiting, waiting]);
    await stored(() => set(waiting.id, waiting, store()), undefined);
    await this.send();
  }

  /** Put one away that was refused, or that nobody wants any more. */
  async drop(id: string): Promise<void> {
    this.show(this.waiting.filter((one) => one.id !== id));
    await stored(() => del(id, store()), undefined);
  }

  /** Send what waits, oldest first. */
  async send(): Promise<void> {
    if (this.sending || !this.person) return;
    this.sending = true;
    window.clearTimeout(this.timer);
    try {
      for (let next = this.next(); next; next = this.next()) await this.sendOne(next);
    } catch {
      this.timer = window.setTimeout(() => void this.send(), RETRY_MS);
    } finally {
      this.sending = false;
    }
  }

  private next(): Waiting | undefined {
    return this.waiting.find((one) => !one.message && one.by === this.person);
  }

  private async sendOne(one: Waiting): Promise<void> {
    const form = new FormData();
    for (const name of ["id", "on", "words", "at"] as const) form.set(name, one[name]);
    form.set("cleaned", String(one.cleaned));
    form.set("file", one.file, "picture");
    const answer = await globalThis.fetch(`/api/jobs/${one.jobId}/pictures`, {
      method: "POST",
      body: form,
      credentials: "same-origin",
      headers: { "X-CSRFToken": csrfToken(document.cookie) },
    });
    if (answer.status === 401 || answer.status >= 502) throw new Error("away");
    if (answer.ok) await this.drop(one.id);
    else {
      const body = (await answer.json().catch(() => ({}))) as { message?: string };
      const message = body.message ?? "The picture was refused.";
      this.show(this.waiting.map((other) => (other.id === one.id ? { ...other, message } : other)));
    }
    this.onLanded(one.jobId);
  }
}
