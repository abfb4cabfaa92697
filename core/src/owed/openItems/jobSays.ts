import { paths, type Layout } from '../../vehicle/circuit';
import { isDue } from '../../fluid/verdict';
import {
  driveInForce,
  lookAgainOf,
  refitOf,
  takenBackIn,
  touches,
  undoneIds,
  type Answered,
  type JobState,
  type LookAgain,
  type Refit,
} from '../../job/log';
import { type JobEvent, type Logged } from '../../job/events';
import { doneAt, plansOf } from '../../job/run';
import { comesSinking, isSoft, type WorkDone } from '../../bleed/scope';
import { capital, lowerFirst } from '../../base/text';
import { notClear, saysOpen } from './airLeft';
import { controlsConcerned, partsInHand } from './controlsConcerned';
import type { OpenItem } from './openItem';
import { foundAtIntake, isMended } from './foundAtIntake';
import { leftByFeel, shutAbove, tightenedRight } from './tightness';
import { cycled, modulatorsOf, toolCycle } from './toolOwed';
import { failedAnswers, halts, leftShut, stopVerdict } from './wentWrong';
import { firstOpened, placeOf, Writer, type JobAbout } from './writer';

/** What a job says of its vehicle: what it leaves open, and what of earlier open items it settles. */
export interface JobSays {
  readonly jobId: string;
  readonly openedAtMs: number;
  readonly released: boolean;
  /** What is open by this job as it stands. */
  readonly open: readonly OpenItem[];
  /** While "test drive only" is set: since when, and what would stay open if it were released. */
  readonly driving: { readonly sinceMs: number; readonly open: readonly OpenItem[] } | null;
  /** Bleeders that were bled clear. */
  readonly bled: readonly string[];
  /** Bleeders at which the fluid was renewed to the last sign. */
  readonly renewed: readonly string[];
  /** Modulators that were cycled by the tool and bled after it. */
  readonly cycled: readonly string[];
  /** Open items of earlier jobs that were mended. */
  readonly mended: readonly string[];
  /** What it leaves tightened to a torque; left out by jobs of before. */
  readonly tightened?: readonly string[];
  /** What it leaves without a torque on record; left out by jobs of before. */
  readonly byFeel?: readonly string[];
  /** Masters whose controls it proves once it is released, and the first moment at which one of them was judged. */
  readonly proves: readonly string[];
  readonly provedSinceMs: number | null;
  /** Whether the fluid was looked at and did not stop the job. */
  readonly fluidPasses: boolean;
  /** What was done after it was closed. */
  readonly afterClose: (Answered & { readonly reason: string }) | null;
}

/**
 * What a job says of its vehicle, from its log.
 *
 * @param before open items that were open before it, which it takes over
 */
export function jobSays(
  given: JobState,
  about: JobAbout,
  before: readonly OpenItem[] = [],
): JobSays {
  const job = withWorkSaid(given, about);
  const released = job.released !== null;
  // Ended while it was set, nobody drives it any more.
  const drive = released || job.ended ? null : driveInForce(job);
  const { run } = job;
  const done = run ? [...doneAt(run).values()] : [];
  const layout = run?.plan.layout ?? about.layout;
  const proves = controlsConcerned(job, layout, before).map((m) => m.id);
  const judged = job.proof.answers.filter((a) => a.masterId !== null).map((a) => a.atMs);
  return {
    jobId: about.jobId,
    openedAtMs: about.openedAtMs,
    released,
    open: leftOpen(job, about, before, released),
    driving: drive && { sinceMs: drive.setAtMs, open: leftOpen(job, about, before, true) },
    bled: done.filter((d) => d.clear).map((d) => d.bleederId),
    renewed: done.filter((d) => d.renewed).map((d) => d.bleederId),
    cycled: run && cycled(run) ? modulatorsOf(layout) : [],
    mended: inEffect(job).flatMap((e) =>
      (e.kind === 'mended' || e.kind === 'back on') && e.openItemId ? [e.openItemId] : [],
    ),
    tightened: tightenedRight(job),
    byFeel: [
      ...leftByFeel(job).map((j) => j.elementId),
      ...lookAgainOf(job.log).flatMap((j) =>
        j.kind === 'by feel' && j.elementId ? [j.elementId] : [],
      ),
    ],
    proves,
    provedSinceMs: judged.length > 0 ? Math.min(...judged) : null,
    fluidPasses: job.fluid !== null && job.fluid.read.verdict.verdict !== 'stop',
    afterClose: null,
  };
}

/** A job from before its log held what was said of the work, as if it did. */
function withWorkSaid(job: JobState, { work, openedAtMs, jobId }: JobAbout): JobState {
  if (job.said || !work) return job;
  const said: JobState['said'] = {
    id: jobId,
    deviceId: jobId,
    deviceSeq: 0,
    atMs: openedAtMs,
    planId: null,
    person: job.fluid?.person ?? job.ended?.person ?? '',
    kind: 'work said',
    work,
  };
  return { ...job, said };
}

/** What the additions to a closed job say: what was done after its end, or taken back from what it ended on. */
export function doneAfterClose(
  additions: readonly Logged<JobEvent>[],
  log: readonly Logged<JobEvent>[],
): JobSays['afterClose'] {
  const undone = undoneIds(additions);
  const takenBack = takenBackIn(log);
  const first = additions.find((e) => !undone.has(e.id) && touches(e, takenBack) !== 'nothing');
  if (!first) return null;
  const { id: eventId, person, atMs } = first;
  return {
    eventId,
    person,
    atMs,
    reason: 'Done after its job was closed. Look before it is driven.',
  };
}

