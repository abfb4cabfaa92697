import type { ShelfContainer } from './admit';

/** What was poured out of one container, mL. */
export interface PouredShare {
  readonly containerId: string;
  readonly pouredMl: number;
}

/** A container at hand; of one that was not picked only what was said came out. */
export type ToShare = Pick<ShelfContainer, 'id' | 'state' | 'leftMl'> & {
  readonly onlySaid?: boolean;
};

/**
 * Share what was poured over the containers at hand: what was said to come out
 * of one came out of it, as far as it held so much; the rest as a technician
 * empties them, opened ones first, then in the order given. What they do not
 * hold is not shared out, but for what was said: that happened.
 *
 * @param pouredMl 0 or more
 * @param saidMl what was said to come out of which, mL by container
 */
export function sharePoured(
  pouredMl: number,
  containers: readonly ToShare[],
  saidMl: Readonly<Record<string, number>> = {},
): PouredShare[] {
  if (!(pouredMl >= 0)) throw new RangeError(`pouredMl is ${pouredMl}; give 0 mL or more`);
  const inOrder = [...containers].sort(
    (a, b) => Number(b.state === 'opened') - Number(a.state === 'opened'),
  );
  const said = new Map(inOrder.map((c) => [c.id, Math.min(saidMl[c.id] ?? 0, c.leftMl)]));
  let rest = Math.max(0, pouredMl - [...said.values()].reduce((sum, ml) => sum + ml, 0));
  const shares = inOrder.map((c) => {
    const share = c.onlySaid ? 0 : Math.min(rest, c.leftMl - said.get(c.id)!);
    rest -= share;
    return { containerId: c.id, pouredMl: said.get(c.id)! + share };
  });
  // What no other one can have given came out of the one that was named: it held more than the shelf knew of.
  return shares.map((s) => {
    const more = Math.min(rest, Math.max(0, (saidMl[s.containerId] ?? 0) - s.pouredMl));
    rest -= more;
    return { ...s, pouredMl: s.pouredMl + more };
  });
}
