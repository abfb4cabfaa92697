import { type CountWay } from '../standing';
import {
  BRINGS_NOTHING,
  SETTLES_NOTHING,
  PROVES_NOTHING,
  nothing,
  runEvent,
  TAKES_BACK,
} from './kind';

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
  undo: TAKES_BACK,
  fold: (run, { deviceId, way }) => ({ ...run, counting: { deviceId, way } }),
  fault: () => null,
  words: () => 'counting on this phone',
});
