import type { CountWay } from '@brook/core/job/events';
import { deviceId } from '../../data/device';
import type { LiveRun } from '../../data/run';

/** From here on this phone counts. What another one counted and this one has not seen is asked about afterwards. */
export function takeCount({ say }: Pick<LiveRun, 'say'>, way: CountWay): void {
  say({ kind: 'counting', way });
}

/** Count by hand what was made; where the app beat time before, the jar was read, or a helper's phone counted, the record says that they do no longer. */
export function countStroke(
  run: Pick<LiveRun, 'state' | 'say'>,
  openingId: string,
  made = 1,
): void {
  const { state, say } = run;
  const { counting } = state;
  if (
    counting &&
    (counting.way === 'tempo' || counting.way === 'jar' || counting.deviceId !== deviceId())
  )
    takeCount(run, 'tap');
  say(made > 1 ? { kind: 'stroke', openingId, made } : { kind: 'stroke', openingId });
}
