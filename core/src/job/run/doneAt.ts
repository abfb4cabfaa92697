import type { Plan } from '../../bleed/plan';
import { dangerAt, missingAt } from './nextStep';
import type { RunState } from './state';
import type { BleederState } from '../standing';

/** How a bleeder stands after what was done. */
export interface DoneAt {
  readonly bleederId: string;
  /** Whether any stroke was made at it, under any plan. */
  readonly begun: boolean;
  readonly shut: boolean;
  /** Shut, with nothing missing that leaves danger. */
  readonly clear: boolean;
  /** Clear, and its fluid renewed to the last sign: wash-out and colour. */
  readonly renewed: boolean;
  /** Why it was shut early, where somebody said so. */
  readonly early: string | null;
}

/**
 * How every bleeder stands that a run planned to open: by its openings under
 * the plan in force, else under the last plan that began it.
 */
export function doneAt(run: RunState): ReadonlyMap<string, DoneAt> {
  const done = new Map<string, DoneAt>();
  for (const { plan, bleeders } of [...run.past, run])
    for (const id of new Set(plan.openings.map((s) => s.bleeder.id))) {
      const known = done.get(id);
      const here = standing(plan, bleeders, id, known);
      // Of a plan that did not last, what was never begun leaves what was known before.
      if (plan !== run.plan && known && !here.shut && here.begun === known.begun) continue;
      done.set(id, here);
    }
  return done;
}

function standing(
  plan: Plan,
  bleeders: readonly BleederState[],
  bleederId: string,
  known: DoneAt | undefined,
): DoneAt {
  const openings = plan.openings
    .filter((s) => s.bleeder.id === bleederId)
    .map((opening) => ({ opening, b: bleeders.find((x) => x.openingId === opening.id)! }));
  const last = openings.at(-1)!;
  const shut = last.b.shut;
  const clear = shut && dangerAt(plan, last.opening, last.b).length === 0;
  return {
    bleederId,
    begun: openings.some(({ b }) => b.strokes > 0) || (known?.begun ?? false),
    shut,
    clear,
    renewed:
      clear &&
      (openings.some(({ opening }) => opening.until === 'new') || known?.renewed === true) &&
      openings.every(({ opening, b }) => b.shut && missingAt(plan, opening, b).length === 0),
    early: shut ? last.b.early : null,
  };
}
