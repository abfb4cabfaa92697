import type {
  MakerEntry,
  NewVehicle,
  Vehicle as VehicleDto,
  VehiclePage,
  VehicleSummary,
} from '@brook/contract';
import { type Layout } from '@brook/core/vehicle/circuit';
import { templateById } from '@brook/core/vehicle/circuit/templates';
import type { OpenItem } from '@brook/core/owed/openItems';
import { literal, Op, UniqueConstraintError, type Transaction } from 'sequelize';
import { v4 as uuid } from 'uuid';
import { z } from 'zod';
import { Job, Vehicle } from '../db/models';
import { pageOf, placeAfter, type PageRequest } from '../http/cursor';
import { listJobs } from '../journal/job/list';
import { insideOf } from '../journal/rows/inside';
import { openItemsOf } from '../journal/rows/openItems';
import { unknownBleeder } from '../journal/job/usualChoices';
import { ProblemError } from '../http/problems/kinds';
import { driveStateOf, findVehicle } from '../workshop/vehicle/findVehicle';
import type { Actor } from '../session/actor';

/** A page of the workshop's vehicles, by name, by keyset over the index `vehicles_list`. */
export async function listVehicles({ workshopId }: Actor, page: PageRequest): Promise<VehiclePage> {
  const after = placeAfter(place, page);
  const found = await Vehicle.findAll({
    where: {
      workshopId,
      ...(after ? { [Op.and]: [literal('(name, tag, id) > (:name, :tag, :id)')] } : {}),
    },
    replacements: after ?? {},
    order: ['name', 'tag', 'id'],
    limit: page.limit + 1,
  });
  const { shown, next } = pageOf(found, page.limit, ({ name, tag, id }) => ({ name, tag, id }));
  const ids = shown.map((v) => v.id);
  const open = await openJobsOf(ids);
  const owed = await openItemsOf(ids);
  return {
    vehicles: shown.map((v) => vehicleSummaryOf(v, open.get(v.id) ?? null, owed.get(v.id) ?? [])),
    next,
  };
}

const place = z.strictObject({ name: z.string().max(200), tag: z.string().max(200), id: z.uuid() });

/** The open jobs of some vehicles, by vehicle. */
async function openJobsOf(vehicleIds: readonly string[]): Promise<Map<string, string>> {
  const open = await Job.findAll({
    where: { vehicleId: [...vehicleIds], closed: false },
    attributes: ['id', 'vehicleId'],
  });
  return new Map(open.map((j) => [j.vehicleId, j.id]));
}

/** So many of its jobs come with a vehicle; the others are asked for when somebody looks for them. */
const JOBS_SHOWN = 20;

/** One vehicle with its layout and the first page of its jobs. */
export async function getVehicle(actor: Actor, id: string): Promise<VehicleDto> {
  const vehicle = await findVehicle(actor, id);
  const open = (await openJobsOf([id])).get(id) ?? null;
  return {
    ...vehicleSummaryOf(vehicle, open, (await openItemsOf([id])).get(id) ?? []),
    layout: vehicle.layout,
    jobs: await listJobs(actor, { vehicle: id, limit: JOBS_SHOWN }),
    makerEntry: vehicle.makerEntry ?? null,
    inside: await insideOf(id),
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

/** Change a locked vehicle of the version that was seen. */
export async function changeVehicle(
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

function vehicleSummaryOf(
  v: Vehicle,
  openJobId: string | null,
  openItems: readonly OpenItem[],
): VehicleSummary {
  return {
    id: v.id,
    name: v.name,
    tag: v.tag,
    vehicleKind: v.layout.vehicleKind,
    layoutName: v.layout.name,
    masters: v.layout.masters.map(({ id, name, control }) => ({ id, name, control })),
    drive: driveStateOf(v),
    openItems: [...openItems],
    openJobId,
  };
}

function layoutOf(given: NewVehicle): Layout {
  if (given.layout) return given.layout as Layout;
  const template = templateById(given.templateId!)!;
  return template.build(given.driverSide ?? template.driverSides[0]!);
}
