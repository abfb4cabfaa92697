import type { Bleeder, Control, Layout, LayoutFault, Path } from '../circuit';
import { paths, validateLayout } from '../circuit';
import type { Figure } from '../figure';
import type { Colour, Grade } from '../fluid';
import { CircuitFluid } from '../washout';
import { farthestFirst, type OrderedPath, type OrderReason } from './bleedOrder';
import { PREPARATION, type PreparationStep } from './preparation';
import { planPreferences, type PlanPreferences } from './preferences';
import { strokeVolume } from './strokeVolume';
import { stopFigures, totalFigures } from './planFigures';
import { topUpLevel } from './topUp';

/** Version of the rules by which a plan was made; stored with it. */
export const RULES_VERSION = 2;

export interface PlanRequest {
  readonly layout: Layout;
  readonly scope: 'routine flush';
  readonly fillGrade: Grade;
  /** Colour of the new fluid as seen in its container. */
  readonly newColour: Colour;
  readonly preferences?: Partial<PlanPreferences>;
}

/** A call to top up a bowl before the stroke that follows. */
export interface PlannedTopUp {
  readonly bowlId: string;
  /** Strokes made at this bleeder before the call. */
  readonly afterStrokes: number;
  readonly pouredMl: number;
}

/** One bleeder in the plan. */
export interface PlanStop {
  readonly bleeder: Bleeder;
  readonly chamberId: string;
  readonly bowlId: string;
  readonly why: OrderReason;
  readonly pathLengthM: Figure;
  readonly pathVolumeMl: Figure;
  readonly strokeMl: Figure;
  /** Fluid until the outlet is as new as wanted. */
  readonly neededMl: Figure;
  readonly strokes: Figure;
  /** Fluid in the whole strokes. */
  readonly bledMl: Figure;
  /** Old fluid that stays on this path when the plan is through. */
  readonly oldLeftMl: Figure;
  readonly topUps: readonly PlannedTopUp[];
}

/** A bowl of the reservoir as the plan uses it. */
export interface PlanBowl {
  readonly id: string;
  readonly name: string;
  readonly maxMl: number;
  readonly minMl: number;
  readonly airDrawnMl: number;
  readonly topUpLevelMl: Figure;
  readonly finalLevelMl: number;
}

/** The whole plan, a value: the same request gives the same plan. */
export interface Plan {
  readonly rulesVersion: number;
  readonly scope: 'routine flush';
  readonly school: 'farthest first';
  readonly method: 'two people, closed strokes' | 'alone, closed strokes at the lever';
  readonly control: Control;
  readonly fillGrade: Grade;
  readonly newColour: Colour;
  readonly preferences: PlanPreferences;
  readonly layout: Layout;
  readonly preparation: readonly PreparationStep[];
  readonly bowls: readonly PlanBowl[];
  readonly stops: readonly PlanStop[];
  readonly totals: PlanTotals;
}

export interface PlanTotals {
  readonly bledMl: Figure;
  readonly strokes: Figure;
  readonly topUps: Figure;
  /** Drawn off the reservoir before the first stroke. */
  readonly removedMl: Figure;
  /** Out of containers: refill, top-ups and the last fill. */
  readonly pouredMl: Figure;
  readonly minutes: Figure;
  readonly oldLeftMl: Figure;
  /** Old fluid in closed pockets that no stroke reaches; 0 without a modulator. */
  readonly pocketsMl: Figure;
}

export type PlanRefusal =
  | { readonly code: 'bad layout'; readonly faults: readonly LayoutFault[] }
  | { readonly code: 'modulator bleeder'; readonly element: string; readonly name: string }
  | { readonly code: 'no stroke before top-up'; readonly element: string; readonly name: string }
  | { readonly code: 'never new'; readonly element: string; readonly name: string };

export type PlanResult =
  | { readonly verdict: 'planned'; readonly plan: Plan }
  | { readonly verdict: 'refused'; readonly reasons: readonly PlanRefusal[] };

/** Strokes at one bleeder beyond which a plan is not one a person would carry out [M]. */
const MOST_STROKES = 600;

/** What the simulation found at one bleeder; figures are made of it afterwards. */
export interface SimulatedStop {
  readonly ordered: OrderedPath;
  readonly strokeMl: Figure;
  readonly neededMl: number;
  readonly strokes: number;
  readonly topUps: PlannedTopUp[];
}

/**
 * Plan a routine flush: which bleeders in which order and why, how much fluid
 * and how many strokes at each by simulating the wash-out, where to top up,
 * how long.
 */
