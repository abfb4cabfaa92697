import { bowlOf, paths, rubberIn, type Layout } from '../../vehicle/circuit';
import { isCleanInWater } from '../../bleed/stages';
import type { JobState } from '../../job/log';
import { heardUpTo } from '../../job/events';
import { plansOf } from '../../job/run';
import type { OpenItem } from './openItem';

/** Chambers of bowls that a wrong product of an open item may have reached; where nobody knows its place, all. */
export function reachedFrom(layout: Layout, { where }: Pick<OpenItem, 'where'>): string[] {
  const fedBy = paths(layout).flatMap((p) =>
    p.bleeder.id === where || p.points.some((x) => x.node.id === where) ? [p.chamber.fedBy] : [],
  );
  const from = fedBy.length > 0 ? fedBy : [where];
  return [...new Set(from.flatMap((id) => bowlOf(layout, id)))];
}

/**
 * Chambers of bowls behind which a job renewed all rubber, flushed every
 * bleeder after it, and found nothing in the water test behind the flush; each
 * with the place up to which whoever renewed the last of it had heard.
 */
export function strippedIn({ run }: JobState, layout: Layout): Record<string, number> {
  if (!run) return {};
  const plans = plansOf(run);
  const stages = plans.flatMap((p) => p.stages);
  const log = run.log;
  const found: Record<string, number> = {};
  for (const { id: reservoirId } of layout.reservoirs) {
    const ofKind = (kind: 'strip' | 'water test') =>
      new Set(
        stages.flatMap((s) =>
          s.kind === kind && s.reservoirIds.includes(reservoirId) ? [s.id] : [],
        ),
      );
    const [strips, tests] = [ofKind('strip'), ofKind('water test')];
    const renewed = rubberIn(layout, [reservoirId]).map((part) =>
      log.findIndex(
        (e) => e.kind === 'rubber renewed' && strips.has(e.stageId) && e.part === part.id,
      ),
    );
    const last = Math.max(-1, ...renewed);
    const looked = log.flatMap((e, i) =>
      e.kind === 'water tested' && tests.has(e.stageId) ? [{ i, seen: e.seen }] : [],
    );
    const test = looked.at(-1);
    if (renewed.length === 0 || renewed.includes(-1) || !test || !isCleanInWater(test.seen))
      continue;
    // A test before the flush says nothing of what is behind it.
    const flushed = paths(layout)
      .filter((p) => p.chamber.fedBy === reservoirId)
      .every((p) => {
        const openings = plans
          .flatMap((x) => x.openings)
          .flatMap((o) => (o.bleeder.id === p.bleeder.id ? [o.id] : []));
        return log.some(
          (e, i) => e.kind === 'shut' && openings.includes(e.openingId) && i > last && i < test.i,
        );
      });
    if (flushed) found[reservoirId] = Math.min(...renewed.map((i) => heardUpTo(log[i]!)));
  }
  return found;
}
