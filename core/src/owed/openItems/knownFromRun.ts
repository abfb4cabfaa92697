import type { CheckItem } from '../../job/items';
import { doneAt, nextStep, type RunState } from '../../job/run';

/**
 * What of the proof a run says already, to be confirmed by somebody who looks:
 * the cap that goes on with each shut, and the level of the last fill.
 */
export function knownFromRun(run: RunState): CheckItem[] {
  if (nextStep(run).kind !== 'finished') return [];
  const done = [...doneAt(run).values()];
  const capped = done.length > 0 && done.every((d) => d.shut) && run.leftShut.size === 0;
  const lastShut = run.log.map((e) => e.kind).lastIndexOf('shut');
  const filled = run.plan.reservoirs.every((b) =>
    run.log.some((e, i) => i > lastShut && e.kind === 'topped up' && e.reservoirId === b.id),
  );
  return [
    ...(capped ? (['bleeder caps'] as const) : []),
    ...(filled && run.plan.reservoirs.length > 0 ? (['level'] as const) : []),
  ];
}
