import type { SizeFound } from '../../vehicle/circuit';
import { emptiesOf } from '../../fluid/inside';
import type { Plan } from '../../bleed/plan';
import type { Logged, RunEvent } from '../events';
import { freshBleeder, levelsAtFirst, type RunStanding } from '../standing';
import { bySizes } from './sizes';

/** State of a run: a fold over its log. */
export interface RunState extends RunStanding {
  /** Events in effect, in log order, decisions with the plan that followed. */
  readonly log: readonly Logged<RunEvent>[];
}

/** State before the first event: what is inside by the plan and by the sizes that will be found, every bleeder shut. */
export function emptyRun(accepted: Plan, sizes: readonly SizeFound[] = []): RunState {
  const plan = bySizes(accepted, sizes);
  const levelMl = levelsAtFirst(plan);
  return {
    accepted,
    sizes,
    plan,
    past: [],
    prepared: [],
    pressureOn: false,
    fitted: [],
    bleeders: plan.openings.map((s) => freshBleeder(s.id)),
    levelMl,
    leastMl: levelMl,
    empties: emptiesOf(plan.layout, plan.inside),
    leftShut: new Map(),
    stages: {},
    removedMl: 0,
    pouredMl: 0,
    pouredFromMl: {},
    bledMl: 0,
    jar: { standsMl: 0, seen: false, unread: false, since: [] },
    topUps: 0,
    halts: [],
    ended: null,
    openedAtMs: null,
    counting: null,
    asked: [],
    log: [],
  };
}
