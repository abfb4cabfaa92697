import { type JobEvent, type Logged } from '@brook/core/job/events';
import { doneAfterClose, jobSays } from '@brook/core/owed/openItems';
import type { LockedJob } from './locked';
import { saidUpTo, sayOfJob } from './drive';
import { aboutOf } from './follow';

/** What arrived after a job was closed may open its vehicle again. */
export async function sayOfAdditions(
  locked: LockedJob,
  additions: readonly Logged<JobEvent>[],
): Promise<void> {
  const { state, actor, at } = locked;
  const { before, own } = await saidUpTo(locked.vehicle, locked.job, locked.transaction);
  const afterClose = doneAfterClose(additions, state, aboutOf(locked));
  const says = { ...jobSays(state, aboutOf(locked), before), afterClose };
  await sayOfJob(locked, says, { person: actor.name, at, settledBy: 'withdrawn' }, own);
}
