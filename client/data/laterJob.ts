import type { Job } from '@brook/contract';
import { heardThrough } from '@brook/core/job/events';
import { replaceEqualDeep } from '@tanstack/react-query';

/** How far a job is known: its log only grows, and its version never falls. */
export interface Known {
  readonly version: number;
  /** How many events of its log. */
  readonly position: number;
}

export const knownOf = (job: Job): Known => ({
  version: job.version,
  position: job.events.length,
});

/**
 * Which of two answers on a job is the later one. Answers overtake each other:
 * an act answers with the whole job, a batch of taps with its log, so that each
 * may be ahead of the other in what it tells.
 */
export const against = (known: Known, answer: Known) => ({
  /** It tells events that were not known. */
  longer: answer.position > known.position,
  /** It tells of a change that was not known. */
  newer: answer.version > known.version,
  /** More was known, of log or version, than it says. */
  overtaken: answer.version < known.version || answer.position < known.position,
  /** How the job stands was known later than it says. */
  older: answer.version < known.version,
});

/**
 * What a phone shows of a job after one more answer: a shorter or an older one
 * tells nothing of what was known already, and nothing that was taken is lost
 * from sight.
 */
export function laterJob(known: Job | undefined, answer: Job): Job {
  if (!known || !against(knownOf(known), knownOf(answer)).overtaken) return answer;
  const { events, version, drive, vehicleDrive } = known;
  // What both tell it has heard, and what the log goes on with from there.
  const heard = heardThrough(Math.min(known.heard, answer.heard), events);
  return { ...answer, events, version, drive, vehicleDrive, heard };
}

/** The same, for the cache: what did not change stays the very thing that it was. */
export const keepLaterJob = (known: unknown, answer: unknown): unknown =>
  replaceEqualDeep(known, laterJob(known as Job | undefined, answer as Job));
