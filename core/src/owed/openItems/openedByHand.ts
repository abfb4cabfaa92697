import type { Layout } from '../../vehicle/circuit';
import {
  airBehindPart,
  opensCircuit,
  opensControl,
  opensOf,
  type HappeningOf,
} from '../../job/events';
import { slipsIn, type JobState, type LoggedOf } from '../../job/log';
import { doneAt, plansOf } from '../../job/run';
import type { Writer } from './writer';

/** What came off in a job: taken back later than in its own press it was off all the same. */
function cameOffIn({ log }: JobState): LoggedOf<'came off'>[] {
  const slips = slipsIn(log);
  return log.flatMap((e) => (e.kind === 'came off' && !slips.has(e.id) ? [e] : []));
}

/** Places at which something came off by which a control is to be proved again. */
export const openedAt = (job: JobState): HappeningOf<'came off'>[] =>
  cameOffIn(job).filter((e) => opensControl(e.what));

/**
 * A joint that was undone is an opened circuit: air may be behind it until each
 * bleeder there was bled clear after it, by strokes. That it is back on ends
 * only that it is off.
 */
export function openedByHand(out: Writer, job: JobState, layout: Layout): void {
  for (const { bleederId, event, what } of notBledSince(job, layout))
    out.add('air possible', 'holds', bleederId, `${what}, not bled since`, event);
}

/** What let air in at a bleeder, and what it was in words. */
interface LetIn {
  readonly bleederId: string;
  readonly event: LoggedOf<'came off' | 'level seen'>;
  readonly what: string;
}

/** Bleeders behind what came off, or at which the level was seen at nothing, that were not bled clear after it, whatever was bled before. */
export const notBledSince = (job: JobState, layout: Layout): LetIn[] =>
  [...behindWhatCameOff(job, layout), ...seenDry(job)].filter(
    ({ bleederId, event }) => !bledAfter(job, bleederId, event),
  );

const behindWhatCameOff = (job: JobState, layout: Layout): LetIn[] =>
  cameOffIn(job)
    .filter((event) => opensCircuit(event.what))
    .flatMap((event) =>
      airBehindPart(layout, event.elementId).flatMap(({ where }) =>
        where === null ? [] : [{ bleederId: where, event, what: `${event.what} came off` }],
      ),
    );

/** A level that was seen at nothing is air at that outlet, whatever came out before. */
const seenDry = ({ log, undone, run }: JobState): LetIn[] =>
  log.flatMap((event) =>
    event.kind === 'level seen' && !undone.has(event.id)
      ? opensOf(event, run ? plansOf(run) : []).flatMap(({ where }) =>
          where === null ? [] : [{ bleederId: where, event, what: 'The level was at nothing' }],
        )
      : [],
  );

/** Whether a bleeder was bled by strokes, and shut clear, behind an event of its job. */
function bledAfter(job: JobState, bleederId: string, event: { readonly id: string }): boolean {
  const { run, log, undone } = job;
  if (!run || !doneAt(run).get(bleederId)?.clear) return false;
  const openings = plansOf(run)
    .flatMap((p) => p.openings)
    .flatMap((x) => (x.bleeder.id === bleederId ? [x.id] : []));
  const since = log
    .slice(log.findIndex((e) => e.id === event.id) + 1)
    .filter((e) => !undone.has(e.id) && 'openingId' in e && openings.includes(e.openingId ?? ''));
  const moved = since.findIndex((e) => e.kind === 'stroke' || e.kind === 'jar read');
  return moved >= 0 && since.slice(moved).some((e) => e.kind === 'shut');
}
