import type { PlanChoices } from '@brook/contract';
import { bleederName, type Layout } from '@brook/core/vehicle/circuit';
import { USUAL_DAY, USUAL_MEANS } from '@brook/core/hydraulics/flow';
import { partsAsOne, routineFlush, type Purpose, type WorkDone } from '@brook/core/bleed/scope';

/** What is said and chosen before anybody said or chose anything more than why it is here. */
export function usualChoices(
  layout: Layout,
  purpose: Purpose = 'routine flush',
  masterIds: readonly string[] = layout.masters.map((m) => m.id),
  helper: boolean = USUAL_MEANS.helper,
  { also = [], parts = [], found = [] }: Partial<Pick<WorkDone, 'also' | 'parts' | 'found'>> = {},
): PlanChoices {
  const { preferred: _, ...circumstances } = USUAL_DAY;
  const work = { ...routineFlush(masterIds), purpose, also, found };
  return {
    work: {
      ...work,
      masterIds: [...work.masterIds],
      parts: partsAsOne(layout, parts).map((p) => ({ newPart: true, ...p })),
      master: null,
      lowest: [],
      renewPockets: false,
    },
    means: { ...USUAL_MEANS, helper },
    circumstances,
    method: null,
    order: null,
    leastFluid: null,
    holdPoint: true,
    primeInPlace: false,
    leaveOldFluid: false,
    partnerAges: [],
  };
}

/** What was said and chosen, as far as a layout still has what it is about; nothing is chosen anew in silence. */
export function choicesStill(layout: Layout, choices: PlanChoices | null): PlanChoices {
  if (!choices) return usualChoices(layout);
  const { work } = choices;
  const masters = new Set(layout.masters.map((m) => m.id));
  const parts = new Set([...layout.nodes, ...layout.stretches].map((p) => p.id));
  const known = work.masterIds.filter((id) => masters.has(id));
  const keep = <T extends { readonly partId: string }>(of: readonly T[]): T[] =>
    of.filter((p) => parts.has(p.partId) || masters.has(p.partId));
  return {
    ...choices,
    work: {
      ...work,
      masterIds: known.length > 0 ? known : [...masters],
      parts: keep(work.parts),
      master: work.master && masters.has(work.master.masterId) ? work.master : null,
      lowest: work.lowest.filter((l) => layout.reservoirs.some((b) => b.id === l.reservoirId)),
    },
    partnerAges: keep(choices.partnerAges),
    leastFluid: null,
    order: choices.order === 'least fluid' ? null : choices.order,
  };
}

/** The first bleeder of a maker's order that this layout does not have, with those that it has; null when all are there. */
export function unknownBleeder(layout: Layout, order: readonly string[]): string | null {
  const unknown = order.find((id) => !layout.bleeders.some((b) => b.id === id));
  return unknown === undefined
    ? null
    : `There is no bleeder "${unknown}" in this layout; it has ${layout.bleeders.map((b) => `${b.id} (${bleederName(b)})`).join(', ')}.`;
}
