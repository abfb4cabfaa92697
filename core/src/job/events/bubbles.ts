import { openingFault } from './faults';
import { nothing, runEvent } from './kind';

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
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ reading, openingId }, { at }) => `bubbles ${reading}, ${at(openingId)}`,
});
