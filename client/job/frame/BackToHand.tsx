import type { Job } from '@brook/contract';
import { isClosed, wayStep, type WayStep } from '@brook/core/job/stage';
import { ActionBar } from '../../ui/ActionBar';

/** The way back from a step that is only looked at to the one in hand. */
export function BackToHand({
  job,
  onStep,
}: {
  readonly job: Job;
  readonly onStep: (step: WayStep) => void;
}) {
  const step = wayStep(job.stage) ?? 'release';
  return (
    <ActionBar
      label={isClosed(job.stage) ? 'To the record' : `Go on: ${step}`}
      onPress={() => onStep(step)}
    />
  );
}
