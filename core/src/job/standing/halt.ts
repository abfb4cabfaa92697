import { reservoirsRunDry } from './dry';
import { levelled } from './fill';
import type { Halt, RunStanding } from './state';
import type { Decision } from './terms';

/** A run stops, and needs a decision that is recorded. */
export function halt(
  run: RunStanding,
  {
    eventId,
    reason,
    openingId = null,
    masterId = null,
  }: Pick<Halt, 'eventId' | 'reason'> & Partial<Halt>,
): RunStanding {
  const next = {
    ...run,
    // What ran by the clock runs no longer: what it gave is read before the run goes on.
    bleeders: run.bleeders.map((b) => (b.flow ? { ...b, flow: null } : b)),
    halts: [...run.halts, { eventId, reason, openingId, masterId, decision: null }],
  };
  if (reason !== 'ran dry') return next;
  const dry = new Set(reservoirsRunDry(run.plan, openingId));
  const levels = run.plan.reservoirs.map((b) => [
    b.id,
    dry.has(b.id) ? Math.min(b.airDrawnMl, run.levelMl[b.id]!) : run.levelMl[b.id]!,
  ]);
  return { ...next, ...levelled(next, Object.fromEntries(levels)) };
}

/** The halt that a decision is about; null where there is none, or it was decided before: the first decision counts. */
export const undecided = ({ halts }: Pick<RunStanding, 'halts'>, haltId: string): Halt | null =>
  halts.find((h) => h.eventId === haltId && h.decision === null) ?? null;

/** A halt with what was decided on it. */
export const decidedOn = <R extends RunStanding>(run: R, on: Halt, decision: Decision): R => ({
  ...run,
  halts: run.halts.map((h) => (h === on ? { ...h, decision } : h)),
});
