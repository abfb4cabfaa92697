import type { VehicleKind } from '../circuit';
import type { HouseRules } from '../rules';

/** House rules that the plan takes; every one is a starting value that a person can change. */
export interface PlanPreferences
  extends Pick<
    HouseRules,
    | 'order'
    | 'pairs'
    | 'preferredMethod'
    | 'strokeShape'
    | 'pumpsBeforeHolding'
    | 'hoseEnd'
    | 'benchFill'
    | 'jointTightness'
  > {
  /** New share wanted at the outlet of every bleeder, 0.5 to 0.999. */
  readonly outletTarget: number;
  /** Reach, hose and cap at each bleeder, minutes [M]. */
  readonly minutesPerBleeder: number;
  /** One closed stroke with two people, seconds [M]. */
  readonly secondsPerStrokeTwoPeople: number;
  /** One closed stroke alone at a lever, seconds [M]. */
  readonly secondsPerStrokeLever: number;
  /** One top-up, minutes [M]. */
  readonly minutesPerTopUp: number;
  /** Fluid from one mark of the jar or syringe to the next, mL, where the flow is steady [M]. */
  readonly markMl: Readonly<Record<VehicleKind, number>>;
  /** Where the level stands at the end [C]: full, or midway to leave room for heat. */
  readonly finalLevel: Readonly<Record<VehicleKind, 'MAX' | 'midway'>>;
}

const DEFAULTS: PlanPreferences = {
  outletTarget: 0.98,
  minutesPerBleeder: 4,
  secondsPerStrokeTwoPeople: 6,
  secondsPerStrokeLever: 4,
  minutesPerTopUp: 1.5,
  markMl: { car: 10, motorcycle: 5, 'three-wheeler': 10, quad: 5, trailer: 10 },
  finalLevel: {
    car: 'MAX',
    motorcycle: 'midway',
    'three-wheeler': 'MAX',
    quad: 'midway',
    trailer: 'MAX',
  },
  order: 'farthest first',
  pairs: 'inner first',
  preferredMethod: 'none',
  strokeShape: 'by the line',
  pumpsBeforeHolding: '3',
  hoseEnd: 'submerged',
  benchFill: 'back into the reservoir',
  jointTightness: 'by feel',
};

/**
 * Fill in what was not said and check once.
 *
 * @throws RangeError naming the preference and its range
 */
export function planPreferences(given: Partial<PlanPreferences> = {}): PlanPreferences {
  const preferences = { ...DEFAULTS, ...given };
  if (!(preferences.outletTarget >= 0.5 && preferences.outletTarget <= 0.999)) {
    throw new RangeError(
      `outletTarget is ${preferences.outletTarget}; give a share between 0.5 and 0.999`,
    );
  }
  for (const key of [
    'minutesPerBleeder',
    'secondsPerStrokeTwoPeople',
    'secondsPerStrokeLever',
    'minutesPerTopUp',
  ] as const) {
    if (!(preferences[key] >= 0 && preferences[key] <= 60))
      throw new RangeError(`${key} is ${preferences[key]}; give 0 to 60`);
  }
  return preferences;
}

/** What a workshop's rules say to the plan. */
export function rulesForPlan(rules: HouseRules): Partial<PlanPreferences> {
  const {
    order,
    pairs,
    preferredMethod,
    strokeShape,
    pumpsBeforeHolding,
    hoseEnd,
    benchFill,
    jointTightness,
  } = rules;
  return {
    order,
    pairs,
    preferredMethod,
    strokeShape,
    pumpsBeforeHolding,
    hoseEnd,
    benchFill,
    jointTightness,
  };
}
