import { ask, client, type Schemas, Unreachable } from "../../api";

export type Fact = Schemas["FactsIn"]["facts"][number];

/** A fact on its way: it waits for the server, or was refused and says why. */
export interface Kept {
  jobId: number;
  by: string;
  fact: Fact;
  message: string;
}

const KEY = "half-thou.facts";
const RETRY_MS = 1500;

/** Facts kept in this browser while the server is away: they survive a reload, and land once, in their order. */
export class FactBox {
  private kept: readonly Kept[];
  private listeners = new Set<() => void>();
  private sending = false;
  private timer: number | undefined;
  person = "";
  /** Told when facts of a job have landed. */
  onLanded: (jobId: number) => void = () => undefined;

  constructor(private readonly store: Storage = localStorage) {
    this.kept = this.read();
  }

  private read(): readonly Kept[] {
    try {
      const found: unknown = JSON.parse(this.store.getItem(KEY) ?? "[]");
      return Array.isArray(found) ? (found as Kept[]) : [];
    } catch {
      return [];
    }
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly snapshot = (): readonly Kept[] => this.kept;

  private keep(kept: readonly Kept[]): void {
    this.kept = kept;
    this.store.setItem(KEY, JSON.stringify(kept));
    this.listeners.forEach((listener) => listener());
  }

  /** Whether facts of a job wait: what comes after them waits behind them. */
  waits(jobId: number): boolean {
    return this.kept.some((one) => one.jobId === jobId && !one.message && one.by === this.person);
  }

  /** Keep a fact until the server has it. */
  add(jobId: number, fact: Fact): void {
    this.keep([...this.kept, { jobId, by: this.person, fact, message: "" }]);
    this.later();
  }

  /** Put a refused fact away. */
  drop(id: string): void {
    this.keep(this.kept.filter((one) => one.fact.id !== id));
  }

  private later(): void {
    window.clearTimeout(this.timer);
    this.timer = window.setTimeout(() => void this.send(), RETRY_MS);
  }

  /** Send what waits, oldest first; what is refused stays and says why. */
  async send(): Promise<void> {
    if (this.sending || !this.person) return;
    this.sending = true;
    try {
      for (let next = this.next(); next; next = this.next()) await this.sendOne(next);
    } catch {
      this.later();
    } finally {
      this.sending = false;
    }
  }

  private next(): Kept | undefined {
    return this.kept.find((one) => !one.message && one.by === this.person);
  }

  private async sendOne(kept: Kept): Promise<void> {
    let message = "";
    try {
      const answer = await ask(
        client.POST("/api/jobs/{job_id}/facts", {
          params: { path: { job_id: kept.jobId } },
          body: { sent_at: new Date().toISOString(), have: "", facts: [kept.fact] },
        }),
      );
      message = answer.results[0]?.refused ?? "";
    } catch (error) {
      if (error instanceof Unreachable) throw error;
      message = error instanceof Error ? error.message : "It was refused.";
    }
    if (message)
      this.keep(this.kept.map((one) => (one.fact.id === kept.fact.id ? { ...one, message } : one)));
    else this.drop(kept.fact.id);
    this.onLanded(kept.jobId);
  }
}