export function planBleed(request: PlanRequest): PlanResult {
  const { layout } = request;
  const faults = validateLayout(layout);
  if (faults.length > 0) return refused({ code: 'bad layout', faults });
  const preferences = planPreferences(request.preferences);
  const own = layout.nodes.find((n) => n.kind === 'modulator' && layout.bleeders.some((b) => b.at === n.id));
  if (own) return refused({ code: 'modulator bleeder', element: own.id, name: own.name });

  const bowls = layout.reservoir.chambers.map((c): PlanBowl => {
    const final = preferences.finalLevel[layout.vehicleKind];
    return { ...c, topUpLevelMl: topUpLevel(c), finalLevelMl: final === 'MAX' ? c.maxMl : (c.maxMl + c.minMl) / 2 };
  });
  const fluid = new CircuitFluid(layout);
  let removedMl = 0;
  let pouredMl = 0;
  for (const bowl of bowls) {
    removedMl += fluid.emptyBowl(bowl.id);
    pouredMl += fluid.fillBowl(bowl.id, bowl.maxMl);
  }
  const simulated: SimulatedStop[] = [];
  for (const ordered of farthestFirst(layout, paths(layout))) {
    const stop = bleedOne(fluid, ordered, bowls, preferences.outletTarget);
    if ('code' in stop) return refused(stop);
    simulated.push(stop);
    pouredMl += stop.topUps.reduce((sum, t) => sum + t.pouredMl, 0);
  }
  for (const bowl of bowls) pouredMl += fluid.fillBowl(bowl.id, bowl.finalLevelMl);

  const stops = simulated.map((s): PlanStop => ({
    bleeder: s.ordered.path.bleeder,
    chamberId: s.ordered.path.chamber.id,
    bowlId: s.ordered.path.chamber.fedBy,
    why: s.ordered.why,
    ...stopFigures(s, preferences, fluid.oldOnPathMl(s.ordered.path.bleeder.id)),
    topUps: s.topUps,
  }));
  const totals = totalFigures({ layout, stops, preferences, removedMl, pouredMl, oldLeftMl: fluid.oldInLinesMl() });
  return {
    verdict: 'planned',
    plan: {
      rulesVersion: RULES_VERSION,
      scope: request.scope,
      school: 'farthest first',
      method: layout.vehicleKind === 'motorcycle' ? 'alone, closed strokes at the lever' : 'two people, closed strokes',
      control: layout.master.control,
      fillGrade: request.fillGrade,
      newColour: request.newColour,
      preferences,
      layout,
      preparation: PREPARATION[layout.vehicleKind],
      bowls,
      stops,
      totals,
    },
  };
}

function bleedOne(fluid: CircuitFluid, ordered: OrderedPath, bowls: readonly PlanBowl[], target: number): SimulatedStop | PlanRefusal {
  const { path } = ordered;
  const strokeMl = strokeVolume(path.chamber);
  const bowl = bowls.find((b) => b.id === path.chamber.fedBy)!;
  const place = { element: path.bleeder.id, name: path.bleeder.place };
  if (bowl.maxMl - strokeMl.value < bowl.topUpLevelMl.value) return { code: 'no stroke before top-up', element: bowl.id, name: bowl.name };
  const topUps: PlannedTopUp[] = [];
  let strokes = 0;
  let before = fluid.outletNewShare(path.bleeder.id);
  let after = before;
  while (after < target) {
    if (strokes >= MOST_STROKES) return { code: 'never new', ...place };
    if (fluid.levelMl(bowl.id) - strokeMl.value < bowl.topUpLevelMl.value - 1e-9) {
      topUps.push({ bowlId: bowl.id, afterStrokes: strokes, pouredMl: fluid.fillBowl(bowl.id, bowl.maxMl) });
    }
    before = after;
    after = fluid.bleed(path.bleeder.id, strokeMl.value);
    strokes++;
  }
  // The outlet passes the target somewhere within the last stroke; between its ends it is taken as straight.
  const lastPart = strokes === 0 ? 0 : after === before ? 1 : (target - before) / (after - before);
  const neededMl = strokes === 0 ? 0 : (strokes - 1 + lastPart) * strokeMl.value;
  return { ordered, strokeMl, neededMl, strokes, topUps };
}

function refused(...reasons: PlanRefusal[]): PlanResult {
  return { verdict: 'refused', reasons };
}

/** All paths of a plan in its order, for those who draw it. */
export function planPaths(plan: Pick<Plan, 'layout' | 'stops'>): Path[] {
  const all = paths(plan.layout);
  return plan.stops.map((s) => all.find((p) => p.bleeder.id === s.bleeder.id)!);
}
