import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, nothing, runEvent } from './kind';

/** How strokes are counted: a tap for each, by a beat, by reading the jar, by a helper's phone. */
export const COUNT_WAYS = ['tap', 'tempo', 'jar', 'helper'] as const;
export type CountWay = (typeof COUNT_WAYS)[number];

/** From here on this device counts, and no other: one source at a time. What was counted that it had not heard of it has not seen. */
export interface CountingHappening {
  readonly kind: 'counting';
  readonly way: CountWay;
}

export const counting = runEvent<CountingHappening>({
  kind: 'counting',
  voids: nothing('who counts moves nothing'),
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  fault: () => null,
  words: () => 'counting on this phone',
});
