import { heldBehind, type Kept, nameOf, ordered } from "./record";
import type { Store } from "./store";
import type { Turns } from "./turn";

/** What a tab tells the others: the queue changed, and facts of these jobs landed. */
interface Told {
  landed: readonly number[];
}

/** What the browser gives: a store, turns over all tabs, a channel between them; `keeps` says whether the store stays
 * over a reload. */
export interface Ways {
  store: Store;
  turns: Turns;
  channel: Pick<BroadcastChannel, "postMessage" | "addEventListener"> | null;
  keeps: boolean;
}

/** The records of the queue as this tab shows them, in step with the store and with the other tabs. */
export class Records {
  all: readonly Kept[] = [];
  /** What each record waits behind, by its name. */
  held: ReadonlyMap<string, Kept> = new Map();
  /** Whether what waits stays over a reload: not where the browser gives no store, or has no room. */
  keeps = true;
  readonly ways: Promise<Ways>;
  /** Records that the store is still writing, and the places it gave, by name. */
  private writing = new Map<string, Promise<void>>();
  private places = new Map<string, number>();
  private stale = false;
  private channel: Ways["channel"] = null;

  constructor(
    open: () => Promise<Ways>,
    private readonly onChange: () => void,
    private readonly onElsewhere: (landed: readonly number[]) => void,
  ) {
    this.ways = open().then(async (ways) => {
      this.channel = ways.channel;
      this.channel?.addEventListener(
        "message",
        (event) => void this.hear((event as MessageEvent<Told>).data),
      );
      this.keeps = ways.keeps;
      this.stale = true;
      await this.read(ways);
      return ways;
    });
  }

  private show(records: readonly Kept[]): void {
    this.all = records;
    this.held = heldBehind(records);
    this.onChange();
  }

  private async hear(told: Told): Promise<void> {
    this.stale = true;
    await this.fresh();
    this.onElsewhere(told.landed);
  }

  /** Tell the other tabs that the queue changed. */
  tell(landed: readonly number[] = []): void {
    this.channel?.postMessage({ landed } satisfies Told);
  }

  /** Take up what another tab changed. */
  async fresh(): Promise<void> {
    await this.read(await this.ways);
  }

  private async read({ store }: Ways): Promise<void> {
    if (!this.stale) return;
    this.stale = false;
    const stored = await store.all().catch(() => null);
    // A store that cannot be read just now: what is shown stays, and it is read again.
    if (!stored) {
      this.stale = true;
      return;
    }
    stored.forEach((one) => this.places.set(nameOf(one), one.n));
    const there = new Set(stored.map(nameOf));
    // What this tab is still writing, or could not write, is not there yet.
    const own = this.all.filter((one) => one.n === 0 && !there.has(nameOf(one)));
    this.show(ordered([...stored, ...own]));
  }

  find(name: string): Kept | undefined {
    return this.all.find((one) => nameOf(one) === name);
  }

  /** Whether a record is on the disk, as far as this browser can tell. */
  written(name: string): Promise<void> {
    return this.writing.get(name) ?? Promise.resolve();
  }

  /** Keep new records. They are drawn while they are on their way, not before they leave. */
  add(made: readonly Kept[]): void {
    this.all = [...this.all, ...made];
    this.held = heldBehind(this.all);
    const writing = this.write(made);
    made.forEach((one) => this.writing.set(nameOf(one), writing));
    globalThis.setTimeout(this.onChange);
  }

  private async write(made: readonly Kept[]): Promise<void> {
    try {
      const { store } = await this.ways;
      const places = await store.add(made);
      made.forEach((one, nth) => this.places.set(nameOf(one), places[nth] ?? 0));
      this.all = ordered(
        this.all.map((one) => (one.n ? one : { ...one, n: this.places.get(nameOf(one)) ?? 0 })),
      );
      this.tell();
    } catch {
      // No room: this page keeps it until it has landed, and says so.
      this.keeps = false;
    } finally {
      made.forEach((one) => this.writing.delete(nameOf(one)));
      this.onChange();
    }
  }

  /** Change records by their names, here at once and then in the store as they stand there; null takes one away. */
  async change(how: ReadonlyMap<string, How>, { quiet = false, durability }: Manner = {}): Promise<void> {
    const records = ordered(this.all.flatMap((one) => changedBy(one, how.get(nameOf(one))) ?? []));
    if (quiet) this.all = records;
    else this.show(records);
    await Promise.all([...how.keys()].map((name) => this.written(name)));
    const { store } = await this.ways;
    const changes = [...how].flatMap(([name, change]) => {
      const n = this.places.get(name);
      return n === undefined ? [] : [{ n, how: (one: Kept) => this.moved(n, one, change(one)) }];
    });
    if (changes.length === 0) return;
    try {
      await store.change(changes, durability);
    } catch {
      this.keeps = false;
      this.onChange();
    }
  }

  /** A record may become another fact in the same place: it is then found by its new name. */
  private moved(n: number, before: Kept, after: Kept | null): Kept | null {
    if (!after || nameOf(after) !== nameOf(before)) this.places.delete(nameOf(before));
    if (after) this.places.set(nameOf(after), n);
    return after;
  }
}

type How = (one: Kept) => Kept | null;
interface Manner {
  /** Nobody needs to draw it anew. */
  quiet?: boolean;
  durability?: "strict";
}

const changedBy = (one: Kept, how: How | undefined): Kept | null => (how ? how(one) : one);
