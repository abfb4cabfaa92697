import type {
  MakerEntry,
  NewVehicle,
  Vehicle as VehicleDto,
  VehicleDriveState,
  VehicleSummary,
} from '@brook/contract';
import { templateById, type Layout } from '@brook/core/circuit';
import type { HouseRules } from '@brook/core/rules';
import { UniqueConstraintError, type Transaction } from 'sequelize';
import { v4 as uuid } from 'uuid';
import { Job, Vehicle } from '../db/models';
import { summaries } from '../jobs/list';
import { planFor, unknownBleeder, usualChoices } from '../plans/planFor';
import { ProblemError, notFound, refused } from '../problems/kinds';
import { houseRulesOf } from '../rules/service';
import type { Actor } from '../session/actor';

/** Every vehicle of the workshop, by name. */
export async function listVehicles(actor: Actor): Promise<VehicleSummary[]> {
  const vehicles = await Vehicle.findAll({
    where: { workshopId: actor.workshopId },
    order: ['name', 'tag'],
  });
  const open = await Job.findAll({
    where: { workshopId: actor.workshopId, closed: false },
    attributes: ['id', 'vehicleId'],
  });
  const openByVehicle = new Map(open.map((j) => [j.vehicleId, j.id]));
  return vehicles.map((v) => vehicleSummaryOf(v, openByVehicle.get(v.id) ?? null));
}

/** One vehicle with its layout and its jobs. */
export async function getVehicle(actor: Actor, id: string): Promise<VehicleDto> {
  const vehicle = await findVehicle(actor, id);
  const jobs = await summaries({ workshopId: actor.workshopId, vehicleId: id });
  const open = jobs.find((j) => j.closedAt === null);
  return {
    ...vehicleSummaryOf(vehicle, open?.id ?? null),
    layout: vehicle.layout,
    jobs,
    makerEntry: vehicle.makerEntry ?? null,
    version: vehicle.version,
  };
}

/** Add a vehicle from a template or with a layout of its own. */
export async function addVehicle(
  actor: Pick<Actor, 'workshopId'>,
  given: NewVehicle,
  transaction?: Transaction,
): Promise<Vehicle> {
  try {
    return await Vehicle.create(
      {
        id: uuid(),
        workshopId: actor.workshopId,
        name: given.name,
        tag: given.tag,
        layout: layoutOf(given),
      },
      { transaction },
    );
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
    const sentence = `${given.tag} is already in this workshop; give each vehicle its own plate or fleet number.`;
    throw new ProblemError('invalid', sentence, [{ field: 'tag', sentence }]);
  }
}

/** Put down what the maker asks for. */
export async function changeMakerEntry(
  actor: Actor,
  id: string,
  version: number,
  makerEntry: MakerEntry,
): Promise<void> {
  await changeVehicle(actor, id, version, async (vehicle, transaction) => {
    const fault = makerEntry.order && unknownBleeder(vehicle.layout, makerEntry.order);
    if (fault) throw new ProblemError('invalid', fault, [{ field: 'order', sentence: fault }]);
    await vehicle.update({ makerEntry, version: version + 1 }, { transaction });
  });
}

/** Save the layout as it was measured. A plan that still waits is made anew; one that is being carried out stays as it is. */
export async function changeLayout(
  actor: Actor,
  id: string,
  version: number,
  layout: Layout,
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
    await vehicle.update({ layout, version: version + 1 }, { transaction });
    if (job) await planAnew(job, vehicle, await houseRulesOf(actor, transaction), transaction);
  });
}

async function changeVehicle(
  actor: Actor,
  id: string,
  version: number,
  change: (vehicle: Vehicle, transaction: Transaction) => Promise<void>,
): Promise<void> {
  await Vehicle.sequelize!.transaction(async (transaction) => {
    const vehicle = await findVehicle(actor, id, transaction);
    if (vehicle.version !== version)
      throw new ProblemError(
        'conflict',
        'Somebody changed this vehicle meanwhile. Look at it again; what you entered was not saved.',
      );
    await change(vehicle, transaction);
  });
}

/** What was said of elements that are gone is said no more; the plan, where there is one, is made anew. */
async function planAnew(
  job: Job,
  vehicle: Vehicle,
  rules: HouseRules,
  transaction: Transaction,
): Promise<void> {
  const purpose = job.planChoices?.work.purpose;
  const planChoices = usualChoices(
    vehicle.layout,
    purpose === 'after work' ? 'routine flush' : purpose,
  );
  const fill = job.fluid?.verdict.fill;
  const planResult =
    job.stage === 'plan' && fill && job.fluid!.newColour
      ? planFor(
          vehicle,
          planChoices,
          { grade: fill.grade, isoClass: job.fluid!.fill!.isoClass },
          job.fluid!.newColour,
          rules,
        )
      : job.planResult;
  await job.update({ planChoices, planResult, version: job.version + 1 }, { transaction });
}

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

export function driveStateOf(v: Vehicle): VehicleDriveState {
  return { state: v.driveState, since: v.driveSince?.toISOString() ?? null, reason: v.driveReason };
}

function vehicleSummaryOf(v: Vehicle, openJobId: string | null): VehicleSummary {
  return {
    id: v.id,
    name: v.name,
    tag: v.tag,
    vehicleKind: v.layout.vehicleKind,
    layoutName: v.layout.name,
    masters: v.layout.masters.map(({ id, name, control }) => ({ id, name, control })),
    drive: driveStateOf(v),
    openJobId,
  };
}

function layoutOf(given: NewVehicle): Layout {
  if (given.layout) return given.layout as Layout;
  const template = templateById(given.templateId!)!;
  return template.build(given.driverSide ?? template.driverSides[0]!);
}
