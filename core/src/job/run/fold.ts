import { inOneGo, reduceSliced, type Sliced } from '../../base/slices';
import { changesTheSums, withSizes } from '../../vehicle/circuit';
import type { Plan } from '../../bleed/plan';
import { foldOf, isOnward, keptOf, type Logged, type RunEvent } from '../events';
import { decidedOn, halt, plansOf, undecided } from '../standing';
import { planOnward } from './onward';
import { bySizes, sizesIn, sizesTold } from './sizes';
import { emptyRun, type RunState } from './state';

/** Events of a log that are folded before somebody else may be served. */
export const SLICE_EVENTS = 250;

/**
 * State of a run from the events in effect, in log order: undos are resolved
 * before. The same everywhere: phone, server, record. What one event does stands
 * with its kind.
 *
 * @param plan the one that was accepted
 */
export const foldRun = (plan: Plan, events: readonly Logged<RunEvent>[]): RunState =>
  inOneGo(foldingRun(plan, events));

/** The same in slices. */
export function foldingRun(plan: Plan, events: readonly Logged<RunEvent>[]): Sliced<RunState> {
  // One list grows with the fold: copying it at each event would cost the square of its length.
  const log: Logged<RunEvent>[] = [];
  const first = { ...emptyRun(plan, sizesIn(plan, events)), log };
  return reduceSliced<Logged<RunEvent>, RunState>(
    events,
    (state, event) => apply(state, event, log),
    first,
    SLICE_EVENTS,
  );
}

/** One event on top of a state that nobody else goes on from. */
export function foldEvent(state: RunState, event: Logged<RunEvent>): RunState {
  // A size that is found was so all along: the run is read again by it.
  if (sizesTold(state.accepted, plansOf(state), event).length > 0)
    return foldRun(state.accepted, [...state.log, event]);
  const log = [...state.log];
  return apply({ ...state, log }, event, log);
}

function apply(state: RunState, event: Logged<RunEvent>, log: Logged<RunEvent>[]): RunState {
  const otherSize = asksAnew(state, event, log);
  const kept = event.kind === 'decided' ? withPlan(state, event) : keptOf(state, event);
  log.push(kept);
  const next = foldOf(state, kept);
  return {
    ...(otherSize ? halt(next, { eventId: event.id, reason: 'other size' }) : next),
    log,
  };
}

/** Whether an event tells a size by which the rest must be worked out anew, and nothing asks for that yet. */
function asksAnew(
  state: RunState,
  event: Logged<RunEvent>,
  log: readonly Logged<RunEvent>[],
): boolean {
  const { accepted } = state;
  const told = sizesTold(accepted, plansOf(state), event);
  if (told.length === 0 || state.halts.some((h) => h.reason === 'other size' && !h.decision))
    return false;
  return changesTheSums(withSizes(accepted.layout, sizesIn(accepted, log)), told);
}

type Decided = Logged<Extract<RunEvent, { readonly kind: 'decided' }>>;

/** A decision with the plan of the rest that follows: null where the plan stays, none where the rest cannot be planned like this. */
function withPlan(state: RunState, event: Decided): Decided {
  const { haltId, decision, plan } = event;
  const on = undecided(state, haltId);
  if (!on || !isOnward(decision)) return { ...event, plan: null };
  if (plan !== undefined) return { ...event, plan: plan && bySizes(plan, state.sizes) };
  const onward = planOnward(decidedOn(state, on, decision), on, decision, event.id);
  if (onward.verdict === 'refused') return event;
  return { ...event, plan: onward.plan && bySizes(onward.plan, state.sizes) };
}
