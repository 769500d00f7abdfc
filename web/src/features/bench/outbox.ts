import { ask, client, Refused, type Schemas, Unreachable } from "../../api";
import { announce } from "../../shared/announce";

export type Landing = Omit<Schemas["Landing"], "fact">;

/** A reading on its way: waiting to be sent, asked about, or refused. It stays until it has landed. */
export interface Parcel {
  jobId: number;
  by: string;
  landing: Landing;
  state: "waiting" | "asked" | "refused";
  question: Schemas["AskedOut"] | null;
  message: string;
  /** It went out once: whether the server has it is not known until it answers. */
  sent?: boolean;
  /** Taken back while it was on its way: it is taken back at the server too, once that has answered. */
  recalled?: boolean;
}

const KEY = "half-thou.outbox";
const RETRY_MS = 1500;
/** So many readings go in one letter. */
const MOST_AT_ONCE = 250;

type Listener = () => void;
type Landed = (jobId: number, changed: Schemas["ChangedOut"]) => void;

/** A parcel kept by the bench as it was before parts: it named a journal, its bearing by the journal. */
function ofNow(parcel: Parcel): Parcel {
  const { journal, ...landing } = parcel.landing as Landing & { journal?: string };
  if (journal === undefined) return parcel;
  const own = landing.feature === "journal";
  return {
    ...parcel,
    landing: {
      ...landing,
      part: own ? journal : `bearing-${journal}`,
      feature: own ? "diameter" : landing.feature,
    },
  };
}

/** Readings kept in this browser until the server has them: they survive a reload and a server that is down. */
export class Outbox {
  private parcels: readonly Parcel[];
  private listeners = new Set<Listener>();
  private sending = false;
  private timer: number | undefined;
  reachable = true;
  /** What landed beside somebody else's reading: shown until it is put away. */
  conflicts: readonly string[] = [];
  onLanded: Landed = () => undefined;
  /** The state of a job that this browser knows. */
  stateOf: (jobId: number) => string = () => "";
  person = "";

  constructor(private readonly store: Storage = localStorage) {
    this.parcels = this.read();
  }

  private read(): readonly Parcel[] {
    try {
      const kept: unknown = JSON.parse(this.store.getItem(KEY) ?? "[]");
      return Array.isArray(kept) ? (kept as Parcel[]).map(ofNow) : [];
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
    this.write(parcels);
    this.tell();
  }

  private write(parcels: readonly Parcel[]): void {
    this.parcels = parcels;
    this.store.setItem(KEY, JSON.stringify(parcels));
  }

  private tell(): void {
    this.listeners.forEach((listener) => listener());
  }

  /** Keep a reading and send it. The page is drawn while it is on its way, not before it leaves. */
  add(jobId: number, landing: Landing): void {
    const parcel: Parcel = { jobId, by: this.person, landing, state: "waiting", question: null, message: "" };
    this.write([...this.parcels, parcel]);
    void this.send();
    window.setTimeout(() => this.tell());
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

  /** Take a reading back before it has landed. What may have reached the server already is taken back there. */
  drop(id: string): void {
    const parcel = this.parcels.find((one) => one.landing.id === id);
    if (parcel?.sent && parcel.state === "waiting") {
      this.change(id, (one) => ({ ...one, recalled: true }));
      void this.send();
    } else this.keep(this.parcels.filter((one) => one.landing.id !== id));
  }

  putConflictsAway(): void {
    this.conflicts = [];
    this.keep([...this.parcels]);
  }

  private change(id: string, how: (parcel: Parcel) => Parcel): void {
    this.keep(this.parcels.map((parcel) => (parcel.landing.id === id ? how(parcel) : parcel)));
  }

  /** Send what waits, in the order it was typed; what came in meanwhile goes with the next letter. */
  async send(): Promise<void> {
    if (this.sending || !this.person) return;
    this.sending = true;
    window.clearTimeout(this.timer);
    try {
      for (let next = this.next(); next.length > 0; next = this.next()) await this.sendThese(next);
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

  /** The parcels of the next letter: those of one job, oldest first. */
  private next(): readonly Parcel[] {
    const mine = this.parcels.filter((parcel) => parcel.state === "waiting" && parcel.by === this.person);
    // In order per job: a job whose server fails on it waits, the others go on.
    return mine.filter((parcel) => parcel.jobId === mine[0]?.jobId).slice(0, MOST_AT_ONCE);
  }

  private async sendThese(parcels: readonly Parcel[]): Promise<void> {
    const [first] = parcels;
    if (!first) return;
    const going = new Set(parcels.map((parcel) => parcel.landing.id));
    this.write(this.parcels.map((one) => (going.has(one.landing.id) ? { ...one, sent: true } : one)));
    try {
      const facts = parcels.map((parcel) => ({ fact: "reading" as const, ...parcel.landing }));
      const answer = await this.report(first.jobId, facts);
      await this.recall(first.jobId, answer.results);
      this.settle(answer.results);
    } catch (error) {
      if (error instanceof Unreachable || (error instanceof Refused && error.status === 401)) throw error;
      if (parcels.length > 1) {
        // One bad parcel must not hold the rest: each goes by itself, the bad one is set aside and shown.
        for (const parcel of parcels) await this.sendThese([parcel]);
        return;
      }
      const message = error instanceof Error ? error.message : "The reading was refused.";
      const ids = new Set(parcels.map((parcel) => parcel.landing.id));
      this.keep(
        this.parcels.map((parcel) =>
          ids.has(parcel.landing.id) ? { ...parcel, state: "refused", message } : parcel,
        ),
      );
    }
  }

  /** Report facts, and tell what changed by them. */
  private async report(jobId: number, facts: Schemas["FactsIn"]["facts"]): Promise<Schemas["FactsOut"]> {
    const answer = await ask(
      client.POST("/api/jobs/{job_id}/facts", {
        params: { path: { job_id: jobId } },
        body: { sent_at: new Date().toISOString(), have: this.stateOf(jobId), facts },
      }),
    );
    this.onLanded(jobId, answer.changed);
    return answer;
  }

  /** Take back at the server what was taken back here while it was on its way. */
  private async recall(jobId: number, results: readonly Schemas["LandedOut"][]): Promise<void> {
    const landed = results.filter(({ asked, refused }) => !asked && !refused).map(({ id }) => id);
    const recalled = landed.filter((id) => this.parcels.some((one) => one.landing.id === id && one.recalled));
    if (recalled.length === 0) return;
    const at = new Date().toISOString();
    // The same name however often it is sent: it is taken back once.
    await this.report(
      jobId,
      recalled.map((id) => ({ fact: "withdrawal", id: `back.${id}`, of: id, at })),
    );
  }

  /** What became of each: landed ones go, the others stay with what was said. */
  private settle(results: readonly Schemas["LandedOut"][]): void {
    const said = new Map(results.map((result) => [result.id, result]));
    const landed = results.filter((result) => !result.asked && !result.refused).length;
    if (landed > 0) announce(landed === 1 ? "Landed." : `${landed} readings landed.`);
    const told = results.map((result) => result.conflict).filter(Boolean);
    if (told.length > 0) this.conflicts = [...this.conflicts, ...told];
    this.keep(
      this.parcels.flatMap((parcel): Parcel[] => {
        const result = said.get(parcel.landing.id);
        if (!result) return [parcel];
        if (parcel.recalled) return [];
        if (result.asked) return [{ ...parcel, state: "asked", question: result.asked }];
        if (result.refused) return [{ ...parcel, state: "refused", message: result.refused }];
        return [];
      }),
    );
  }
}
