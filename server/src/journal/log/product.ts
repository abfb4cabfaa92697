import { CHEMISTRY, remedyFor } from '@brook/core/fluid/verdict';
import type { JobEvent, Product } from '@brook/core/job/events';
import type { Transaction } from 'sequelize';
import { Container, type Job } from '../../db/models';

/** An event as it is kept: with what was in the container that it was poured out of. */
export async function withProduct<E extends JobEvent>(
  event: E,
  job: Job,
  transaction: Transaction,
): Promise<E> {
  if (!('containerId' in event) || !event.containerId) return event;
  const container = await Container.findOne({
    where: { id: event.containerId, workshopId: job.workshopId },
    transaction,
  });
  return { ...event, product: container && productOf(container, job) };
}

/** What a container held, and what the adviser says of it in this vehicle. Where nobody read what is asked for, it is held against what was to go in. */
function productOf({ grade, isoClass, batch }: Container, { fluid }: Job): Product {
  const known =
    fluid &&
    remedyFor(
      { id: 'poured', grade, isoClass },
      { ...fluid, follow: fluid.follow?.source ?? null },
    );
  const fill = fluid?.fill?.grade ?? null;
  if (known) return { grade, batch, remedy: known };
  if (fill === null || CHEMISTRY[fill] !== CHEMISTRY[grade])
    return { grade, batch, remedy: 'strip, all rubber renewed' };
  return { grade, batch, remedy: fill === grade ? 'nothing' : 'flush with the grade asked for' };
}
