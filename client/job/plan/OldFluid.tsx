import type { Job } from '@brook/contract';
import { isDue } from '@brook/core/fluid/verdict';
import { owedWork } from '@brook/core/owed/openItems';
import { planBleed, type Plan } from '@brook/core/bleed/plan';
import { renewsToo } from '@brook/core/bleed/scope';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useJobAct } from '../../data/job';
import { Choice } from '../../ui/Choice';
import { FigureRow } from '../../ui/FigureValue';
import { Caution } from '../../ui/Notice';
import { requestOfJob } from './request';

/** Fluid that is due, or that a job before left, goes along with a part: asked with the price of both ways. */
export function OldFluid({ job, plan }: { readonly job: Job; readonly plan: Plan }) {
  const act = useJobAct(job);
  const { leaveOldFluid, work } = job.planChoices;
  const due = job.fluid ? isDue(job.fluid.verdict) : false;
  const asked =
    job.stage === 'plan' &&
    // Asked for, it is renewed: nothing is left to decide.
    !renewsToo(work) &&
    (owedWork(job.layout, job.before).oldAt.length > 0 ||
      (due && (work.purpose === 'after work' || work.purpose === 'soft pedal')));
  const other = useMemo(() => {
    if (!asked) return null;
    const result = planBleed(
      requestOfJob(job, plan, { ...job.planChoices, leaveOldFluid: !leaveOldFluid }),
    );
    return result.verdict === 'planned' ? result.plan : null;
  }, [asked, job, plan, leaveOldFluid]);
  if (!asked) return null;
  const [taken, left] = leaveOldFluid ? [other, plan] : [plan, other];
  return (
    <View>
      <Choice
        question="The fluid is due. Renew it with this?"
        why="Left in, it is owed at the next visit."
        disabled={act.isPending}
        options={[
          { value: 'renew', label: 'Renew it too' },
          { value: 'leave', label: 'Leave it' },
        ]}
        chosen={leaveOldFluid ? 'leave' : 'renew'}
        onChoose={(way) =>
          act.mutate({
            kind: 'choose plan',
            choices: { ...job.planChoices, leaveOldFluid: way === 'leave' },
          })
        }
      />
      {taken ? <FigureRow figure={taken.totals.minutes} label="Hands on, renewed" /> : null}
      {left ? <FigureRow figure={left.totals.minutes} label="Hands on, left" /> : null}
      {act.error ? <Caution title={act.error.message} /> : null}
    </View>
  );
}