const inEffect = (job: JobState): readonly Logged<JobEvent>[] =>
  job.log.filter((e) => !job.undone.has(e.id));

/** What a job leaves open, as it stands or as if it were released. */
export function leftOpen(
  job: JobState,
  about: JobAbout,
  before: readonly OpenItem[],
  released: boolean,
): readonly OpenItem[] {
  const layout = job.run?.plan.layout ?? about.layout;
  const out = new Writer(about, layout, before);
  const work = job.run?.plan.work ?? job.said?.work ?? null;
  if (!released) {
    if (work) complaint(out, job, work);
    opened(out, job, layout, work, before);
    // What happened says more than that it was not finished.
    halts(out, job, layout);
    notClear(out, job, layout, work);
    toolCycle(out, job, layout, work);
    failedAnswers(out, job, layout);
    stopVerdict(out, job);
  }
  foundAtIntake(out, job, work, released);
  leftShut(out, job, released);
  notBack(out, job, layout);
  lookAgain(out, job);
  if (released || job.ended) oldFluid(out, job, layout);
  return out.openItems;
}

/** What is looked at again at a later visit: owed, whoever releases it; several reasons of one kind at one place are said in one go. */
function lookAgain(out: Writer, job: JobState): void {
  const said = lookAgainOf(job.log);
  const found = [...said, ...shutAbove(job), ...notWritten(job, said)];
  for (const kind of ['tightness', 'by feel', 'look again'] as const) {
    const ofKind = found.filter((f) => f.kind === kind);
    for (const where of new Set(ofKind.map((f) => f.elementId))) {
      const here = ofKind.filter((f) => f.elementId === where);
      if (isMended(job, out.idOf(kind, where))) continue;
      out.add(kind, 'owed', where, here.map((f) => capital(f.because)).join('; '), here[0]!);
    }
  }
}

/** What a closed job left by feel and nobody said a word of; while it goes on it may still be written. */
function notWritten(job: JobState, said: readonly LookAgain[]): LookAgain[] {
  const closed = job.released ?? job.ended;
  if (!closed) return [];
  const { person, atMs } = closed;
  return leftByFeel(job)
    .filter(
      ({ elementId }) => !said.some((s) => s.kind !== 'look again' && s.elementId === elementId),
    )
    .map(({ elementId, because }) => ({ kind: 'by feel', elementId, because, person, atMs }));
}

/** What came off and is not back holds the vehicle, whoever releases it. */
function notBack(out: Writer, job: JobState, layout: Layout): void {
  for (const off of refitOf(job.log))
    if (off.back === null)
      out.add(
        'not back on',
        'holds',
        off.eventId,
        'Taken off, unplugged or dropped',
        off,
        refitName(layout, off),
      );
}

/** @example "wheel, left rear" */
export const refitName = (
  layout: Layout,
  { what, elementId }: Pick<Refit, 'what' | 'elementId'>,
): string =>
  lowerFirst(elementId === null ? what : `${what}, ${lowerFirst(placeOf(layout, elementId))}`);

/** A pedal or lever that was soft, or sank, when the vehicle came is soft until it is proved. */
function complaint(out: Writer, job: JobState, work: WorkDone): void {
  const came = isSoft(work)
    ? 'It came with a soft pedal or lever'
    : comesSinking(work)
      ? 'It came with a pedal or lever that sinks'
      : null;
  if (came === null) return;
  for (const id of work.masterIds)
    out.add('control soft', 'holds', id, came, job.said ?? firstOpened(job));
}

/** What was said to be off, open or dry opens the vehicle, and so does the first thing done to it. */
function opened(
  out: Writer,
  job: JobState,
  layout: Layout,
  work: WorkDone | null,
  before: readonly OpenItem[],
): void {
  const parts = partsInHand(job);
  const said = work !== null && saysOpen(layout, work);
  const run = (job.run?.openedAtMs ?? null) !== null;
  if (!run && !said && parts.length === 0) return;
  const because = run ? 'Opened and not released' : 'Said to be open, and not released';
  for (const m of controlsConcerned(job, layout, before))
    out.add('control not proved', 'holds', m.id, because, firstOpened(job));
  for (const id of parts)
    out.add('part off', 'holds', id, 'Named as changed or off', firstOpened(job));
}

/** Bleeders at which a closed job left the fluid old: it judged the fluid as due, or planned to renew it there. */
function oldFluid(out: Writer, job: JobState, layout: Layout): void {
  const read = job.fluid?.read.verdict ?? null;
  const due = read !== null && isDue(read);
  const done = job.run ? doneAt(job.run) : null;
  const wanted = new Set(
    job.run
      ? plansOf(job.run).flatMap((p) =>
          p.openings.filter((s) => s.until === 'new').map((s) => s.bleeder.id),
        )
      : [],
  );
  const masterIds = job.run?.plan.work.masterIds ?? job.said?.work.masterIds ?? [];
  const closed = job.released ?? job.ended ?? firstOpened(job);
  for (const { bleeder, master } of paths(layout)) {
    if (done?.get(bleeder.id)?.renewed) continue;
    if (!wanted.has(bleeder.id) && !(due && masterIds.includes(master.id))) continue;
    const early = done?.get(bleeder.id)?.early;
    const because = early
      ? `Shut early: ${lowerFirst(early)}`
      : due
        ? `Fluid judged “${read.condition!.verdict}” and left in`
        : 'Planned and not renewed';
    out.add('old fluid', 'owed', bleeder.id, because, closed);
  }
}
