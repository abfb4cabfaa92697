/** What every event of a log carries; made on the phone that saw it happen. */
export interface EventBase {
  /** Made by the client; the same id always means the same event. */
  readonly id: string;
  readonly deviceId: string;
  /** Counts up on that device from 1; 0 where the server made the event. */
  readonly deviceSeq: number;
  /** When it happened by that device's clock, milliseconds since 1970. */
  readonly atMs: number;
  /** The plan under which it was made; null before there was one. */
  readonly planId: string | null;
}

/** An event with the name of the person behind it, as the log keeps it. */
export type Logged<E> = E & { readonly person: string };
