import { paths, type Layout } from '../../vehicle/circuit';
import { isDue } from '../../fluid/verdict';
import { lookAgainOf, refitOf, type JobState, type LookAgain, type Refit } from '../../job/log';
import { heardUpTo, modulatorsOf, positionOf, type JobEvent, type Logged } from '../../job/events';
import { doneAt, plansOf } from '../../job/run';
import { comesSinking, isSoft, type WorkDone } from '../../bleed/scope';
import { capital, lowerFirst } from '../../base/text';
import { notClear, saysOpen } from './airLeft';
import { controlsConcerned, partsInHand } from './controlsConcerned';
import type { OpenItem } from './openItem';
import { foundAtIntake, isMended } from './foundAtIntake';
import { notBledSince, openedAt, openedByHand } from './openedByHand';
import { strippedIn } from './stripped';
import { leftByFeel, shutAbove, tightenedRight } from './tightness';
import { cycled, toolCycle } from './toolOwed';
import { failedAnswers, halts, leftShut, stopVerdict, wrongInside } from './wentWrong';
import { firstOpened, placeOf, Writer, type JobAbout } from './writer';

/** What a job leaves open, and what of earlier open items it settles. */
export interface JobFacts {
  readonly jobId: string;
  /** Where in the vehicle's order it was taken in. */
  readonly openedPosition: number;
  readonly released: boolean;
  /** What is open by this job as it stands. */
  readonly open: readonly OpenItem[];
  /** Bleeders that were bled clear, each with the place up to which whoever shut it had heard. */
  readonly bled: Readonly<Record<string, number>>;
  /** Bleeders at which the fluid was renewed to the last sign. */
  readonly renewed: readonly string[];
  /** Modulators that were cycled by the tool and bled after it. */
  readonly cycled: readonly string[];
  /** Chambers of bowls behind which all rubber was renewed, flushed and tested, each with the place up to which whoever renewed it had heard. */
  readonly stripped: Readonly<Record<string, number>>;
  /** Open items of earlier jobs that were mended. */
  readonly mended: readonly string[];
  /** What it leaves tightened to a torque. */
  readonly tightened: readonly string[];
  /** What it leaves without a torque on record. */
  readonly byFeel: readonly string[];
  /** Masters whose controls it proves once it is released. */
  readonly proves: readonly string[];
  /** By master, and for what is looked at on the whole vehicle: up to which place all had heard who answered. */
  readonly provedHeard: Readonly<Record<string, number>>;
  /** Whether the fluid was looked at and did not stop the job. */
  readonly fluidPasses: boolean;
  /** Moved to another vehicle: what it said of this one counts until somebody looked. */
  readonly moved?: true;
  /** What was said or done after it was closed, and brings something against the vehicle. */
  readonly afterClose: readonly OpenItem[];
}

/** What a job says of its vehicle. */
export interface JobSays extends JobFacts {
  /** While "test drive only" stands: since when, and what would stay open if it were released. */
  readonly driving: { readonly sinceMs: number; readonly open: readonly OpenItem[] } | null;
}

/**
 * What a job says of its vehicle, from its log, but for whether it may be test driven.
 *
 * @param before open items that were open before it, which it takes over
 */
export function jobFacts(given: JobState, about: JobAbout, before: readonly OpenItem[]): JobFacts {
  const job = withWorkSaid(given, about);
  const released = job.released !== null;
  const { run } = job;
  const done = run ? [...doneAt(run).values()] : [];
  const layout = run?.plan.layout ?? about.layout;
  // Bled and then opened again it settles nothing that was open there before.
  const openedSince = new Set(notBledSince(job, layout).map((n) => n.bleederId));
  const proves = controlsConcerned(job, layout, before).map((m) => m.id);
  return {
    jobId: about.jobId,
    openedPosition: openedPosition(job),
    released,
    open: leftOpen(job, about, before, released),
    bled: Object.fromEntries(
      done
        .filter((d) => d.clear && !openedSince.has(d.bleederId))
        .map((d) => [d.bleederId, shutHeard(job, d.bleederId)]),
    ),
    renewed: done.filter((d) => d.renewed).map((d) => d.bleederId),
    cycled: run && cycled(run) ? modulatorsOf(layout) : [],
    stripped: strippedIn(job, layout),
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
    provedHeard: provedHeard(job),
    fluidPasses: job.fluid !== null && job.fluid.read.verdict.verdict !== 'stop',
    afterClose: [],
  };
}

/** Where a job was taken in: its first event stands there. */
const openedPosition = ({ log }: JobState): number => (log[0] ? positionOf(log[0]) : 0);

/** Up to which place all had heard who bled a bleeder last, and shut it: what arrives between the last stroke and the shut was bled by nobody. */
function shutHeard(job: JobState, bleederId: string): number {
  const openings = (job.run ? plansOf(job.run) : [])
    .flatMap((p) => p.openings)
    .flatMap((o) => (o.bleeder.id === bleederId ? [o.id] : []));
  const here = inEffect(job).filter(
    (e) => 'openingId' in e && e.openingId !== null && openings.includes(e.openingId),
  );
  const shut = here.filter((e) => e.kind === 'shut').at(-1);
  if (!shut) return 0;
  const moved = here
    .slice(0, here.indexOf(shut))
    .filter((e) => e.kind === 'stroke' || e.kind === 'jar read')
    .at(-1);
  return moved ? Math.min(heardUpTo(moved), heardUpTo(shut)) : 0;
}

/** What is looked at on the whole vehicle, among what is proved by master. */
export const WHOLE_VEHICLE = 'vehicle';

function provedHeard({ log, proof }: JobState): Record<string, number> {
  const heard: Record<string, number> = {};
  const events = new Map(log.map((e) => [e.id, e]));
  for (const { masterId, eventId } of proof.answers) {
    const at = masterId ?? WHOLE_VEHICLE;
    const event = events.get(eventId);
    heard[at] = Math.min(heard[at] ?? Infinity, event ? heardUpTo(event) : 0);
  }
  return heard;
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
  const out = new Writer(about, layout, job.log);
  const work = job.run?.plan.work ?? job.said?.work ?? null;
  if (!released) {
    if (work) complaint(out, job, work);
    opened(out, job, layout, work, before);
    // What happened says more than that it was not finished.
    halts(out, job);
    notClear(out, job, layout, work);
    toolCycle(out, job, layout, work);
    failedAnswers(out, job, layout);
    stopVerdict(out, job);
  }
  openedByHand(out, job, layout);
  wrongInside(out, job);
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
      out.add(
        kind,
        here.some((f) => f.holds) ? 'holds' : 'owed',
        where,
        here.map((f) => capital(f.because)).join('; '),
        here[0]!,
      );
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
  const off = openedAt(job).length > 0;
  if (!run && !said && !off && parts.length === 0) return;
  const because = run || off ? 'Opened and not released' : 'Said to be open, and not released';
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
