import type { Job } from '@brook/contract';
import { jointsOf, manualTorqueOf } from '@brook/core/job/log';
import type { Plan } from '@brook/core/bleed/plan';
import { nameOf } from '@brook/core/bleed/scope';
import { jointWords, torquePair } from '@brook/core/vehicle/torque';
import { lowerFirst } from '@brook/core/base/text';
import type { LiveJob } from '../../../data/run';
import { More } from '../../../ui/More';
import { TorqueEntry } from './TorqueEntry';

/** The torque of a joint where it is made: shown with the manual's value, one tap from being written down. */
export function JointHere({
  job,
  plan,
  live,
  elementId,
}: {
  readonly job: Pick<Job, 'manualTorques'>;
  readonly plan: Plan;
  readonly live: LiveJob;
  readonly elementId: string;
}) {
  const { layout, preferences } = plan;
  const { log } = live.job;
  const said = jointsOf(log).find((j) => j.elementId === elementId);
  const known = manualTorqueOf(elementId, { log, earlier: job.manualTorques, layout });
  const asked = preferences.jointTightness === 'by the manual';
  return (
    <More
      // Said, it folds away.
      key={said?.id ?? 'open'}
      title={`Torque, ${lowerFirst(nameOf(layout, elementId))}`}
      about={
        said
          ? jointWords(said)
          : known
            ? `manual ${torquePair(known.manualNm)}`
            : 'the manual’s value is not known here'
      }
      open={asked && !said}
    >
      <TorqueEntry job={job} layout={layout} live={live} elementId={elementId} />
    </More>
  );
}
