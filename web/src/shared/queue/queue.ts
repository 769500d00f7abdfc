import { Refused, type Schemas } from "../../api";
import { type Answer, fateOf, postFacts, postPicture } from "./post";
import { type Fact, isFact, isPicture, type Kept, type KeptFact, type KeptPicture, nameOf } from "./record";
import { Records, type Ways } from "./records";
import { becomes, nextFacts, nextPicture } from "./letters";
import { TurnLost } from "./turn";

const RETRY_MS = 1500;
/** So long a page waits for what became of a fact; then it is kept here, and the page goes on. */
const PATIENCE_MS = 4000;

export interface Shown {
  records: readonly Kept[];
  /** What each record waits behind, by its name. */
  held: ReadonlyMap<string, Kept>;
  /** Why nothing goes just now; empty where it does. */
  away: string;
  /** The session ended: nothing is sent before its person signs in. */
  signedOut: boolean;
  /** Whether what waits stays over a reload. */
  keeps: boolean;
  /** What landed beside somebody else's reading, until it is put away. */
  conflicts: readonly string[];
}

/** What a tab does with the news of the queue. */
export interface Heard {
  /** Facts of a job landed; what changed by them, where this tab sent them, and whether they were readings alone. */
  landed: (jobId: number, changed: Schemas["ChangedOut"] | null, readings: boolean) => void;
  pictureLanded: (jobId: number) => void;
  signedOut: () => void;
  say: (words: string) => void;
  /** The state of a job that this tab knows. */
  stateOf: (jobId: number) => string;
}

type Lane = "facts" | "pictures";
export interface Making {
  jobId: number;
  job: string;
}
const NEWS: Heard = {
  landed: () => undefined,
  pictureLanded: () => undefined,
  signedOut: () => undefined,
  say: () => undefined,
  stateOf: () => "",
};

/** Everything that was made in this browser and that the server does not have yet: one queue over all tabs. Facts of a
 * job go in their order; a picture holds back only what names it. */
export class Queue {
  private readonly records: Records;
  private listeners = new Set<() => void>();
  private waiters = new Map<string, () => void>();
  private lanes: Record<Lane, { running: boolean; again: boolean; timer: number | undefined }> = {
    facts: { running: false, again: false, timer: undefined },
    pictures: { running: false, again: false, timer: undefined },
  };
  private away = "";
  private signedOut = false;
  private conflicts: readonly string[] = [];
  private shown: Shown;
  person = "";
  heard: Heard = NEWS;

  constructor(open: () => Promise<Ways>) {
    this.records = new Records(
      open,
      () => this.changed(),
      (landed) => {
        landed.forEach((jobId) => this.heard.landed(jobId, null, false));
        this.settleWaiters();
        this.send();
      },
    );
    this.shown = this.picture();
    void this.records.ways.then(() => this.send());
  }

