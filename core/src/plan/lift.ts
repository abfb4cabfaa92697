import { liftLayout, paths, type FirstLayout, type Layout, VEHICLE_TRAITS } from '../circuit';
import { figure, MODEL, type Figure } from '../figure';
import { USUAL_MEANS } from '../flow';
import { routineFlush } from '../scope';
import type { PlanStop } from '../stages';
import { planPreferences } from './preferences';
import { FIRST_PLAN } from './request';
import type { Plan, PlanResult, PlanTotals } from './shape';

/** A stop as the first rules stored it: one opening of each bleeder, named by the bleeder. */
interface FirstStop
  extends Pick<
    PlanStop,
    | 'chamberId'
    | 'bowlId'
    | 'pathLengthM'
    | 'pathVolumeMl'
    | 'strokeMl'
    | 'neededMl'
    | 'strokes'
    | 'bledMl'
    | 'oldLeftMl'
    | 'topUps'
  > {
  readonly bleeder: { readonly id: string };
}

/** A plan as the first rules stored it: one stage, one opening of each bleeder. */
export interface FirstPlan
  extends Pick<Plan, 'rulesVersion' | 'fillGrade' | 'newColour' | 'preparation' | 'bowls'> {
  readonly layout: FirstLayout;
  readonly stops: readonly FirstStop[];
  readonly totals: Partial<PlanTotals>;
}

/** Plans of the rules 3 and 4, and those of the first that a migration lifted: they had no id of their own. */
type StagedPlan = Omit<Plan, 'id'> & { readonly id?: string };

/** Whatever was stored as a plan. */
export type StoredPlan = StagedPlan | FirstPlan;

/**
 * A plan as it was stored, in the shape of today: its own figures and order,
 * within what a plan of today says besides. It is never planned again, so rules
 * that changed meanwhile cannot refuse it.
 *
 * @param id that it gets where it was stored without one
 */
export function liftPlan(stored: StoredPlan, id: string = FIRST_PLAN): Plan {
  if (!('stages' in stored)) return { ...fromFirst(stored), id };
  return { ...stored, id: stored.id ?? id, layout: liftLayout(stored.layout) };
}

/** A stored answer of the planning, its plan lifted. */
export function liftPlanResult(
  stored: PlanResult | { readonly verdict: 'planned'; readonly plan: StoredPlan },
): PlanResult {
  return stored.verdict === 'planned'
    ? { verdict: 'planned', plan: liftPlan(stored.plan) }
    : stored;
}

const STAGE = 'stage-1';

function fromFirst(first: FirstPlan): Omit<Plan, 'id'> {
  const layout = liftLayout(first.layout);
  const method = VEHICLE_TRAITS[layout.vehicleKind].bar ? 'alone at the lever' : 'two people';
  const preferences = planPreferences();
  const secondsPerStroke =
    method === 'two people'
      ? preferences.secondsPerStrokeTwoPeople
      : preferences.secondsPerStrokeLever;
  let inJarMl = 0;
  const stops = first.stops.map((old): PlanStop => {
    inJarMl += old.bledMl.value;
    const { bleeder, master } = pathOf(layout, old.bleeder.id);
    return {
      ...old,
      id: bleeder.id,
      stageId: STAGE,
      bleeder,
      control: master.control,
      method,
      counted: 'strokes',
      secondsPerStroke,
      fromBowl: true,
      until: 'new',
      shape: 'steady',
      why: { code: 'farthest', lengthM: old.pathLengthM.value },
      jarMl: notSaid('Jar stands at afterwards', inJarMl, 'mL'),
    };
  });
  const minutes = first.totals.minutes ?? notSaid('Hands on', 0, 'min');
  return {
    rulesVersion: first.rulesVersion,
    work: routineFlush(layout.masters.map((m) => m.id)),
    scope: {
      bleeders: layout.bleeders.map((b) => ({
        bleederId: b.id,
        open: stops.some((s) => s.bleeder.id === b.id),
        why: { code: 'flush' },
      })),
      unmet: [],
      drewAir: [],
      airInModulator: false,
      air: [],
      advice: [],
    },
    order: 'farthest first',
    searchable: [],
    method,
    methods: [],
    flows: [],
    means: USUAL_MEANS,
    fillGrade: first.fillGrade,
    newColour: first.newColour,
    preferences,
    layout,
    preparation: first.preparation,
    bowls: first.bowls,
    stages: [
      {
        id: STAGE,
        kind: 'bleed',
        purpose: 'bleed',
        method,
        stopIds: stops.map((s) => s.id),
        minutes,
      },
    ],
    stops,
    totals: { ...totalsNotSaid(stops, minutes), ...first.totals },
    materials: { items: [], timeline: [] },
  };
}

function pathOf(layout: Layout, bleederId: string) {
  const path = paths(layout).find((p) => p.bleeder.id === bleederId);
  if (!path) throw new RangeError(`the stored plan opens ${bleederId}, which its layout lacks`);
  return path;
}

/** A figure that the rules of that time did not keep. */
const notSaid = (label: string, value: number, unit: Figure['unit']): Figure =>
  figure({ label, value, unit, rule: 'not kept by the rules of that time', source: MODEL });

function totalsNotSaid(stops: readonly PlanStop[], minutes: Figure): PlanTotals {
  const sum = (of: (s: PlanStop) => number) => stops.reduce((all, s) => all + of(s), 0);
  return {
    bledMl: notSaid(
      'Fluid to bleed',
      sum((s) => s.bledMl.value),
      'mL',
    ),
    strokes: notSaid(
      'Strokes',
      sum((s) => s.strokes.value),
      'strokes',
    ),
    marks: notSaid('Marks', 0, 'marks'),
    topUps: notSaid(
      'Top-ups',
      sum((s) => s.topUps.length),
      'times',
    ),
    removedMl: notSaid('Removed from the reservoir first', 0, 'mL'),
    pouredMl: notSaid(
      'Fluid to pour',
      sum((s) => s.bledMl.value),
      'mL',
    ),
    fillings: notSaid('In fillings of the reservoir', 0, 'ratio'),
    minutes,
    waitingMinutes: notSaid('Waiting', 0, 'min'),
    oldLeftMl: notSaid(
      'Old fluid left inside',
      sum((s) => s.oldLeftMl.value),
      'mL',
    ),
    pocketsMl: notSaid('Old fluid in closed pockets', 0, 'mL'),
  };
}
