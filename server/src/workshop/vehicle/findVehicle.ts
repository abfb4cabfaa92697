import type { VehicleDriveState } from '@brook/contract';
import type { Transaction } from 'sequelize';
import { Vehicle } from '../../db/models';
import { notFound } from '../../http/problems/kinds';
import type { Actor } from '../../session/actor';

/** A vehicle of the actor's workshop, locked where a transaction is given. @throws ProblemError of kind not-found */
export async function findVehicle(
  actor: Pick<Actor, 'workshopId'>,
  id: string,
  transaction?: Transaction,
): Promise<Vehicle> {
  const lock = transaction ? { transaction, lock: transaction.LOCK.UPDATE } : {};
  const vehicle = await Vehicle.findOne({ where: { id, workshopId: actor.workshopId }, ...lock });
  if (!vehicle) throw notFound('vehicle');
  return vehicle;
}

/** Whether a vehicle may be driven, as it goes over the wire. */
export function driveStateOf(v: Vehicle): VehicleDriveState {
  return { state: v.driveState, since: v.driveSince?.toISOString() ?? null, reason: v.driveReason };
}
