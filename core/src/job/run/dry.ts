import type { Plan } from '../../bleed/plan';

/** Reservoirs that were drawn down to their outlets when a run went dry: the one of the bleeder in hand; all of them where nobody knows. */
export function reservoirsRunDry(plan: Plan, stopId: string | null): readonly string[] {
  const stop = plan.stops.find((s) => s.id === stopId);
  return stop ? [stop.reservoirId] : plan.reservoirs.map((b) => b.id);
}
