import type { LockedJob } from './locked';
import { projectOpenItems } from './drive';

/** What arrived after a job was closed may open its vehicle again. */
export const sayOfAdditions = ({
  job,
  vehicle,
  transaction,
  actor,
  at,
  state,
}: LockedJob): Promise<void> =>
  projectOpenItems(vehicle, { person: actor.name, at, settledBy: 'withdrawn' }, transaction, {
    job,
    state,
  });
