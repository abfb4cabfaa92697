const LOOK_MS = 1_000;
const AGAIN_MS = 3_000;
/** No content: a browser asks no more by itself (HTML Living Standard, 9.2.3). */
const NO_MORE_LINES = 204;

export interface LineOptions {
  /** Where it leads, anew at every try: what was heard meanwhile need not be said again. */
  readonly address: () => string;
  /** What is done with each kind of event. */
  readonly on: Readonly<Record<string, (data: unknown) => void>>;
  /** After how long without a word the line is taken as lost, ms. */
  readonly silentMs: number;
  /** It was lost; said once until something is heard again. */
  readonly onLost: () => void;
  /** As many stand open as there may be: this one was not opened, and is tried again. */
  readonly onFull: () => void;
}

/** A line of server-sent events that is made anew by itself whenever it was lost. */
export class Line {
  private source: EventSource | null = null;
  private timer: ReturnType<typeof setInterval> | null = null;
  private lastHeard = 0;
  private lastTried = 0;
  private inTouch = true;

  constructor(private readonly options: LineOptions) {}

  open(): void {
    if (this.timer) return;
    this.connect();
    this.timer = setInterval(this.look, LOOK_MS);
    window.addEventListener('offline', this.cut);
    window.addEventListener('online', this.connect);
  }

  shut(): void {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
    this.source?.close();
    this.source = null;
    window.removeEventListener('offline', this.cut);
    window.removeEventListener('online', this.connect);
  }

  private readonly connect = (): void => {
    this.source?.close();
    this.lastTried = performance.now();
    const source = new EventSource(this.options.address());
    this.source = source;
    for (const [event, act] of Object.entries(this.options.on))
      source.addEventListener(event, ({ data }: MessageEvent<string>) => {
        this.lastHeard = performance.now();
        this.inTouch = true;
        act(JSON.parse(data));
      });
    source.addEventListener('error', () => {
      this.lose();
      if (source.readyState === EventSource.CLOSED) void this.askWhy();
    });
  };

  /** A line that was shut for good does not say why; its address does, asked by itself. */
  private async askWhy(): Promise<void> {
    const asking = new AbortController();
    try {
      const { status } = await fetch(this.options.address(), { signal: asking.signal });
      if (status === NO_MORE_LINES) this.options.onFull();
    } catch {
      // Without an answer it is the connection that is gone, which is said already.
    } finally {
      asking.abort();
    }
  }

  /** Nothing comes any more. */
  private lose(): void {
    if (!this.inTouch) return;
    this.inTouch = false;
    this.options.onLost();
  }

  /** The phone says itself that it has no reception. */
  private readonly cut = (): void => {
    this.source?.close();
    this.source = null;
    this.lose();
  };

  /** A line that was shut for good, or that says nothing any more, is made anew. */
  private readonly look = (): void => {
    const now = performance.now();
    const silent = now - Math.max(this.lastHeard, this.lastTried) > this.options.silentMs;
    const gone = this.source === null || this.source.readyState === EventSource.CLOSED;
    if (silent) this.lose();
    if (silent || (gone && now - this.lastTried > AGAIN_MS)) this.connect();
  };
}
