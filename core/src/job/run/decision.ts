import { refusalWords } from '../../bleed/plan';
import { DECISIONS_ON, type RunEvent } from '../events';
import { planOnward } from './onward';
import type { RunState } from './state';

/** The sentence for a decision that is not open on its halt as the run stands, or null. */
export function decisionFault(
  state: RunState,
  event: Extract<RunEvent, { readonly kind: 'decided' }>,
): string | null {
  const halt = state.halts.find((h) => h.eventId === event.haltId);
  // A halt that was taken back meanwhile, or was decided on already: the decision is kept and changes nothing.
  if (!halt || halt.decision !== null) return null;
  const offered = DECISIONS_ON[halt.reason];
  if (!offered.includes(event.decision))
    return `"${event.decision}" is not open after "${halt.reason}"; it should be one of ${offered.join(', ')}.`;
  if (event.decision === 'go on' || event.decision === 'end job') return null;
  const onward = planOnward(state, halt, event.decision, event.id);
  if (onward.verdict === 'planned') return null;
  const why = onward.reasons.map((r) => refusalWords(state.plan.layout, r)).join(' ');
  return `The rest cannot be planned like this. ${why}`;
}
