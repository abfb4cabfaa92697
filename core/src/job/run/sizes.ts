import {
  chambersOf,
  sizeIn,
  sizeValue,
  sizeWords,
  withSizes,
  type Layout,
  type SizeFound,
} from '../../vehicle/circuit';
import { ARITHMETIC, figure } from '../../base/figure';
import { scaled, volumeMl, volumesMl, type Inside } from '../../fluid/inside';
import { fullStrokeVolume, strokeVolume } from '../../hydraulics/order';
import type { Plan } from '../../bleed/plan';
import { sizesBrought, type PlanOpening } from '../../bleed/stages';
import type { Logged, RunEvent } from '../events';

/** Sizes that one event tells: put down by themselves, or measured on a new part that fits. */
export function sizesTold(accepted: Plan, plans: readonly Plan[], event: RunEvent): SizeFound[] {
  if (event.kind === 'size found') return [event];
  if (event.kind !== 'part compared') return [];
  const stage = plans.flatMap((p) => p.stages).find((s) => s.id === event.stageId);
  // What the layout guessed is told by the plan that was accepted: a later one has been told already.
  return stage?.kind === 'right part' ? sizesBrought(accepted, stage, event) : [];
}

/** Every size that a log tells, in its order. */
export function sizesIn(accepted: Plan, events: readonly RunEvent[]): SizeFound[] {
  const plans = [accepted];
  return events.flatMap((event) => {
    if (event.kind === 'decided' && event.plan) plans.push(event.plan);
    return sizesTold(accepted, plans, event);
  });
}

/** What one event of a log told, and what the layout had before it. */
export function sizesBefore(
  accepted: Plan,
  log: readonly Logged<RunEvent>[],
  eventId: string,
): { readonly told: readonly SizeFound[]; readonly before: readonly SizeFound[] } {
  const at = log.findIndex((e) => e.id === eventId);
  const earlier = sizesIn(accepted, log.slice(0, at));
  const told = sizesIn(accepted, log.slice(0, at + 1)).slice(earlier.length);
  const layout = withSizes(accepted.layout, earlier);
  return {
    told,
    before: told.flatMap((s) => {
      const value = sizeIn(layout, s);
      return value === null ? [] : [{ ...s, value }];
    }),
  };
}

/**
 * A plan as it reads by the sizes of this vehicle: what a stroke moves, how
 * many it takes, what the parts hold. A size that is found was so all along,
 * so strokes that were made before it was found count by it too. The fluid that
 * the plan wants stays as it was until the rest is planned anew.
 */
export function bySizes(plan: Plan, sizes: readonly SizeFound[]): Plan {
  const layout = withSizes(plan.layout, sizes);
  if (layout === plan.layout) return plan;
  return {
    ...plan,
    layout,
    inside: insideBy(plan.inside, layout),
    openings: plan.openings.map((s) => openingBy(s, layout)),
  };
}

function openingBy(opening: PlanOpening, layout: Layout): PlanOpening {
  const bleeder = layout.bleeders.find((b) => b.id === opening.bleeder.id)!;
  if (opening.counted !== 'strokes') return { ...opening, bleeder };
  const { chamber } = chambersOf(layout).find((c) => c.chamber.id === opening.chamberId)!;
  const strokeMl = strokeVolume(chamber);
  const mostStrokeMl = fullStrokeVolume(chamber);
  if (
    strokeMl.value === opening.strokeMl.value &&
    mostStrokeMl.value === opening.mostStrokeMl.value
  )
    return { ...opening, bleeder };
  const strokes = figure({
    ...opening.strokes,
    // Three that must be clear stay three, whatever one of them moves.
    value:
      opening.until === 'clear'
        ? opening.strokes.value
        : Math.max(3, Math.ceil(opening.neededMl.value / strokeMl.value - 1e-9)),
    source: ARITHMETIC,
    from: [opening.neededMl, strokeMl],
  });
  return { ...opening, bleeder, strokeMl, mostStrokeMl, strokes };
}

/** What is inside, where a part holds more or less than was guessed: pro rata. */
function insideBy(inside: Inside, layout: Layout): Inside {
  return Object.fromEntries(
    [...volumesMl(layout)].flatMap(([id, ml]) => {
      const was = inside[id];
      if (!was) return [];
      const wasMl = volumeMl(was);
      return [[id, wasMl > 0 && wasMl !== ml ? scaled(was, ml / wasMl) : was]];
    }),
  );
}

/** What is another size than it was taken for, in short sentences. */
export function sizeChanges(
  layout: Layout,
  told: readonly SizeFound[],
  before: readonly SizeFound[],
): string[] {
  return told.flatMap((s) => {
    const was = before.find((b) => b.elementId === s.elementId && b.size === s.size);
    return was?.value === s.value
      ? []
      : [`${sizeWords(layout, s)}${was ? `, before ${sizeValue(layout, was)}` : ''}.`];
  });
}
