import type { Layout } from '@brook/core/vehicle/circuit';
import { layoutFault } from '@brook/core/owed/openItems';
import { isDeepStrictEqual } from 'node:util';
import { Job } from '../db/models';
import type { LockedJob } from '../journal/log/locked';
import { planOfJob } from '../journal/job/planOfJob';
import { appendDesk } from '../journal/log/append';
import { projectOpenItems } from '../journal/log/drive';
import { sayOfLocked } from '../journal/log/follow';
import { lastInOrder } from '../journal/log/order';
import { jobStateOf } from '../journal/log/stored';
import { openItemsOf } from '../journal/rows/openItems';
import { choicesStill } from '../journal/job/usualChoices';
import { refused } from '../http/problems/kinds';
import type { Actor } from '../session/actor';
import { changeVehicle } from './service';

/** Save the layout as it was measured. A plan that still waits is made anew; one that is being carried out stays as it is. */
export async function changeLayout(
  actor: Actor,
  id: string,
  version: number,
  layout: Layout,
  at: Date,
): Promise<void> {
  await changeVehicle(actor, id, version, async (vehicle, transaction) => {
    const job = await Job.findOne({
      where: { vehicleId: id, closed: false },
      transaction,
      lock: transaction.LOCK.UPDATE,
    });
    if (job && job.stage !== 'fluid' && job.stage !== 'plan')
      throw refused(
        'This vehicle is being bled by the layout that it has; change it when the job is through.',
      );
    const open = (await openItemsOf([id], transaction)).get(id) ?? [];
    const fault = layoutFault(vehicle.layout, layout, open);
    if (fault !== null) throw refused(fault);
    await vehicle.update({ layout, version: version + 1 }, { transaction });
    if (!job) {
      // What settles what goes by the layout too.
      await projectOpenItems(
        vehicle,
        { person: actor.name, at, settledBy: 'the layout' },
        transaction,
      );
      return;
    }
    const state = await jobStateOf(job.id, transaction);
    const lastPlace = await lastInOrder(vehicle.id, transaction);
    await planAnew({ job, vehicle, transaction, actor, at, state, lastPlace });
  });
}

/** What was said and chosen stays, but for elements that are gone; the plan, where there is one, is made anew, and what the job says of the vehicle with it. */
async function planAnew(locked: LockedJob): Promise<void> {
  const { job, vehicle, transaction, actor, state } = locked;
  const planChoices = choicesStill(vehicle.layout, job.planChoices);
  job.set({ planChoices });
  if (!isDeepStrictEqual(state.said?.work, planChoices.work))
    await appendDesk(locked, { kind: 'work said', work: planChoices.work });
  if (job.stage === 'plan' && job.fluid)
    job.set({ planResult: await planOfJob(actor, job, vehicle, job.fluid, transaction) });
  await sayOfLocked(locked);
  await job.set({ version: job.version + 1 }).save({ transaction });
}
