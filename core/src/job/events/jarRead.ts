import { bleederName } from '../../vehicle/circuit';
import { openingFault, openingNamed } from './faults';
import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, runEvent } from './kind';

/** By how much the jar says that more left an opening than was counted there, mL; below 0 less. */
export interface JarShare {
  readonly openingId: string;
  readonly ml: number;
  /** Of that, what a fill of its reservoir has made up for since, mL: so much more, or less, was poured. */
  readonly filledMl: number;
  /** Of that, what its reservoir stands lower now, or higher, mL. */
  readonly fellMl: number;
}

/** How much stands in the jar: the count and the reservoirs follow from it. */
export interface JarReadHappening {
  readonly kind: 'jar read';
  readonly openingId: string;
  readonly jarMl: number;
  /** As the fold reads it: by how much the count of each opening was short, mL, with its sign. The phone leaves it out. */
  readonly shares?: readonly JarShare[];
}

export const jarRead = runEvent<JarReadHappening>({
  kind: 'jar read',
  voids: 'all',
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  fault: ({ openingId }, { plans }) => {
    const opening = openingNamed(plans, openingId);
    return opening && !opening.fromReservoir
      ? `What is pushed up at ${bleederName(opening.bleeder)} is not in the jar; count the marks of the syringe.`
      : openingFault(plans, openingId);
  },
  words: ({ jarMl, openingId }, { at }) =>
    `the jar read, ${Math.round(jarMl)} mL, ${at(openingId)}`,
});
