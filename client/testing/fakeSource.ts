/** A line of server-sent events that the test speaks on. */
export class FakeSource extends EventTarget {
  static readonly CLOSED = 2;
  static made: FakeSource[] = [];
  readyState = 1;

  constructor(readonly url: string) {
    super();
    FakeSource.made.push(this);
  }

  /** From here on every line that is opened is one of these. */
  static begin(): void {
    FakeSource.made = [];
    (globalThis as { EventSource: unknown }).EventSource = FakeSource;
  }

  close(): void {
    this.readyState = 2;
  }

  say(event: string, data: unknown): void {
    this.dispatchEvent(new MessageEvent(event, { data: JSON.stringify(data) }));
  }
}

/** The line that was opened last. */
export const lastSource = (): FakeSource => FakeSource.made.at(-1)!;
