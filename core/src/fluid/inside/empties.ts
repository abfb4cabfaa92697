import { paths, type Layout } from '../../vehicle/circuit';
import { toFillMl, volumesMl, type Inside } from './content';

/** What is empty on the ways to the bleeders, mL by element; what is full is not in it. */
export type Empties = Readonly<Record<string, number>>;

/** What must be filled somewhere on the ways, by the content at the beginning. Reservoirs and closed pockets are on no way. */
export function emptiesOf(layout: Layout, inside: Inside): Empties {
  const onWays = new Set(paths(layout).flatMap((p) => wayOf(p)));
  return Object.fromEntries(
    Object.entries(inside).flatMap(([id, content]) => {
      const ml = toFillMl(content);
      return ml > 0 && onWays.has(id) ? [[id, ml]] : [];
    }),
  );
}

/** Ways of a layout, found once: a run asks at every stroke. */
const ways = new WeakMap<Layout, ReadonlyMap<string, readonly string[]>>();

/** Elements that the fluid passes on its way to a bleeder, in order from the master. */
export function wayTo(layout: Layout, bleederId: string): readonly string[] {
  let known = ways.get(layout);
  if (!known) {
    known = new Map(paths(layout).map((p) => [p.bleeder.id, wayOf(p)]));
    ways.set(layout, known);
  }
  return known.get(bleederId) ?? [];
}

const wayOf = ({ chamber, points, stretches }: ReturnType<typeof paths>[number]): string[] => [
  chamber.id,
  ...points.flatMap(({ node }, i) => [node.id, ...(stretches[i] ? [stretches[i].id] : [])]),
];

/** What came off now is empty. */
export function emptied(layout: Layout, empties: Empties, ids: readonly string[]): Empties {
  const volumes = volumesMl(layout);
  return {
    ...empties,
    ...Object.fromEntries(ids.flatMap((id) => (volumes.has(id) ? [[id, volumes.get(id)!]] : []))),
  };
}

/** What is still empty on one way, mL. */
export function emptyOnWayMl(empties: Empties, way: readonly string[]): number {
  return way.reduce((sum, id) => sum + (empties[id] ?? 0), 0);
}

/**
 * Move some fluid along a way: it fills what is empty, nearest to where it
 * comes from first, and only the rest passes.
 *
 * @param way in the direction of the flow
 * @returns what is empty afterwards, and what passed, mL
 */
export function swallow(
  empties: Empties,
  way: readonly string[],
  ml: number,
): { readonly empties: Empties; readonly passedMl: number } {
  if (emptyOnWayMl(empties, way) === 0) return { empties, passedMl: ml };
  const next = { ...empties };
  let passedMl = ml;
  for (const id of way) {
    const emptyMl = next[id] ?? 0;
    const takesMl = Math.min(emptyMl, passedMl);
    passedMl -= takesMl;
    if (emptyMl - takesMl > TINY_ML) next[id] = emptyMl - takesMl;
    else delete next[id];
  }
  return { empties: next, passedMl: passedMl > TINY_ML ? passedMl : 0 };
}

/** What rounding may leave of a part that was filled, mL. */
const TINY_ML = 1e-9;
