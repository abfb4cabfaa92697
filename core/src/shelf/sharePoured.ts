import type { ShelfContainer } from './admit';

/** What was poured out of one container, mL. */
export interface PouredShare {
  readonly containerId: string;
  readonly pouredMl: number;
}

/**
 * Share what was poured over the containers at hand as a technician empties
 * them: opened ones first, then in the order given. What they do not hold is
 * not shared out.
 *
 * @param pouredMl 0 or more
 */
export function sharePoured(
  pouredMl: number,
  containers: readonly Pick<ShelfContainer, 'id' | 'state' | 'leftMl'>[],
): PouredShare[] {
  if (!(pouredMl >= 0)) throw new RangeError(`pouredMl is ${pouredMl}; give 0 mL or more`);
  const inOrder = [...containers].sort(
    (a, b) => Number(b.state === 'opened') - Number(a.state === 'opened'),
  );
  let rest = pouredMl;
  return inOrder.map((c) => {
    const share = Math.min(rest, c.leftMl);
    rest -= share;
    return { containerId: c.id, pouredMl: share };
  });
}
