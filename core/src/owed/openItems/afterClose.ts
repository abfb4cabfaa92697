import {
  bearsOnDriving,
  happeningWords,
  namesIn,
  isPhoneEvent,
  opensOf,
  voidsOf,
  type JobEvent,
  type Logged,
  type Brought,
} from '../../job/events';
import { slipsIn, takenBackIn, type JobState } from '../../job/log';
import { plansOf } from '../../job/run';
import { lowerFirst } from '../../base/text';
import type { OpenItem } from './openItem';
import { placeOf, type JobAbout } from './writer';

/**
 * What arrived after a job was closed and brings something against its vehicle:
 * what was done, a bad answer, an answer that was taken back. Bad news counts
 * whenever it arrives; good news that comes after the record settles nothing.
 *
 * @param additions in the order in which they arrived
 */
export function doneAfterClose(
  additions: readonly Logged<JobEvent>[],
  { log, run }: JobState,
  about: JobAbout,
): OpenItem[] {
  const plans = run ? plansOf(run) : [];
  const layout = run?.plan.layout ?? about.layout;
  const slips = slipsIn(additions);
  const target = takenBackIn([...log, ...additions]);
  const names = namesIn(plans);
  return additions
    .filter((e) => !slips.has(e.id))
    .flatMap((e) => {
      const what = e.kind === 'undone' ? target(e) : e;
      if (!what) return [];
      const words = isPhoneEvent(what) ? happeningWords(what, names) : what.kind;
      const said = e.kind === 'undone' ? `taken back: ${words}` : words;
      return broughtBy(e, what, plans).map((m): OpenItem => {
        const { what: kind, where, owed } = m;
        return {
          id: `${e.id} ${kind} ${where ?? 'vehicle'}`,
          kind,
          weight: owed ? 'owed' : 'holds',
          where,
          place: where === null || where === e.id ? null : placeOf(layout, where),
          because: `After its job was closed, ${lowerFirst(said)}`,
          sinceMs: e.atMs,
          order: e.order,
          by: e.person,
          jobId: about.jobId,
          jobNumber: about.jobNumber,
        };
      });
    });
}

const DONE: Brought = { what: 'done after close', where: null };

/** What one addition brings: what is taken back takes the ground from the record it stood in. */
function broughtBy(
  event: Logged<JobEvent>,
  what: Logged<JobEvent>,
  plans: Parameters<typeof opensOf>[1],
): readonly Brought[] {
  if (event.kind === 'undone') return what.kind === 'undone' || bearsOnDriving(what) ? [DONE] : [];
  const brought = opensOf(event, plans);
  if (brought.length > 0) return brought;
  return typeof voidsOf(event) === 'string' ? [DONE] : [];
}
