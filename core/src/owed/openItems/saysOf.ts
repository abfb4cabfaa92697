import type { JobEvent, Logged } from '../../job/events';
import { driveInForce, type JobState } from '../../job/log';
import { doneAfterClose } from './afterClose';
import { gateOf } from './gateOf';
import { jobFacts, leftOpen, type JobSays } from './jobSays';
import type { OpenItem } from './openItem';
import type { JobAbout } from './writer';

/**
 * What a job says of its vehicle, from its log. "Test drive only" stands while
 * the gate asks for nothing but the drive: it falls as soon as anything else holds.
 *
 * @param before open items that were open before it, which it takes over
 */
export function jobSays(job: JobState, about: JobAbout, before: readonly OpenItem[] = []): JobSays {
  // Ended while it was set, nobody drives it any more.
  const drive = job.released || job.ended ? null : driveInForce(job);
  const may = drive !== null && gateOf(job, about, before)?.verdict !== 'shut';
  return {
    ...jobFacts(job, about, before),
    driving: may ? { sinceMs: drive.setAtMs, open: leftOpen(job, about, before, true) } : null,
  };
}

/** A job by its logs. */
export interface JobByLogs {
  readonly state: JobState;
  /** What arrived after it was closed, in that order. */
  readonly additions: readonly Logged<JobEvent>[];
  /** Whether it was moved to another vehicle since. */
  readonly moved: boolean;
}

/** What a job says of a vehicle by all of its logs. @param before what the jobs before it left open */
export const saysByLogs = (
  { state, additions, moved }: JobByLogs,
  about: JobAbout,
  before: readonly OpenItem[],
): JobSays => ({
  ...jobSays(state, about, before),
  afterClose: additions.length > 0 ? doneAfterClose(additions, state, about) : [],
  ...(moved ? { moved } : {}),
});
