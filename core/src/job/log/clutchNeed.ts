import type { HappeningOf, JobEvent, Logged } from '../events';
import { undoneIds } from './undo';

/** What a clutch of this vehicle needs, and who said so. */
export interface ClutchNeed extends Omit<HappeningOf<'clutch needs'>, 'kind'> {
  readonly by: string;
}

/** What the clutch of a master needs, as it is known: the last word of this job, else of an earlier one on this vehicle. */
export function clutchNeedOf(
  masterId: string,
  given: { readonly log: readonly Logged<JobEvent>[]; readonly earlier: readonly ClutchNeed[] },
): ClutchNeed | null {
  const undone = undoneIds(given.log);
  const here = given.log.flatMap((e) =>
    e.kind === 'clutch needs' && e.masterId === masterId && !undone.has(e.id) ? [e] : [],
  );
  const last = here.at(-1);
  if (!last) return given.earlier.find((n) => n.masterId === masterId) ?? null;
  const { slaveTravelMm, window, pitchMm, person: by } = last;
  return { masterId, slaveTravelMm, window, pitchMm, by };
}
