import { METHOD_TRAITS } from '../../hydraulics/flow';
import type { PlanOpening } from '../../bleed/stages';
import { TRIES, type Try } from '../events';
import type { BleederState } from '../standing';

/** So many equal readings in a row, with strokes between them, bring up what to try [C]. */
const EQUAL = 3;

/** What can be tried at this opening at all. */
function canTry(opening: PlanOpening, what: Try): boolean {
  switch (what) {
    case 'open less':
      return opening.bleeder.type === 'screw';
    case 'flick it':
    case 'another stroke':
      return METHOD_TRAITS[opening.method].kind === 'strokes';
    case 'tap it':
    case 'turn it up':
    case 'wait':
    case 'another method':
      return true;
  }
}

/**
 * What to try next at a bleeder whose bubbles stay the same; null where they do
 * not, where everything was tried, and under vacuum, where bubbles are no measure.
 */
export function tryNext(opening: PlanOpening, b: BleederState): Try | null {
  if (b.equalBubbles < EQUAL || opening.method === 'vacuum') return null;
  return TRIES.find((t) => canTry(opening, t) && !b.tried.some((x) => x.what === t)) ?? null;
}
