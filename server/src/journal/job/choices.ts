import type { PlanChoices } from '@brook/contract';
import { isDeepStrictEqual } from 'node:util';
import { appendDesk } from '../log/append';
import { openItemsBefore } from '../log/vehicleFacts';
import type { Actor } from '../../session/actor';
import { changeJob, onlyAt } from '../log/locked';
import { planOfJob } from './planOfJob';
import { refuseOwedBleed } from './service';

/** Put down what was done and chosen; where the fluid is read, the plan is made anew. */
export async function choosePlan(
  actor: Actor,
  id: string,
  version: number,
  choices: PlanChoices,
  at: Date,
): Promise<void> {
  await changeJob(actor, id, version, at, async (locked) => {
    const { job, vehicle, transaction, state } = locked;
    onlyAt(job, ['fluid', 'plan'], 'The plan is chosen before the run; this job is past that.');
    const { purpose } = choices.work;
    if (purpose === 'look and prove' && state.said?.work.purpose !== purpose)
      refuseOwedBleed(vehicle.layout, await openItemsBefore(vehicle, job, transaction));
    job.set({ planChoices: choices });
    if (!isDeepStrictEqual(state.said?.work, choices.work))
      await appendDesk(locked, { kind: 'work said', work: choices.work });
    if (job.stage !== 'plan' || !job.fluid) return;
    job.set({ planResult: await planOfJob(actor, job, vehicle, job.fluid, transaction) });
  });
}
