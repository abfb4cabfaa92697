import type { EventBase, Order } from './base';

/** What of an event says where it stands, and what its phone knew. */
export interface Heard extends Pick<EventBase, 'deviceId' | 'deviceSeq' | 'heard'> {
  readonly order?: Order | undefined;
}

/** Behind every place that the server has given. */
const BEHIND_ALL = Number.MAX_SAFE_INTEGER;

/** The place of an event in its vehicle's order; one that only its phone has stands behind all. */
export const positionOf = ({ order }: Pick<Heard, 'order'>): number =>
  order?.position ?? BEHIND_ALL;

/** Up to which place an event's phone had heard when it was made: never beyond its own. */
export const heardUpTo = (event: Heard): number =>
  Math.min(event.heard ?? 0, positionOf(event) - 1);

/**
 * Up to which place a phone has heard of everything that knew it up to one,
 * and was then told of events: what came in between it has not heard.
 *
 * @param told in their order
 */
export const heardThrough = (heard: number, told: readonly Pick<Heard, 'order'>[]): number =>
  told.reduce((h, { order }) => (order?.position === h + 1 ? h + 1 : h), heard);

/**
 * Whether the phone that made an event had heard of one that stands before it
 * in the log of the same job: by the vehicle's order, or because it made that
 * one itself. Good news counts only for what its phone knew; which clock said
 * what decides nothing.
 */
export const hadHeard = (event: Heard, earlier: Heard): boolean =>
  (earlier.deviceId === event.deviceId && earlier.deviceSeq <= event.deviceSeq) ||
  positionOf(earlier) <= heardUpTo(event);
