import type { Layout } from '../../vehicle/circuit';
import { releaseGate, type GateAnswer } from '../../job/gate';
import { driveInForce, proofOf, type JobState } from '../../job/log';
import { controlsConcerned } from './controlsConcerned';
import { mayStayShut } from './airLeft';
import { paperOf } from './paper';
import { jobSays, leftOpen } from './jobSays';
import type { JobAbout } from './writer';
import { holds, type Matter } from './matter';
import { settles } from './vehicle';
import { groupMatters, type MatterGroup } from './words';

/**
 * Whether a job may release its vehicle, by its log and by everything that the
 * vehicle owes besides.
 *
 * @param before matters of the vehicle that are not this job's own
 * @returns null before a plan was accepted
 */
export function gateOf(
  job: JobState,
  about: JobAbout,
  before: readonly Matter[],
): GateAnswer | null {
  const { run } = job;
  if (!run) return null;
  const { layout } = run.plan;
  const drive = driveInForce(job);
  return releaseGate({
    run,
    proof: proofOf(job),
    controls: controlsConcerned(job, layout, before),
    mayStayShut: mayStayShut(run),
    matters: groupMatters([
      ...notSettled(job, about, before, layout),
      ...leftOpen(job, about, before, true).filter(holds),
    ]).map((g) => ({
      what: g.title,
      settledBy: g.settledBy,
    })),
    // A drive counts for the proof that it followed: after a failed one everything is proved, and driven, anew.
    drive: drive?.result?.result ?? null,
    paper: paperOf(job),
  });
}

/**
 * What an earlier job left by feel, and the release of this one would settle
 * because it was seen dry: so it is looked at with the joints of this one.
 */
export function lookedAtToo(
  job: JobState,
  about: JobAbout,
  before: readonly Matter[],
): MatterGroup[] {
  const layout = job.run?.plan.layout ?? about.layout;
  const says = jobSays(job, about, before);
  return groupMatters(
    before.filter(
      (m) =>
        m.kind === 'by feel' &&
        !settles(says, m, layout) &&
        settles({ ...says, released: true }, m, layout),
    ),
  );
}

/** What would still hold the vehicle if this job were released now. */
function notSettled(
  job: JobState,
  about: JobAbout,
  before: readonly Matter[],
  layout: Layout,
): Matter[] {
  const says = { ...jobSays(job, about, before), released: true };
  return before.filter((m) => holds(m) && !settles(says, m, layout));
}
