import { marksOf, vehicleDrive, type DriveEffect } from '@brook/core/log';
import { isDeepStrictEqual } from 'node:util';
import type { Transaction } from 'sequelize';
import { JobDrive, type Vehicle } from '../db/models';
import type { LockedJob } from '../jobs/locked';
import { vehicleLogOf } from './stored';

/** Keep what a job says about whether its vehicle may move, and where that changed the vehicle's drive state with it. */
export async function driveAfterJob(
  { job, vehicle, transaction }: Pick<LockedJob, 'job' | 'vehicle' | 'transaction'>,
  effect: DriveEffect | null,
  closedBy: JobDrive['closedBy'],
): Promise<void> {
  const known = await JobDrive.findByPk(job.id, { transaction });
  if (known && known.closedBy === closedBy && isDeepStrictEqual(known.effect, effect)) return;
  if (!known && effect === null && closedBy === null) return;
  await JobDrive.upsert(
    {
      jobId: job.id,
      vehicleId: vehicle.id,
      number: job.number,
      openedAt: job.openedAt,
      closedBy,
      effect,
    },
    { transaction },
  );
  await projectDrive(vehicle, transaction);
}

/** The drive state of a locked vehicle by everything that its jobs and its own log say. */
async function driveOf(vehicle: Vehicle, transaction?: Transaction): Promise<DriveEffect> {
  const jobs = await JobDrive.findAll({
    where: { vehicleId: vehicle.id },
    order: ['number'],
    transaction,
  });
  return vehicleDrive({
    jobs: jobs.map((j) => ({
      openedAtMs: j.openedAt.getTime(),
      released: j.closedBy === 'released',
      effect: j.effect,
    })),
    marks: marksOf(await vehicleLogOf(vehicle.id, transaction)),
  });
}

/** Write the drive state of a locked vehicle from the fold. */
export async function projectDrive(vehicle: Vehicle, transaction: Transaction): Promise<void> {
  const { state, sinceMs, reason } = await driveOf(vehicle, transaction);
  if (vehicle.driveState === state && vehicle.driveReason === reason) return;
  await vehicle.update(
    {
      driveState: state,
      driveSince: sinceMs === null ? null : new Date(sinceMs),
      driveReason: reason,
      version: vehicle.version + 1,
    },
    { transaction },
  );
}
