import { METRIC } from '@brook/core/base/units';
import type { HelperScreen, HelpSignal } from '@brook/contract';
import { helperHears, mustHold } from '@brook/core/bleed/call';
import { addToJob, foldJob } from '@brook/core/job/log';
import { type JobEvent } from '@brook/core/job/events';
import { helpedOpening, helperView, nextStep, phaseAt } from '@brook/core/job/run';
import { v4 as uuid } from 'uuid';
import { HelperLinkRow, Job } from '../../db/models';
import { changeJob, type LockedJob } from '../log/locked';
import { appendKept, placedHere } from '../log/append';
import { jobStateOf } from '../log/stored';
import type { Actor } from '../../session/actor';
import { isInStep, linkByCode, linkByToken, newToken } from '../live/links';

/** Nobody with an account stands behind a helper's phone; the log says so with the name. */
const actorOf = (link: HelperLinkRow, name: string): Actor => ({
  userId: '',
  name: `${name} (helper)`,
  role: 'technician',
  workshopId: link.workshopId,
  deviceId: link.id,
  units: METRIC,
});

/** Join a run: from here on this phone counts. @returns the token, for this phone alone */
export async function joinRun(code: string, name: string, at: Date): Promise<string> {
  const link = await linkByCode(code);
  const { token, tokenHash } = newToken();
  await changeJob(
    actorOf(link, name),
    link.jobId,
    null,
    at,
    async (locked) => {
      await link.update(
        { tokenHash, name, phase: 'ready', openingId: null, helperSeenAt: at },
        { transaction: locked.transaction },
      );
      if (locked.job.stage === 'run')
        await say(locked, uuid(), { kind: 'counting', way: 'helper' });
    },
    NOT_NEEDED,
  );
  return token;
}

/** What a joined phone shows now. */
export async function saidTo(token: string, at: Date): Promise<HelperScreen> {
  return saidOn(await linkByToken(token), at);
}

/** The phone is there; where it comes back its round begins anew, because the one in hand was stopped. */
export async function helperIsHere(token: string, at: Date, anew = false): Promise<HelperLinkRow> {
  const link = await linkByToken(token);
  return link.update({ helperSeenAt: at, ...(anew ? { phase: 'ready' as const } : {}) });
}

/** The present call of a link. */
export async function saidOn(link: HelperLinkRow, at: Date): Promise<HelperScreen> {
  const job = await Job.findByPk(link.jobId, { attributes: ['stage'], rejectOnEmpty: true });
  const inStep = isInStep(link.wrenchSeenAt, at);
  if (job.stage !== 'run') return { view: { kind: 'over' }, inStep };
  const { run } = await jobStateOf(link.jobId);
  if (!run) return { view: { kind: 'over' }, inStep };
  const { id: deviceId, phase, openingId } = link;
  return { view: helperView(run, { deviceId, phase, openingId }), inStep };
}

/** One tap of a helper's phone, brought into the call and, where that tells something, into the log. */
export async function hearSignal(given: HelpSignal, at: Date): Promise<HelperScreen> {
  const known = await linkByToken(given.token);
  const link = await changeJob(
    actorOf(known, known.name ?? ''),
    known.jobId,
    null,
    at,
    async (locked) => {
      // Behind the lock of the vehicle: two taps count each other.
      const fresh = await known.reload({ transaction: locked.transaction });
      if (locked.job.stage === 'run') await heard(locked, fresh, given);
      return fresh.update({ helperSeenAt: at }, { transaction: locked.transaction });
    },
    NOT_NEEDED,
  );
  return saidOn(link, at);
}

/** The plan is large, and the log holds it. */
const NOT_NEEDED = ['planResult', 'pick'] as const;

async function heard(
  locked: LockedJob,
  link: HelperLinkRow,
  { id, signal, openingId }: HelpSignal,
): Promise<void> {
  const { run, log } = locked.state;
  if (!run || log.some((e) => e.id === id)) return;
  const { transaction } = locked;
  if (signal === 'count here') {
    await link.update({ phase: 'ready', openingId: null }, { transaction });
    return say(locked, id, { kind: 'counting', way: 'helper' });
  }
  if (openingId === null) return;
  const counts = run.counting?.deviceId === link.id;
  if (signal === 'take it back') {
    if (!counts) return;
    const last = run.log.filter((e) => e.kind === 'stroke' && e.openingId === openingId).at(-1);
    if (last?.deviceId !== link.id) return;
    await link.update({ phase: 'ready' }, { transaction });
    return say(locked, id, { kind: 'undone', eventId: last.id });
  }
  const phone = { deviceId: link.id, phase: link.phase, openingId: link.openingId };
  const phase = phaseAt(phone, openingId);
  const called = counts && helpedOpening(nextStep(run))?.id === openingId;
  // What was open is shut whatever is shown meanwhile.
  if (!called && !(signal === 'shut' && mustHold(phase))) return;
  const now = helperHears(phase, signal);
  if (!now) return;
  await link.update({ phase: now.phase, openingId }, { transaction });
  // Where somebody else counts by now, this round is theirs.
  if (!counts) return;
  if (now.told === 'stroke') await say(locked, id, { kind: 'stroke', openingId });
  if (now.told === 'broken')
    await say(locked, id, { kind: 'round broken', openingId, how: 'let go while open' });
}

type HelperEvent = Extract<JobEvent, { kind: 'counting' | 'stroke' | 'round broken' | 'undone' }>;
type Happening = HelperEvent extends infer E
  ? E extends HelperEvent
    ? Omit<E, 'id' | 'deviceId' | 'deviceSeq' | 'atMs' | 'planId'>
    : never
  : never;

/** Put an event of a helper's phone into the log of its job. */
async function say(locked: LockedJob, id: string, happening: Happening): Promise<void> {
  const { state } = locked;
  const event = placedHere(locked, happening, id);
  const after = event.kind === 'undone' ? foldJob([...state.log, event]) : addToJob(state, event);
  await appendKept(locked, [event], after);
}
