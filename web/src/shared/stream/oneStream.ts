/** A page that listens: its bench's own name, and the job it shows. */
export interface ListeningPage {
  bench: string;
  job: number;
}
/** What the server tells a page: the event's name and its body as it came. */
export interface Told {
  event: string;
  data: string;
}

export const EVENTS = ["hello", "line", "port", "lost", "beside", "differs", "job"] as const;
/** Pages open and close one after the other: the stream is opened anew once. */
const SETTLED_MS = 30;
/** A stream that was refused is asked for again after so long. */
const AGAIN_MS = 5_000;

const addressOf = (pages: Iterable<ListeningPage>): string =>
  `/api/live/events?${[...pages].map((one) => `open=${encodeURIComponent(`${one.bench}~${one.job}`)}`).join("&")}`;

/** The one stream of a browser: whichever of its pages an event is for hears it. */
export class OneStream {
  private readonly pages = new Map<ListeningPage, (told: Told) => void>();
  private source: EventSource | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly open: (address: string) => EventSource = (address) => new EventSource(address),
  ) {}

  /** A page listens, until what is given back is called. */
  join(page: ListeningPage, tell: (told: Told) => void): () => void {
    this.pages.set(page, tell);
    this.soon(SETTLED_MS);
    return () => {
      if (this.pages.delete(page)) this.soon(SETTLED_MS);
    };
  }

  private soon(ms: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.reopen(), ms);
  }

  private reopen(): void {
    this.source?.close();
    this.source = undefined;
    if (this.pages.size === 0) return;
    const source = this.open(addressOf(this.pages.keys()));
    this.source = source;
    for (const event of EVENTS)
      source.addEventListener(event, (said: MessageEvent<string>) => this.tell({ event, data: said.data }));
    source.addEventListener("error", () => {
      // Refused, not only broken off: a browser does not ask again by itself.
      if (source.readyState === 2 && this.source === source) this.soon(AGAIN_MS);
    });
  }

  private tell(told: Told): void {
    const meant = (JSON.parse(told.data) as { for?: string }).for;
    for (const [page, tell] of [...this.pages]) if (meant === undefined || meant === page.bench) tell(told);
  }
}
