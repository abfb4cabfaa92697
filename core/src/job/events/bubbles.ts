import { openingFault } from './faults';
import { PROVES_NOTHING, nothing, runEvent } from './kind';
import { airBehind } from './places';

export const BUBBLE_READINGS = ['none', 'fine', 'some', 'many'] as const;
export type BubbleReading = (typeof BUBBLE_READINGS)[number];

export interface BubblesHappening {
  readonly kind: 'bubbles';
  readonly openingId: string;
  readonly reading: BubbleReading;
}

export const bubbles = runEvent<BubblesHappening>({
  kind: 'bubbles',
  voids: nothing('it is only seen'),
  opens: ({ openingId, reading }, plans) => (reading === 'none' ? [] : airBehind(plans, openingId)),
  settles: ['air possible'],
  proves: PROVES_NOTHING,
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ reading, openingId }, { at }) => `bubbles ${reading}, ${at(openingId)}`,
});
