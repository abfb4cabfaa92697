import type { Job } from '@brook/contract';
import { controlProof } from '@brook/core/job/items';
import { measuredAt, measuredNow } from '@brook/core/job/log';
import type { Plan } from '@brook/core/bleed/plan';
import type { LiveRun } from '../../data/run';
import { useJobPages } from '../frame/jobAddress';
import { Button } from '../../ui/Button';
import { pedalPage } from '../frame/pedalPage';

/** Before anything is opened, the way to measure each control in hand: what it comes to is held against that. */
export function MeasureFirst({
  job,
  plan,
  run,
}: {
  readonly job: Job;
  readonly plan: Plan;
  readonly run: LiveRun;
}) {
  const { openPage } = useJobPages(job.id);
  const when = measuredNow(run.state);
  if (when === null || when === 'after') return null;
  const { vehicleKind, masters } = plan.layout;
  return masters
    .filter((m) => plan.work.masterIds.includes(m.id))
    .filter((m) => controlProof(m, vehicleKind).result === 'pedal')
    .map((m) => (
      <Button
        key={m.id}
        label={
          measuredAt(run.job.proof.measured, m.id, when)
            ? `${m.control} measured: look or go on`
            : `Measure the ${m.control} first`
        }
        onPress={() => openPage(pedalPage(m.id))}
      />
    ));
}
