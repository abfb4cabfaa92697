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
  /** Up to which place of its vehicle's order its phone had heard of everything; left out, of nothing. */
  readonly heard?: number | undefined;
  /** What one press made carries one name: it is taken back together. Left out, it was made alone. */
  readonly group?: string | undefined;
}

/** The place of an event in the one order of its vehicle: over its jobs, what came beside their records, and its own log. */
export interface Order {
  /** Counts up from 1. */
  readonly position: number;
  /** When the server got it, milliseconds since 1970. */
  readonly receivedMs: number;
}

/** An event with the name of the person behind it, as the log keeps it. */
export type Logged<E> = E & {
  readonly person: string;
  /** Left out while only its phone has it: then it comes behind everything that has one. */
  readonly order?: Order | undefined;
};
