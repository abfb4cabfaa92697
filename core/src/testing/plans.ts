import { type DriverSide, type Layout } from '../vehicle/circuit';
import { templateById, type TemplateId } from '../vehicle/circuit/templates';
import type { Means } from '../hydraulics/flow';
import { planBleed, refusalWords, type Plan, type PlanRequest } from '../bleed/plan';
import { routineFlush, type MasterChanged, type WorkDone } from '../bleed/scope';

/** A template's layout, by default with the driver on the right where there is a choice. */
export function layoutOf(id: TemplateId, side?: DriverSide): Layout {
  const template = templateById(id)!;
  return template.build(side ?? template.driverSides[0]!);
}

/** The plan of a routine flush of a layout that can be planned. */
export function planOf(of: TemplateId | Layout, side?: DriverSide): Plan {
  const layout = typeof of === 'string' ? layoutOf(of, side) : of;
  const result = planBleed({ layout, fillGrade: 'DOT 4', newColour: 'straw' });
  if (result.verdict === 'refused') throw new Error(`refused: ${JSON.stringify(result.reasons)}`);
  return result.plan;
}

/** Ids that count up, for logs made in tests. */
export function countingIds(prefix = 'e'): () => string {
  let n = 0;
  return () => `${prefix}${++n}`;
}

/** Everything that a workshop may have at hand, but for a bottle that keeps the reservoir full by itself: then nobody is called. */
export const EVERYTHING: Means = {
  helper: true,
  bottle: true,
  vacuumPump: true,
  pressurePot: true,
  syringe: true,
  selfRefilling: false,
  scanTool: true,
};

export const allMasters = (layout: Layout): string[] => layout.masters.map((m) => m.id);

/** Work after which nothing else is said. */
export const afterWork = (layout: Layout, more: Partial<WorkDone>): WorkDone => ({
  ...routineFlush(allMasters(layout)),
  purpose: 'after work',
  ...more,
});

/** A master that was changed with every care: then no wheel need be opened [C]. */
export const carefulMaster = (masterId = 'master'): MasterChanged => ({
  masterId,
  linesStayedFull: true,
  linesAboveWheels: true,
  nothingElseOpened: true,
  modulatorLostNothing: true,
  heldDown: true,
  bench: 'clean',
});

/** An old part that was off, everything about it kept full. */
export const cappedPart = (partId: string) => ({
  partId,
  cappedAtOnce: true,
  keptFull: true,
  newPart: false,
});

/** A flush with everything at hand, unless somebody says otherwise. */
export const requestOf = (layout: Layout, more: Partial<PlanRequest> = {}): PlanRequest => ({
  layout,
  fillGrade: 'DOT 4',
  newColour: 'straw',
  means: EVERYTHING,
  ...more,
});

export function planned(layout: Layout, more: Partial<PlanRequest> = {}): Plan {
  const result = planBleed(requestOf(layout, more));
  if (result.verdict === 'refused')
    throw new Error(result.reasons.map((r) => refusalWords(layout, r)).join(' '));
  return result.plan;
}
