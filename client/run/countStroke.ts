import type { LiveRun } from '../data/run';

/** Count by hand what was made; where the app beat time before, the record says that it does no longer. */
export function countStroke(
  { state, say }: Pick<LiveRun, 'state' | 'say'>,
  stopId: string,
  made = 1,
): void {
  if (state.counting?.way === 'tempo') say({ kind: 'counting', way: 'tap' });
  say(made > 1 ? { kind: 'stroke', stopId, made } : { kind: 'stroke', stopId });
}
