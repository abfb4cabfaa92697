import { isClosed, type JobStage } from '@brook/core/job';
import type { Plan } from '@brook/core/plan';
import {
  eventFault,
  foldEvent,
  HALT_WORDS,
  nextStep,
  type RunEvent,
  type RunState,
} from '@brook/core/run';
import { isDeepStrictEqual } from 'node:util';
import { RunEventRow } from '../db/models';
import { endLocked } from '../jobs/end';
import { takeBackFluidUsed } from '../jobs/fluidUsed';
import { changeJob, runStateOf, type LockedJob } from '../jobs/locked';
import { ProblemError, refused } from '../problems/kinds';
import type { Actor } from '../session/actor';
import { setDriveState } from '../vehicles/service';

/**
 * Add a batch to a run's log: all of it or nothing. Events that are there
 * already are passed over; the same id with other content is refused.
 *
 * @returns how many were new
 */
export async function appendEvents(
  actor: Actor,
  jobId: string,
  events: readonly RunEvent[],
  at: Date,
): Promise<number> {
  return changeJob(actor, jobId, null, at, async (locked) => {
    const fresh = await newOnes(locked, events);
    if (fresh.length === 0) return 0;
    const plan = openPlan(locked);
    let state = await runStateOf(locked.job, plan, locked.transaction);
    // A decision is kept with the plan that followed, so that the record does not depend on later rules.
    const kept: RunEvent[] = [];
    for (const event of fresh) {
      const fault = eventFault(state, event);
      if (fault) throw refused(fault, [{ field: `events.${event.id}`, sentence: fault }]);
      state = foldEvent(state, event);
      kept.push(event.kind === 'decided' ? state.log.at(-1)! : event);
    }
    await store(locked, kept);
    await follow(locked, state);
    return fresh.length;
  });
}

/** An event without what was added when it was kept. */
function asSent(event: RunEvent): RunEvent {
  if (event.kind !== 'decided') return event;
  const { plan: _, ...sent } = event;
  return sent;
}

async function newOnes(
  { job, transaction }: LockedJob,
  events: readonly RunEvent[],
): Promise<RunEvent[]> {
  const known = await RunEventRow.findAll({
    where: { jobId: job.id, id: events.map((e) => e.id) },
    transaction,
  });
  const byId = new Map(known.map((r) => [r.id, r.event]));
  const fresh: RunEvent[] = [];
  for (const event of events) {
    const before = byId.get(event.id);
    if (!before) fresh.push(event);
    else if (!isDeepStrictEqual(asSent(before), event))
      throw new ProblemError(
        'conflict',
        `The id ${event.id} stands for another event already; an event keeps its content.`,
      );
    byId.set(event.id, event);
  }
  return fresh;
}

function openPlan({ job }: LockedJob): Plan {
  if (isClosed(job.stage)) throw refused('This job is closed; nothing can be added to its run.');
  if (!job.planAccepted || job.planResult?.verdict !== 'planned')
    throw refused('Accept the plan first; then the run may begin.');
  if (job.stage === 'test drive')
    throw refused('The vehicle is out for its test drive; nothing can be added to its run.');
  return job.planResult.plan;
}

async function store(
  { job, transaction, actor }: LockedJob,
  fresh: readonly RunEvent[],
): Promise<void> {
  const last =
    ((await RunEventRow.max('position', { where: { jobId: job.id }, transaction })) as
      | number
      | null) ?? 0;
  const lastSeq = new Map<string, number>();
  for (const event of fresh) {
    const before =
      lastSeq.get(event.deviceId) ??
      ((await RunEventRow.max('deviceSeq', {
        where: { jobId: job.id, deviceId: event.deviceId },
        transaction,
      })) as number | null) ??
      0;
    if (event.deviceSeq <= before) {
      const sentence = `deviceSeq is ${event.deviceSeq}; after ${before} it should be larger. Send the events of a device in order.`;
      throw refused(sentence, [{ field: 'deviceSeq', sentence }]);
    }
    lastSeq.set(event.deviceId, event.deviceSeq);
  }
  await RunEventRow.bulkCreate(
    fresh.map((event, i) => ({
      jobId: job.id,
      position: last + 1 + i,
      id: event.id,
      workshopId: job.workshopId,
      deviceId: event.deviceId,
      deviceSeq: event.deviceSeq,
      at: new Date(event.atMs),
      by: actor.name,
      event,
    })),
    { transaction },
  );
}

/** Bring the job's stage and the vehicle's drive state after the run. */
async function follow(locked: LockedJob, state: RunState): Promise<void> {
  const { job, vehicle, transaction } = locked;
  if (state.openedAtMs !== null)
    await setDriveState(
      vehicle,
      'do not drive',
      'The brakes are open and not yet released.',
      new Date(state.openedAtMs),
      transaction,
    );
  if (state.ended) {
    await endLocked(
      locked,
      `${HALT_WORDS[state.ended].title}. ${HALT_WORDS[state.ended].say}`,
      true,
    );
    return;
  }
  const stage: JobStage = nextStep(state).kind === 'finished' ? 'proof' : 'run';
  if (stage === job.stage) return;
  if (stage === 'run') await takeBackFluidUsed(locked);
  job.set({ stage, proof: { pedal: null, checks: {}, by: null } });
}
