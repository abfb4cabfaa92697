import type { VehicleSummary } from '@brook/contract';

/** Vehicles shown at once: what nobody scrolls through is found by a word of it. */
export const SHOWN_AT_ONCE = 40;

/**
 * Vehicles of which every word that was typed stands somewhere in name, tag or
 * layout, in the order given; all of them while nothing is typed.
 *
 * @param query any case; accents count
 */
export function findVehicles<T extends Pick<VehicleSummary, 'name' | 'tag' | 'layoutName'>>(
  vehicles: readonly T[],
  query: string,
): T[] {
  const words = query.toLocaleLowerCase().split(/\s+/).filter(Boolean);
  return vehicles.filter((v) => {
    const said = `${v.name} ${v.tag} ${v.layoutName}`.toLocaleLowerCase();
    return words.every((w) => said.includes(w));
  });
}
