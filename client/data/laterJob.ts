import type { Job } from '@brook/contract';
import { replaceEqualDeep } from '@tanstack/react-query';

/**
 * What a phone shows of a job after one more answer. Answers overtake each
 * other: an act answers with the whole job, a batch of taps with its log. The
 * log only grows and the version never falls, so a shorter or an older one tells
 * nothing of what was known already, and nothing that was taken is lost from
 * sight.
 */
export function laterJob(known: Job | undefined, answer: Job): Job {
  if (!known || !wasOvertaken(known, answer)) return answer;
  const { events, version, drive, vehicleDrive } = known;
  return { ...answer, events, version, drive, vehicleDrive };
}

/** Whether more was known of a job than an answer says. */
export const wasOvertaken = (known: Job, answer: Job): boolean =>
  answer.version < known.version || answer.events.length < known.events.length;

/** The same, for the cache: what did not change stays the very thing that it was. */
export const keepLaterJob = (known: unknown, answer: unknown): unknown =>
  replaceEqualDeep(known, laterJob(known as Job | undefined, answer as Job));
