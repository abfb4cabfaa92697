import type { Layout, Path } from '../circuit';

/** Why a bleeder stands where it does in the order. */
export type OrderReason =
  | { readonly code: 'only' }
  | { readonly code: 'farthest'; readonly lengthM: number }
  | { readonly code: 'next farthest'; readonly lengthM: number; readonly before: number }
  | { readonly code: 'equal, away from the driver'; readonly lengthM: number };

/** A path with the reason for its place in the order. */
export interface OrderedPath {
  readonly path: Path;
  readonly why: OrderReason;
}

/**
 * Farthest first: descending hydraulic path length from the master's port, by
 * the layout [C]. Paths that agree to the centimetre count as equal; of those
 * the side away from the driver comes first [M].
 */
export function farthestFirst(layout: Layout, all: readonly Path[]): OrderedPath[] {
  const sorted = [...all].sort(
    (a, b) => centimetres(b) - centimetres(a) || nearDriver(layout, a) - nearDriver(layout, b) || a.bleeder.id.localeCompare(b.bleeder.id),
  );
  return sorted.map((path, i) => ({ path, why: reasonFor(path, sorted[i - 1], sorted[i + 1]) }));
}

function reasonFor(path: Path, before: Path | undefined, after: Path | undefined): OrderReason {
  const lengthM = path.lengthM.value;
  if (!before && !after) return { code: 'only' };
  if (after && centimetres(after) === centimetres(path)) return { code: 'equal, away from the driver', lengthM };
  if (!before) return { code: 'farthest', lengthM };
  return { code: 'next farthest', lengthM, before: before.lengthM.value };
}

const centimetres = (path: Path): number => Math.round(path.lengthM.value * 100);

function nearDriver(layout: Layout, path: Path): number {
  return layout.driverSide !== 'middle' && path.bleeder.place.startsWith(layout.driverSide) ? 1 : 0;
}
