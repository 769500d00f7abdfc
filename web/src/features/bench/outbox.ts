import { ask, client, Refused, type Schemas, Unreachable } from "../../api";

export type Landing = Schemas["Landing"];

/** A reading on its way: waiting to be sent, asked about, or refused. It stays until it has landed. */
export interface Parcel {
  jobId: number;
  by: string;
  landing: Landing;
  state: "waiting" | "asked" | "refused";
  question: Schemas["AskedOut"] | null;
  message: string;
}

const KEY = "half-thou.outbox";
const RETRY_MS = 1500;

type Listener = () => void;
type Landed = (bench: Schemas["BenchOut"]) => void;

/** Readings kept in this browser until the server has them: they survive a reload and a server that is down. */
export class Outbox {
  private parcels: readonly Parcel[];
  private listeners = new Set<Listener>();
  private sending = false;
  private timer: number | undefined;
  reachable = true;
  onLanded: Landed = () => undefined;
  person = "";

  constructor(private readonly store: Storage = localStorage) {
    this.parcels = this.read();
  }

  private read(): readonly Parcel[] {
    try {
      const kept: unknown = JSON.parse(this.store.getItem(KEY) ?? "[]");
      return Array.isArray(kept) ? (kept as Parcel[]) : [];
    } catch {
      return [];
    }
  }

  readonly subscribe = (listener: Listener): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly snapshot = (): readonly Parcel[] => this.parcels;

  private keep(parcels: readonly Parcel[]): void {
    this.parcels = parcels;
    this.store.setItem(KEY, JSON.stringify(parcels));
    this.listeners.forEach((listener) => listener());
  }

  add(jobId: number, landing: Landing): void {
    const parcel: Parcel = { jobId, by: this.person, landing, state: "waiting", question: null, message: "" };
    this.keep([...this.parcels, parcel]);
    void this.send();
  }

  /** Answer the question a parcel was asked. */
  choose(id: string, nm: number): void {
    this.change(id, (parcel) => ({
      ...parcel,
      state: "waiting",
      question: null,
      landing: { ...parcel.landing, chosen_nm: nm },
    }));
    void this.send();
  }

  drop(id: string): void {
    this.keep(this.parcels.filter((parcel) => parcel.landing.id !== id));
  }

  private change(id: string, how: (parcel: Parcel) => Parcel): void {
    this.keep(this.parcels.map((parcel) => (parcel.landing.id === id ? how(parcel) : parcel)));
  }

  /** Send what waits, one after the other, in the order it was typed. */
  async send(): Promise<void> {
    if (this.sending || !this.person) return;
    this.sending = true;
    window.clearTimeout(this.timer);
    try {
      for (let next = this.next(); next; next = this.next()) await this.sendOne(next);
      this.setReachable(true);
    } catch {
      this.setReachable(false);
      this.timer = window.setTimeout(() => void this.send(), RETRY_MS);
    } finally {
      this.sending = false;
    }
  }

  private setReachable(reachable: boolean): void {
    if (this.reachable === reachable) return;
    this.reachable = reachable;
    this.keep([...this.parcels]);
  }

  private next(): Parcel | undefined {
    return this.parcels.find((parcel) => parcel.state === "waiting" && parcel.by === this.person);
  }

  private async sendOne({ jobId, landing }: Parcel): Promise<void> {
    try {
      const path = { job_id: jobId };
      const answer = await ask(
        client.POST("/api/jobs/{job_id}/readings", { params: { path }, body: landing }),
      );
      if (answer.bench) {
        this.onLanded(answer.bench);
        this.drop(landing.id);
      } else {
        this.change(landing.id, (parcel) => ({ ...parcel, state: "asked", question: answer.asked ?? null }));
      }
    } catch (error) {
      if (error instanceof Unreachable || (error instanceof Refused && error.status === 401)) throw error;
      const message = error instanceof Error ? error.message : "The reading was refused.";
      this.change(landing.id, (parcel) => ({ ...parcel, state: "refused", message }));
    }
  }
}
