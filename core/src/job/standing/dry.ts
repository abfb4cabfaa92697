import type { Plan } from '../../bleed/plan';

/** Reservoirs that were drawn down to their outlets when a run went dry: the one of the bleeder in hand; all of them where nobody knows. */
export function reservoirsRunDry(plan: Plan, openingId: string | null): readonly string[] {
  const opening = plan.openings.find((s) => s.id === openingId);
  return opening ? [opening.reservoirId] : plan.reservoirs.map((b) => b.id);
}
