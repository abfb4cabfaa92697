import { ARITHMETIC, ENTRY, figure, type Figure } from '../../base/figure';
import { inRange, rangeWords } from '../../base/units';
import type { ShelfContainer } from './admit';
import { MOVED_ML } from './fluidBalance';

export type ShelfPick =
  | {
      readonly kind: 'enough';
      readonly containers: readonly ShelfContainer[];
      readonly leftOverMl: Figure;
    }
  | { readonly kind: 'short'; readonly missingMl: Figure };

/**
 * The containers that cover a volume with the least left over; of equal picks
 * the fewest containers, of equal ones the oldest (largest sum of days on the
 * shelf). Exact: each container is taken once or not at all, over whole
 * millilitres, by dynamic programming; what is left in a container is rounded down.
 *
 * @param needed figure in mL, 0 to 20,000
 * @param admitted containers that may be used, at most 200
 * @throws RangeError outside those ranges
 */
export function pickFromShelf(needed: Figure, admitted: readonly ShelfContainer[]): ShelfPick {
  if (!inRange(MOVED_ML, needed.value))
    throw new RangeError(`needed is ${needed.value} mL; give ${rangeWords(MOVED_ML)}`);
  if (admitted.length > 200)
    throw new RangeError(`there are ${admitted.length} containers; give at most 200`);
  const target = Math.ceil(needed.value - 1e-9);
  const onShelf = admitted.reduce((sum, c) => sum + Math.floor(c.leftMl), 0);
  if (onShelf < target) {
    return {
      kind: 'short',
      missingMl: figure({
        label: 'Missing on the shelf',
        value: target - onShelf,
        unit: 'mL',
        rule: 'what is needed less what may be used',
        source: ARITHMETIC,
        from: [needed, ...admitted.map(leftIn)],
      }),
    };
  }
  const containers = leastLeftOver(target, admitted);
  const total = containers.reduce((sum, c) => sum + c.leftMl, 0);
  return {
    kind: 'enough',
    containers,
    leftOverMl: figure({
      label: 'Left over',
      value: total - needed.value,
      unit: 'mL',
      rule: 'what the containers hold less what is taken along for the job',
      source: ARITHMETIC,
      from: [needed, ...containers.map(leftIn)],
    }),
  };
}

/** Best way to hold exactly v mL with the containers looked at so far. */
interface Best {
  readonly count: number;
  readonly ageDays: number;
  readonly last: ShelfContainer | null;
  readonly before: Best | null;
}

function leastLeftOver(target: number, admitted: readonly ShelfContainer[]): ShelfContainer[] {
  const most = target + Math.max(0, ...admitted.map((c) => Math.floor(c.leftMl)));
  const best: (Best | undefined)[] = new Array<Best | undefined>(most + 1);
  best[0] = { count: 0, ageDays: 0, last: null, before: null };
  for (const c of admitted) {
    const ml = Math.floor(c.leftMl);
    // Downwards, so that no container is taken twice.
    for (let v = most - ml; v >= 0 && ml > 0; v--) {
      const from = best[v];
      // What covers the target already only gets worse by one more.
      if (!from || v >= target) continue;
      const made: Best = {
        count: from.count + 1,
        ageDays: from.ageDays + c.ageDays,
        last: c,
        before: from,
      };
      if (isBetter(made, best[v + ml])) best[v + ml] = made;
    }
  }
  let at = best.find((b, v) => v >= target && b !== undefined)!;
  const picked: ShelfContainer[] = [];
  for (; at.last; at = at.before!) picked.unshift(at.last);
  return picked;
}

function isBetter(made: Best, known: Best | undefined): boolean {
  if (!known) return true;
  return made.count < known.count || (made.count === known.count && made.ageDays > known.ageDays);
}

const leftIn = (c: ShelfContainer): Figure =>
  figure({
    label: `${c.grade}, batch ${c.batch}`,
    value: c.leftMl,
    unit: 'mL',
    rule: 'left in it by the shelf',
    source: ENTRY,
  });
