import type { Appended, Job } from '@brook/contract';
import { isClosed } from '@brook/core/job/stage';
import { heardThrough } from '@brook/core/job/events';
import { movesClocks } from '@brook/core/base/clock';
import type { useQueryClient } from '@tanstack/react-query';
import { forgetLists } from './job';
import { against, knownOf } from './laterJob';

/** What the server told of a job's log: events behind a position, and how the job stands. */
export type LogAnswer = Pick<Appended, 'events' | 'stage' | 'version' | 'drive' | 'lastPlace'>;

const standing = (known: Job, since: number, { version, events }: LogAnswer) =>
  against(knownOf(known), { version, position: since + events.length });

/**
 * A job with what was told behind a position put in. The log only grows and the
 * version never falls: what tells less than is known changes nothing.
 *
 * @returns null where events between what is known and what was told are missing
 */
export function withTold(known: Job, since: number, told: LogAnswer): Job | null {
  if (since > known.events.length) return null;
  const { longer, newer, older } = standing(known, since, told);
  if (!longer && !newer) return known;
  const events = longer ? [...known.events.slice(0, since), ...told.events] : known.events;
  return {
    ...known,
    events,
    heard: heardThrough(known.heard, events),
    ...(older
      ? {}
      : {
          version: told.version,
          drive: told.drive,
          vehicleDrive: told.drive.state,
          // Who closed a job and why is not told here: until that is fetched it is not shown as closed.
          stage: isClosed(told.stage) ? known.stage : told.stage,
        }),
  };
}

/** Put what was told into the job that is shown, and fetch what it does not tell. */
export function takeUp(
  client: ReturnType<typeof useQueryClient>,
  jobId: string,
  since: number,
  told: LogAnswer,
): void {
  const key = ['job', jobId];
  const known = client.getQueryData<Job>(key);
  if (!known) return;
  const taken = withTold(known, since, told);
  if (taken === null) {
    void client.invalidateQueries({ queryKey: key });
    return;
  }
  if (taken !== known) client.setQueryData<Job>(key, taken);
  const { newer, older } = standing(known, since, told);
  const stage = !older && known.stage !== told.stage;
  // A mark or a late word of another job changes it without a word in this log.
  const drive = !older && told.drive.state !== known.drive.state;
  // What a job says besides its log changed: plan, containers, what was recorded.
  const beyond = newer && told.events.some((e) => e.deviceSeq === 0);
  // Something of its vehicle was said elsewhere: what is owed is fetched, and then heard.
  const elsewhere = told.lastPlace > taken.heard;
  if (stage || beyond || drive || elsewhere) void client.invalidateQueries({ queryKey: key });
  if (stage || drive || told.events.some((e) => movesClocks(e, known.clocks))) forgetLists(client);
}
