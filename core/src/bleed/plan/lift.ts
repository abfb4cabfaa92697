import {
  liftLayout,
  paths,
  type FirstLayout,
  type Layout,
  VEHICLE_TRAITS,
} from '../../vehicle/circuit';
import { figure, MODEL, type Figure } from '../../base/figure';
import { USUAL_MEANS } from '../../hydraulics/flow';
import { portions, type Inside } from '../../fluid/inside';
import { insideAtStart, routineFlush, type Purpose } from '../scope';
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

/** What the rules before 6 did not keep: what is inside, and what an empty way swallows; those before 8 did nothing about the rest in the bowls. */
type WithoutInside<T, K extends keyof T> = Omit<T, K> & Partial<Pick<T, K>>;
type StagedStop = WithoutInside<PlanStop, 'mostStrokeMl' | 'mostMlS' | 'fillMl'>;

/** Plans of the rules 3 to 7, and those of the first that a migration lifted: those before 5 had no id of their own. */
interface StagedPlan
  extends WithoutInside<Omit<Plan, 'stops' | 'totals'>, 'id' | 'inside' | 'treatment'> {
  readonly stops: readonly StagedStop[];
  readonly totals: WithoutInside<PlanTotals, 'filledMl'>;
}

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
  const layout = liftLayout(stored.layout);
  return {
    ...stored,
    id: stored.id ?? id,
    layout,
    inside: stored.inside ?? insideThen(layout, stored.work.purpose, stored.bowls),
    treatment: stored.treatment ?? null,
    preferences: {
      // What could not be preferred then, and kinds of vehicle that came later, had no part in it.
      ...planPreferences(),
      ...stored.preferences,
      finalLevel: { ...planPreferences().finalLevel, ...stored.preferences.finalLevel },
      markMl: { ...planPreferences().markMl, ...stored.preferences.markMl },
    },
    stops: stored.stops.map(liftStop),
    totals: { ...stored.totals, filledMl: stored.totals.filledMl ?? NOTHING_SWALLOWED },
  };
}

/** A stored answer of the planning, its plan lifted. */
export function liftPlanResult(
  stored: PlanResult | { readonly verdict: 'planned'; readonly plan: StoredPlan },
): PlanResult {
  return stored.verdict === 'planned'
    ? { verdict: 'planned', plan: liftPlan(stored.plan) }
    : stored;
}

/** Nothing was reckoned as empty, and calls went by the bleeding stroke. */
function liftStop(stop: StagedStop): PlanStop {
  return {
    ...stop,
    mostStrokeMl: stop.mostStrokeMl ?? stop.strokeMl,
    mostMlS: stop.mostMlS ?? null,
    fillMl: stop.fillMl ?? NOTHING_SWALLOWED,
  };
}

/** What the rules of that time took as inside: old fluid everywhere, of a new or dry system nothing above the outlets. */
function insideThen(layout: Layout, purpose: Purpose, bowls: Plan['bowls']): Inside {
  const full = insideAtStart({
    layout,
    work: routineFlush([]),
    air: new Set(),
    before: null,
    inSystem: null,
    benched: [],
    benchedSets: [],
  });
  if (purpose !== 'new or dry') return full;
  const low = bowls.flatMap((b) => {
    const held = full[b.id];
    const share = b.airDrawnMl / b.maxMl;
    return held
      ? [[b.id, { ...held, old: portions(held.old, share), emptyMl: b.maxMl - b.airDrawnMl }]]
      : [];
  });
  return { ...full, ...Object.fromEntries(low) };
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
      mostStrokeMl: old.strokeMl,
      mostMlS: null,
      fillMl: NOTHING_SWALLOWED,
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
    inside: insideThen(layout, 'routine flush', first.bowls),
    preparation: first.preparation,
    treatment: null,
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

const NOTHING_SWALLOWED = notSaid('Swallowed before fluid comes', 0, 'mL');

function totalsNotSaid(stops: readonly PlanStop[], minutes: Figure): PlanTotals {
  const sum = (of: (s: PlanStop) => number) => stops.reduce((all, s) => all + of(s), 0);
  return {
    bledMl: notSaid(
      'Fluid to bleed',
      sum((s) => s.bledMl.value),
      'mL',
    ),
    filledMl: NOTHING_SWALLOWED,
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
    fillings: notSaid('In reservoirs', 0, 'ratio'),
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
