import { figure, ARITHMETIC, type Figure } from '../figure';

/** Containers to take: how many of each size. */
export interface ContainerPick {
  readonly containers: readonly { readonly sizeMl: number; readonly count: number }[];
  readonly totalMl: Figure;
  readonly leftOverMl: Figure;
}

/** Sizes on offer until there is a shelf, mL. */
export const CONTAINER_SIZES_ML: readonly number[] = [1000, 500, 250];

/**
 * The containers that cover a volume with the least left over; of equal ones
 * the fewest. Exact: a coin problem over millilitres.
 *
 * @param needed figure in mL, 0 up to 20,000
 * @param sizesMl whole millilitres, each above 0; as many of each as wanted
 * @throws RangeError outside those ranges
 * @example 812 mL of 250, 500 and 1000 take one of 1000, 188 mL left over
 */
export function pickContainers(needed: Figure, sizesMl: readonly number[] = CONTAINER_SIZES_ML): ContainerPick {
  if (!(needed.value >= 0 && needed.value <= 20_000)) throw new RangeError(`needed is ${needed.value} mL; give 0 to 20,000 mL`);
  if (sizesMl.length === 0 || !sizesMl.every((s) => Number.isInteger(s) && s > 0)) {
    throw new RangeError(`sizes are ${sizesMl.join(', ')}; give whole millilitres above 0`);
  }
  const target = Math.ceil(needed.value - 1e-9);
  const most = target + Math.max(...sizesMl);
  // fewest[v] is the fewest containers that hold exactly v; last[v] the size taken last.
  const fewest = new Array<number>(most + 1).fill(Infinity);
  const last = new Array<number>(most + 1).fill(0);
  fewest[0] = 0;
  for (let v = 1; v <= most; v++) {
    for (const s of sizesMl) {
      if (s <= v && fewest[v - s]! + 1 < fewest[v]!) {
        fewest[v] = fewest[v - s]! + 1;
        last[v] = s;
      }
    }
  }
  let totalMl = target;
  while (fewest[totalMl] === Infinity) totalMl++;
  const counts = new Map<number, number>();
  for (let v = totalMl; v > 0; v -= last[v]!) counts.set(last[v]!, (counts.get(last[v]!) ?? 0) + 1);
  const total = figure({
    label: 'Take along, sealed', value: totalMl, unit: 'mL',
    rule: `of containers of ${sizesMl.join(', ')} mL those that cover what is poured with the least left over; of equal ones the fewest`, source: ARITHMETIC, from: [needed],
  });
  return {
    containers: [...counts].map(([sizeMl, count]) => ({ sizeMl, count })).sort((a, b) => b.sizeMl - a.sizeMl),
    totalMl: total,
    leftOverMl: figure({
      label: 'Left over', value: totalMl - needed.value, unit: 'mL', rule: 'what the containers hold less what is poured', source: ARITHMETIC, from: [total, needed],
    }),
  };
}
