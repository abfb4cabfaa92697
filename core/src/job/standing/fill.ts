import { levelKnown } from './jar';
import type { RunStanding } from './state';

/** Some levels, now known for certain. */
export const levelled = (
  { levelMl, leastMl }: RunStanding,
  now: Readonly<Record<string, number>>,
): Pick<RunStanding, 'levelMl' | 'leastMl'> => ({
  levelMl: { ...levelMl, ...now },
  leastMl: { ...leastMl, ...now },
});

/** What was poured out of a container so far, with some more; of one that nobody named only the sum is known. */
export const pouredFrom = (
  { pouredMl, pouredFromMl }: RunStanding,
  ml: number,
  containerId: string | null | undefined,
): Pick<RunStanding, 'pouredMl' | 'pouredFromMl'> => ({
  pouredMl: pouredMl + ml,
  pouredFromMl: containerId
    ? { ...pouredFromMl, [containerId]: (pouredFromMl[containerId] ?? 0) + ml }
    : pouredFromMl,
});

/** A reservoir filled to a level, mL. */
export function fillTo(
  run: RunStanding,
  reservoirId: string,
  toMl: number,
  containerId: string | null | undefined,
): RunStanding {
  const poured = Math.max(0, toMl - run.levelMl[reservoirId]!);
  return {
    ...run,
    ...pouredFrom(run, poured, containerId),
    ...levelled(run, { [reservoirId]: run.levelMl[reservoirId]! + poured }),
    jar: levelKnown(run.jar, reservoirId, true),
  };
}
