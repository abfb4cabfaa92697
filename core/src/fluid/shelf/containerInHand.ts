import type { ShelfContainer } from './admit';

type Stock = Pick<ShelfContainer, 'id' | 'state' | 'leftMl'>;

/** What is hardly a pour: a container with less than this left counts as empty, mL [M]. */
const EMPTY_ML = 1;

/**
 * The container that a technician has in hand who empties them as they were
 * picked: opened ones first, then in the order given, by what was poured so far.
 *
 * @returns null where none was picked; the last one where all are empty by the count
 */
export function containerInHand<C extends Stock>(
  picked: readonly C[],
  pouredFromMl: Readonly<Record<string, number>>,
): C | null {
  const inOrder = [...picked].sort(
    (a, b) => Number(b.state === 'opened') - Number(a.state === 'opened'),
  );
  const holdsStill = inOrder.find((c) => c.leftMl - (pouredFromMl[c.id] ?? 0) > EMPTY_ML);
  return holdsStill ?? inOrder.at(-1) ?? null;
}
