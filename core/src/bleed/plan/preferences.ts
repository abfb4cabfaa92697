import type { VehicleKind } from '../../vehicle/circuit';
import { AMOUNTS, DEFAULT_RULES, type HouseRules } from '../rules';
import { inRange, rangeWords, type Range } from '../../base/units';

/** New share that may be wanted at an outlet: below it most of the fluid stays old, above it none would ever do [M]. */
export const OUTLET_TARGET: Range = { what: 'outletTarget', unit: '', least: 0.5, most: 0.999 };

/** Times that a workshop knows of itself. */
const TIMES = [
  'minutesPerBleeder',
  'minutesPerTopUp',
  'secondsPerStrokeTwoPeople',
  'secondsPerStrokeLever',
  'secondsPerStrokeBottle',
] as const;

/** House rules that the plan takes as they are. */
const PLAN_RULES = [
  'order',
  'pairs',
  'preferredMethod',
  'strokeShape',
  'pumpsBeforeHolding',
  'hoseEnd',
  'benchFill',
  'joinWay',
  'jointTightness',
  'reservoirWay',
  'pickMargin',
  // Not for the plan itself: what is proved under it goes by the rules of its day, also where no fluid is read.
  'altitudeM',
  'proofPhotos',
  ...TIMES,
] as const;
type PlanRule = (typeof PLAN_RULES)[number];

/** House rules that the plan takes; every one is a starting value that a person can change. */
export interface PlanPreferences extends Pick<HouseRules, PlanRule> {
  /** New share wanted at the outlet of every bleeder, 0.5 to 0.999. */
  readonly outletTarget: number;
  /** Fluid from one mark of the jar or syringe to the next, mL, where the flow is steady [M]. */
  readonly markMl: Readonly<Record<VehicleKind, number>>;
  /** Where the level stands at the end [C]: full, or midway to leave room for heat. */
  readonly finalLevel: Readonly<Record<VehicleKind, 'MAX' | 'midway'>>;
}

const DEFAULTS: PlanPreferences = {
  markMl: { car: 10, motorcycle: 5, 'three-wheeler': 10, quad: 5, trailer: 10 },
  finalLevel: {
    car: 'MAX',
    motorcycle: 'midway',
    'three-wheeler': 'MAX',
    quad: 'midway',
    trailer: 'MAX',
  },
  ...rulesForPlan(DEFAULT_RULES),
};

/**
 * Fill in what was not said and check once.
 *
 * @throws RangeError naming the preference and its range
 */
export function planPreferences(given: Partial<PlanPreferences> = {}): PlanPreferences {
  const preferences = { ...DEFAULTS, ...given };
  if (!inRange(OUTLET_TARGET, preferences.outletTarget))
    throw new RangeError(
      `outletTarget is ${preferences.outletTarget}; give a share of ${rangeWords(OUTLET_TARGET)}`,
    );
  for (const key of TIMES)
    if (!inRange(AMOUNTS[key], preferences[key]))
      throw new RangeError(`${key} is ${preferences[key]}; give ${rangeWords(AMOUNTS[key])}`);
  return preferences;
}

/** What a workshop's rules say to the plan. */
export function rulesForPlan(
  rules: HouseRules,
): Pick<HouseRules, PlanRule> & Pick<PlanPreferences, 'outletTarget'> {
  const taken = Object.fromEntries(PLAN_RULES.map((key) => [key, rules[key]])) as Pick<
    HouseRules,
    PlanRule
  >;
  return { ...taken, outletTarget: Number(rules.newAtOutlet) / 100 };
}
