import type { Job } from '@brook/contract';
import { wayStep, type WayStep } from '@brook/core/job';
import { useState } from 'react';
import { useJob } from '../data/job';
import { FluidStep } from '../fluid/FluidStep';
import { PlanStep } from '../plan/PlanStep';
import { ProofStep } from '../proof/ProofStep';
import { ReleaseStep } from '../proof/ReleaseStep';
import { IntakeStep } from '../intake/IntakeStep';
import { RecordView } from '../record/RecordView';
import { RunStep } from '../run/RunStep';
import { FailedPage, Loading } from '../ui/States';
import { Way } from '../ui/Way';
import type { StepProps } from './step';

/** The job page: one stream from intake to release, the step in hand or the one that is looked back at. */
export function JobScreen({ id }: { readonly id: string }) {
  const { data: job, error, isPending, refetch } = useJob(id);
  const [lookedAt, setLookedAt] = useState<{ step: WayStep; stage: Job['stage'] | null } | null>(
    null,
  );
  if (isPending) return <Loading what="the job" />;
  if (!job) return <FailedPage what="This job" error={error} again={() => void refetch()} />;

  const reached = reachedStep(job);
  // Once the job moves on, what was looked back at is over.
  const shown =
    lookedAt && (lookedAt.stage === null || lookedAt.stage === job.stage)
      ? lookedAt.step
      : job.stage === 'ended'
        ? 'release'
        : reached;
  const onStep: StepProps['onStep'] = (step, hold) =>
    setLookedAt({ step, stage: hold ? null : job.stage });
  const props: StepProps = {
    job,
    onStep,
    band: <Way stage={job.stage} reached={reached} shown={shown} onStep={onStep} />,
  };
  switch (shown) {
    case 'intake':
      return <IntakeStep {...props} />;
    case 'fluid':
      return <FluidStep {...props} />;
    case 'plan':
      return <PlanStep {...props} />;
    case 'run':
      return job.stage === 'run' ? <RunStep {...props} /> : <RecordView {...props} />;
    case 'proof':
      return job.stage === 'proof' ? <ProofStep {...props} /> : <RecordView {...props} />;
    case 'release':
      return job.stage === 'test drive' ? <ReleaseStep {...props} /> : <RecordView {...props} />;
  }
}

/** How far the job has come; one that ended stays where it ended. */
function reachedStep(job: Job): WayStep {
  const step = wayStep(job.stage);
  if (step) return step;
  if (!job.planAccepted) return job.planResult ? 'plan' : 'fluid';
  const proved = job.events.some((e) => e.kind === 'pedal judged' || e.kind === 'checked');
  return job.drives.length > 0 ? 'release' : proved ? 'proof' : 'run';
}
