import { capital } from '../../base/text';
import type { Layout } from '../../vehicle/circuit';
import {
  airBehindPart,
  hadHeard,
  happeningWords,
  isPhoneEvent,
  namesIn,
  opensCircuit,
  opensControl,
  opensOf,
  type HappeningOf,
  type JobEvent,
  type Logged,
} from '../../job/events';
import { slipsIn, type JobState, type LoggedOf } from '../../job/log';
import { doneAt, plansOf } from '../../job/run';
import type { Writer } from './writer';

/** What came off in a job: taken back later than in its own press it was off all the same. */
function cameOffIn({ log }: JobState): LoggedOf<'came off'>[] {
  // Asked of every batch: a log in which nothing came off is not gone through for slips.
  if (!log.some((e) => e.kind === 'came off')) return [];
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
  readonly event: Logged<JobEvent>;
  readonly what: string;
}

/** What lets air in, or tells of it, in short; whatever else brings it is said in its kind's words. */
const IN_SHORT: Readonly<Record<string, string>> = {
  'level seen': 'The level was at nothing',
  bubbles: 'Bubbles were seen',
  'round broken': 'A round was broken',
};

/** Bleeders behind what came off, or at which air was seen, that were not bled or seen clear after it, whatever was bled before and by whichever opening it was said. */
export const notBledSince = (job: JobState, layout: Layout): LetIn[] =>
  [...behindWhatCameOff(job, layout), ...seenAir(job)].filter(
    ({ bleederId, event }) =>
      !bledAfter(job, bleederId, event) && !seenClearAfter(job, bleederId, event),
  );

const behindWhatCameOff = (job: JobState, layout: Layout): LetIn[] =>
  cameOffIn(job)
    .filter((event) => opensCircuit(event.what))
    .flatMap((event) =>
      airBehindPart(layout, event.elementId).flatMap(({ where }) =>
        where === null ? [] : [{ bleederId: where, event, what: `${event.what} came off` }],
      ),
    );

/**
 * Whatever kind brings air at a bleeder: its own file says so. What came off is
 * asked of the layout, above; why one was shut early, of the count at that shut.
 */
function seenAir({ log, undone, run }: JobState): LetIn[] {
  const plans = run ? plansOf(run) : [];
  const names = namesIn(plans);
  return log.flatMap((event) => {
    if (undone.has(event.id) || event.kind === 'came off' || event.kind === 'shut early') return [];
    return opensOf(event, plans).flatMap(({ what, where }) =>
      what === 'air possible' && where !== null
        ? [{ bleederId: where, event, what: IN_SHORT[event.kind] ?? saidOf(event, names) }]
        : [],
    );
  });
}

const saidOf = (event: Logged<JobEvent>, names: ReturnType<typeof namesIn>): string =>
  capital(isPhoneEvent(event) ? happeningWords(event, names) : event.kind);

/** Whether somebody who had heard of bubbles, or of a broken round, looked again and saw none. A level at nothing is air, whatever comes out. */
function seenClearAfter(job: JobState, bleederId: string, event: LetIn['event']): boolean {
  if (event.kind !== 'bubbles' && event.kind !== 'round broken') return false;
  const openings = openingsOf(job, bleederId);
  return job.log
    .slice(job.log.findIndex((e) => e.id === event.id) + 1)
    .some(
      (e) =>
        e.kind === 'bubbles' &&
        e.reading === 'none' &&
        !job.undone.has(e.id) &&
        openings.includes(e.openingId) &&
        hadHeard(e, event),
    );
}

const openingsOf = ({ run }: JobState, bleederId: string): string[] =>
  (run ? plansOf(run) : [])
    .flatMap((p) => p.openings)
    .flatMap((x) => (x.bleeder.id === bleederId ? [x.id] : []));

/** Whether a bleeder was bled by strokes, and shut clear, behind an event of its job. */
function bledAfter(job: JobState, bleederId: string, event: { readonly id: string }): boolean {
  const { run, log, undone } = job;
  if (!run || !doneAt(run).get(bleederId)?.clear) return false;
  const openings = openingsOf(job, bleederId);
  const since = log
    .slice(log.findIndex((e) => e.id === event.id) + 1)
    .filter((e) => !undone.has(e.id) && 'openingId' in e && openings.includes(e.openingId ?? ''));
  const moved = since.findIndex((e) => e.kind === 'stroke' || e.kind === 'jar read');
  return moved >= 0 && since.slice(moved).some((e) => e.kind === 'shut');
}
