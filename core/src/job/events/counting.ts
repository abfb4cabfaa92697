import { nothing, runEvent } from './kind';

/** How strokes are counted: a tap for each, by a beat, by reading the jar, by a helper's phone. */
export const COUNT_WAYS = ['tap', 'tempo', 'jar', 'helper'] as const;
export type CountWay = (typeof COUNT_WAYS)[number];

/** From here on this device counts, and no other: one source at a time. `knew` is the last event of the log that it knew; what was counted behind that it has not seen. */
export interface CountingHappening {
  readonly kind: 'counting';
  readonly way: CountWay;
  readonly knew?: string | null | undefined;
}

export const counting = runEvent<CountingHappening>({
  kind: 'counting',
  voids: nothing('who counts moves nothing'),
  fault: () => null,
  words: () => 'counting on this phone',
});
