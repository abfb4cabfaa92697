import type { Layout } from '../../vehicle/circuit';
import type { JobState } from '../../job/log';
import { doneAt, type RunState } from '../../job/run';
import { findScope, type WorkDone } from '../../bleed/scope';
import { isStageThrough, leftOut, needsTool, UNTOUCHED } from '../../bleed/stages';
import { modulatorsOf } from '../../job/events';
import { firstOpened, type Writer } from './writer';

/** A tool cycle that is owed for air, and was not done. */
export function toolCycle(out: Writer, job: JobState, layout: Layout, work: WorkDone | null): void {
  if (!needsTool(layout) || !work) return;
  const { run } = job;
  const owed = run
    ? run.plan.scope.airInModulator && !cycled(run)
    : findScope(layout, work).airInModulator;
  if (!owed) return;
  for (const id of modulatorsOf(layout))
    out.add(
      'tool cycle owed',
      'holds',
      id,
      'Air may be inside, out of reach of a stroke',
      firstOpened(job),
    );
}

/** Whether the tool's cycle was really done, under any plan, and everything after it bled clear. */
export function cycled(run: RunState): boolean {
  const legs = [...run.past, run];
  return legs.some(({ plan, stages }) => {
    const at = plan.stages.findIndex((s) => {
      if (s.kind !== 'tool cycle') return false;
      const state = stages[s.id] ?? UNTOUCHED;
      return isStageThrough(plan, s, state) && leftOut(s, state) === null && s.atHand;
    });
    if (at < 0) return false;
    const after = new Set(
      plan.stages
        .slice(at + 1)
        .flatMap((s) => (s.kind === 'bleed' ? s.openingIds : []))
        .map((id) => plan.openings.find((x) => x.id === id)!.bleeder.id),
    );
    const done = doneAt(run);
    return [...after].every((id) => done.get(id)?.clear === true);
  });
}
