import { fillTo, isOfPast, levelled, opened, pouredFrom, type RunStanding } from '../standing';
import { OPENING_STEPS, PREPARATION_WORDS, type PreparationStep } from '../../bleed/plan';
import { lowerFirst } from '../../base/text';
import { SETTLES_NOTHING, PROVES_NOTHING, nothing, runEvent, TAKES_BACK } from './kind';
import { broughtByPour, type OutOf } from './product';

export interface PreparedHappening extends OutOf {
  readonly kind: 'prepared';
  readonly step: PreparationStep;
  /** Of a first fill: out of which container, where somebody said so. */
  readonly containerId?: string | null;
}

export const prepared = runEvent<PreparedHappening>({
  kind: 'prepared',
  voids: ({ step }) =>
    OPENING_STEPS.includes(step)
      ? 'all'
      : step === 'fill reservoir'
        ? 'level'
        : nothing('it opens no circuit and moves no level'),
  opens: (event) => broughtByPour(event, null),
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: ({ step }) =>
    step === 'fill reservoir' || step === 'clean reservoir'
      ? 'asks whether it went in'
      : TAKES_BACK,
  fold: (before, { step, planId, containerId, atMs }) => {
    const run = OPENING_STEPS.includes(step) ? opened(before, atMs) : before;
    // What was prepared under a plan before says nothing about what the present one asks for anew.
    if (run.prepared.includes(step) || isOfPast(run, planId)) return run;
    const next = { ...run, prepared: [...run.prepared, step] };
    switch (step) {
      case 'empty reservoir':
        return emptied(next);
      case 'clean reservoir':
        return rinsed(next, containerId);
      case 'fill reservoir':
        return run.plan.reservoirs.reduce<RunStanding>(
          (r, b) => fillTo(r, b.id, b.maxMl, containerId),
          next,
        );
      default:
        return next;
    }
  },
  fault: ({ step }, { plans }) => {
    const steps = [...new Set(plans.flatMap((p) => p.preparation))];
    return steps.includes(step)
      ? null
      : `"${step}" is not a step of this plan; it should be one of ${steps.join(', ')}.`;
  },
  words: ({ step }) => lowerFirst(PREPARATION_WORDS[step].title),
});

/** The reservoirs drawn down to their outlets. */
function emptied(run: RunStanding): RunStanding {
  const { reservoirs } = run.plan;
  const removedMl = reservoirs.reduce(
    (sum, b) => sum + Math.max(0, run.levelMl[b.id]! - b.airDrawnMl),
    0,
  );
  const levels = reservoirs.map((b) => [b.id, Math.min(b.airDrawnMl, run.levelMl[b.id]!)]);
  return {
    ...run,
    removedMl: run.removedMl + removedMl,
    ...levelled(run, Object.fromEntries(levels)),
  };
}

/** The rinses of the plan: what goes in comes out again. */
function rinsed(run: RunStanding, containerId: string | null | undefined): RunStanding {
  const rinsedMl = (run.plan.treatment?.rinses ?? []).reduce((sum, r) => sum + r.ml * r.times, 0);
  return {
    ...run,
    removedMl: run.removedMl + rinsedMl,
    ...pouredFrom(run, rinsedMl, containerId),
  };
}
