import { ARITHMETIC, ENTRY, figure, type Figure } from '../../base/figure';
import type { Range } from '../../base/units';

/** What one job may move of fluid, of any kind, mL [M]. */
export const MOVED_ML: Range = { what: 'Fluid', unit: 'mL', least: 0, most: 20_000 };

/**
 * Fluid of one job, mL. One word for each thing: poured out of containers into
 * the vehicle, bled out at a bleeder, removed off the reservoir, spilled from
 * the vehicle and lost, discarded beside it.
 */
export interface FluidMoved {
  readonly openedMl: number;
  readonly pouredMl: number;
  readonly bledMl: number;
  readonly removedMl: number;
  readonly spilledMl: number;
  readonly discardedMl: number;
  /** Of what was discarded, what was caught: that alone becomes waste. */
  readonly caughtMl: number;
}

export interface FluidBalance {
  /** Vehicle: poured = change of content + bled + removed + spilled. */
  readonly changeOfContentMl: Figure;
  /** Containers: opened = poured + left + discarded. */
  readonly leftMl: Figure;
  /** Bled + removed + what was caught of the discarded, for the drum. */
  readonly wasteMl: Figure;
}

/**
 * What follows from what was moved.
 *
 * @throws RangeError when one of them is negative, more was poured and discarded than was opened, or more caught than discarded
 */
export function fluidBalance(moved: FluidMoved): FluidBalance {
  for (const [word, ml] of Object.entries(moved))
    if (!(ml >= 0)) throw new RangeError(`${word} is ${ml}; give 0 mL or more`);
  const { openedMl, pouredMl, bledMl, removedMl, spilledMl, discardedMl, caughtMl } = moved;
  if (pouredMl + discardedMl > openedMl + 1e-6)
    throw new RangeError(
      `${pouredMl} mL poured and ${discardedMl} mL discarded are more than the ${openedMl} mL that were opened`,
    );
  if (caughtMl > discardedMl)
    throw new RangeError(`${caughtMl} mL caught are more than the ${discardedMl} mL discarded`);
  const entry = (label: string, value: number) =>
    figure({ label, value, unit: 'mL', rule: 'recorded on the job', source: ENTRY });
  const poured = entry('Poured', pouredMl);
  const bled = entry('Bled', bledMl);
  const removed = entry('Removed', removedMl);
  const discarded = entry('Discarded', discardedMl);
  const of = (label: string, value: number, rule: string, from: readonly Figure[]) =>
    figure({ label, value, unit: 'mL', rule, source: ARITHMETIC, from });
  return {
    changeOfContentMl: of(
      'Change of content',
      pouredMl - bledMl - removedMl - spilledMl,
      'poured less bled, removed and spilled',
      [poured, bled, removed, entry('Spilled', spilledMl)],
    ),
    leftMl: of(
      'Left in containers',
      openedMl - pouredMl - discardedMl,
      'opened less poured and discarded',
      [entry('Opened', openedMl), poured, discarded],
    ),
    wasteMl: of(
      'Waste',
      bledMl + removedMl + caughtMl,
      'bled, removed and what was caught of the discarded',
      [bled, removed, entry('Caught', caughtMl)],
    ),
  };
}