  /** Once what was kept before is read. */
  async opened(): Promise<boolean> {
    await this.records.ways;
    return true;
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly snapshot = (): Shown => this.shown;

  private picture(): Shown {
    const { all, held, keeps } = this.records;
    return {
      records: all, held, keeps, away: this.away, signedOut: this.signedOut, conflicts: this.conflicts,
    }; // prettier-ignore
  }

  private changed(): void {
    this.shown = this.picture();
    this.listeners.forEach((listener) => listener());
  }

  /** The facts of one job that this person made and that have not landed, at this moment. */
  factsOf(jobId: number): readonly KeptFact[] {
    return this.mine()
      .filter(isFact)
      .filter((one) => one.jobId === jobId);
  }

  /** Whose session it is now; what that person made goes. "" where nobody is signed in. */
  signedInAs(person: string): void {
    this.person = person;
    this.signedOut = false;
    this.changed();
    this.send();
  }

  /** The session has ended: nothing is tried before somebody signs in. */
  sessionEnded(): void {
    if (this.signedOut) return;
    this.signedOut = true;
    this.changed();
    this.heard.signedOut();
    this.settleWaiters(true);
  }

  /** Keep a fact or a picture, and send it. */
  add(
    { jobId, job }: Making,
    ...made: readonly ({ fact: Fact } | Pick<KeptPicture, "picture" | "file">)[]
  ): void {
    const waits = {
      n: 0, jobId, job, by: this.person, state: "waiting", sent: false, question: null, message: "", code: "",
      faults: [],
    } as const; // prettier-ignore
    this.records.add(made.map((one) => ({ ...waits, ...one })));
    this.send();
  }

  /** Keep a fact and send it. Gives what became of it at the first try: landed, or kept here. Refused, it is taken out
   * again and its refusal thrown: the page that made it has it still. */
  async tell(making: Making, fact: Fact): Promise<"landed" | "kept"> {
    const first = new Promise<void>((settle) => this.waiters.set(fact.id, settle));
    this.add(making, { fact });
    const timer = window.setTimeout(() => this.settleWaiters(true), PATIENCE_MS);
    if (!this.maySend()) this.settleWaiters(true);
    await first;
    window.clearTimeout(timer);
    const one = this.records.find(fact.id);
    if (one?.state === "refused") {
      await this.putAway(fact.id);
      throw new Refused(422, one.code, one.message, [...one.faults]);
    }
    if (!one) return "landed";
    // What is shown as kept is on the disk.
    await this.records.written(fact.id);
    return "kept";
  }

  /** Tell who waits for the first try that it was made; all of them where nothing is tried just now. */
  private settleWaiters(all = false): void {
    for (const [name, settle] of [...this.waiters]) {
      if (!all && this.records.find(name)?.state === "waiting" && !this.records.held.has(name)) continue;
      this.waiters.delete(name);
      settle();
    }
  }

  /** Answer the question a reading was asked. */
  choose(name: string, nm: number): void {
    void this.change(name, (one) =>
      isFact(one) && one.fact.fact === "reading"
        ? { ...one, state: "waiting", question: null, fact: { ...one.fact, chosen_nm: nm } }
        : one,
    );
    this.send();
  }

  /** Take back what has not landed. What may have reached the server already is taken back there too. */
  async drop(name: string): Promise<void> {
    const recall = (one: Kept): Kept | null =>
      one.state === "waiting" ? { ...one, state: "recalled" } : null;
    const done = this.records.change(new Map([[name, recall]]), { durability: "strict" });
    this.send();
    await done;
    this.records.tell();
  }

  private async change(name: string, how: (one: Kept) => Kept | null): Promise<void> {
    await this.records.change(new Map([[name, how]]));
    this.records.tell();
  }

  /** Put a refused one away. */
  async putAway(name: string): Promise<void> {
    await this.change(name, () => null);
  }

  /** Send a refused one again. */
  sendAgain(name: string): void {
    void this.change(name, (one) => ({ ...one, state: "waiting", message: "", code: "", faults: [] }));
    this.send();
  }

  putConflictsAway(): void {
    this.conflicts = [];
    this.changed();
  }

  /** Another person read a spot after this one: said until it is put away. */
  differs(words: string): void {
    this.conflicts = [...this.conflicts, words];
    this.changed();
  }

  /** Send what waits: facts in their order, pictures beside them. */
  send(): void {
    void this.run("facts");
    void this.run("pictures");
  }

  private maySend(): boolean {
    return this.person !== "" && !this.signedOut;
  }

  private async run(lane: Lane): Promise<void> {
    const how = this.lanes[lane];
    if (how.running) {
      how.again = true;
      return;
    }
    if (!this.maySend() || !this.anything(lane)) return;
    how.running = true;
    window.clearTimeout(how.timer);
    try {
      const { turns } = await this.records.ways;
      await turns.take(lane, (still) => this.empty(lane, still));
      this.setAway("");
    } catch (error) {
      this.stopped(lane, error);
    } finally {
      how.running = false;
    }
    if (how.again) {
      how.again = false;
      void this.run(lane);
    }
  }

  /** Nothing goes just now: why, and when it is tried again. */
  private stopped(lane: Lane, error: unknown): void {
    if (error instanceof TurnLost) {
      this.lanes[lane].again = true;
      return;
    }
    const fate = fateOf(error);
    if (fate.kind === "sign in") {
      this.sessionEnded();
      return;
    }
    this.setAway(fate.kind === "later" ? fate.words : fate.error.message);
    this.settleWaiters(true);
    this.lanes[lane].again = false;
    this.lanes[lane].timer = window.setTimeout(() => void this.run(lane), RETRY_MS);
  }

  private setAway(words: string): void {
    if (this.away === words) return;
    this.away = words;
    this.changed();
  }

  private mine(): readonly Kept[] {
    return this.records.all.filter((one) => one.by === this.person);
  }

  private anything(lane: Lane): boolean {
    const waits = (one: Kept) => one.state === "waiting" || one.state === "recalled";
    return this.mine().some((one) => waits(one) && (lane === "facts" ? isFact(one) : isPicture(one)));
  }

  /** Send letter after letter until nothing is left that may go. What came in meanwhile goes with the next. */
  private async empty(lane: Lane, still: () => Promise<void>): Promise<void> {
    await this.records.fresh();
    for (;;) {
      await this.forgetUnsent();
      const letter =
        lane === "facts"
          ? nextFacts(this.mine(), this.records.held)
          : nextPicture(this.mine(), this.records.held);
      if (letter.length === 0) return;
      await still();
      if (lane === "facts") await this.sendFacts(letter as readonly KeptFact[]);
      else await this.sendPicture(letter[0] as KeptPicture);
    }
  }

  /** What was taken back before it ever went out is gone. */
  private async forgetUnsent(): Promise<void> {
    const unsent = this.mine().filter((one) => one.state === "recalled" && (!one.sent || isPicture(one)));
    if (unsent.length > 0) await this.records.change(new Map(unsent.map((one) => [nameOf(one), () => null])));
  }

  private async sendFacts(letter: readonly KeptFact[]): Promise<void> {
    const [first] = letter;
    if (!first) return;
    void this.records.change(new Map(letter.map((one) => [nameOf(one), asSent])), { quiet: true });
    try {
      await this.settle(
        letter,
        await postFacts(
          first,
          this.heard.stateOf(first.jobId),
          letter.map((one) => one.fact),
        ),
      );
    } catch (error) {
      const fate = fateOf(error);
      if (fate.kind !== "refused") throw error;
      if (letter.length === 1) await this.refused(first, fate.error);
      // One bad fact must not hold the rest: each goes by itself.
      else for (const one of letter) await this.sendFacts([one]);
    }
  }

  private async sendPicture(one: KeptPicture): Promise<void> {
    try {
      await postPicture(one);
      await this.records.change(new Map([[nameOf(one), () => null]]));
      this.records.tell([one.jobId]);
      this.heard.pictureLanded(one.jobId);
      // What names it may go now.
      void this.run("facts");
    } catch (error) {
      const fate = fateOf(error);
      if (fate.kind !== "refused") throw error;
      await this.refused(one, fate.error);
    }
  }

  private async refused(one: Kept, error: Refused): Promise<void> {
    const { message, code, faults } = error;
    // Taken back and refused is gone.
    await this.change(nameOf(one), (now) =>
      now.state === "recalled" ? null : { ...now, state: "refused", message, code, faults },
    );
    this.settleWaiters();
  }

  /** What became of each fact of a letter: landed ones go, the others stay with what was said. */
  private async settle(letter: readonly KeptFact[], { results, changed }: Answer): Promise<void> {
    const { jobId } = letter[0] as KeptFact;
    const landed = results.filter((result) => !result.asked && !result.refused).length;
    const differ = results.map((result) => result.conflict).filter(Boolean);
    if (differ.length > 0) this.conflicts = [...this.conflicts, ...differ];
    this.heard.landed(
      jobId,
      changed,
      letter.every((one) => one.fact.fact === "reading"),
    );
    if (landed > 0) this.heard.say(landed === 1 ? "Landed." : `${landed} entries landed.`);
    const became = this.records.change(new Map(results.map((result) => [result.id, becomes(result)])));
    this.settleWaiters();
    await became;
    this.records.tell(landed > 0 ? [jobId] : []);
    // A picture that names one of them may go now.
    void this.run("pictures");
  }
}

const asSent = (one: Kept): Kept => ({ ...one, sent: true });
