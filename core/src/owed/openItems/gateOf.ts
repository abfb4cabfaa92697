import type { Layout } from '../../vehicle/circuit';
import { releaseGate, type GateAnswer } from '../../job/gate';
import { driveInForce, proofOf, type JobState } from '../../job/log';
import { controlsConcerned } from './controlsConcerned';
import { mayStayShut } from './airLeft';
import { paperOf } from './paper';
import { jobFacts, leftOpen } from './jobSays';
import type { JobAbout } from './writer';
import { holds, type OpenItem } from './openItem';
import { joined, settles } from './vehicle';
import { groupOpenItems, type OpenItemGroup } from './words';

/**
 * Whether a job may release its vehicle, by its log and by everything that the
 * vehicle owes besides.
 *
 * @param before open items of the vehicle that are not this job's own
 * @returns null before a plan was accepted
 */
export function gateOf(
  job: JobState,
  about: JobAbout,
  before: readonly OpenItem[],
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
    openItems: groupOpenItems(
      joined(
        notSettled(job, about, before, layout),
        leftOpen(job, about, before, true).filter(holds),
      ),
    ).map((g) => ({
      what: g.title,
      clearsWhen: g.clearsWhen,
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
  before: readonly OpenItem[],
): OpenItemGroup[] {
  const layout = job.run?.plan.layout ?? about.layout;
  const says = jobFacts(job, about, before);
  return groupOpenItems(
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
  before: readonly OpenItem[],
  layout: Layout,
): OpenItem[] {
  const says = { ...jobFacts(job, about, before), released: true };
  return before.filter((m) => holds(m) && !settles(says, m, layout));
}
