import type { Job } from '@brook/contract';
import type { Plan } from '@brook/core/bleed/plan';
import { emptyRun } from '@brook/core/job/run';
import { useMemo } from 'react';
import { useFolded } from '../../data/jobFold';
import { RunBrook } from './RunPicture';

/** The brook of a job with its fluid as the server knows the run. */
export function PlanBrook({
  job,
  plan,
  height,
}: {
  readonly job: Job;
  readonly plan: Plan;
  readonly height: number;
}) {
  const { run } = useFolded(job);
  const state = useMemo(() => run ?? emptyRun(plan), [run, plan]);
  return <RunBrook job={job} state={state} current={null} height={height} caption />;
}
