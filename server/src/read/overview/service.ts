import type { Overview } from '@brook/contract';
import { overriddenWords } from '@brook/core/job/log';
import { type JobEvent } from '@brook/core/job/events';
import { holds } from '@brook/core/owed/openItems';
import { Op, QueryTypes } from 'sequelize';
import { gettingWorse } from '../../journal/rows/air';
import { JobEventRow, Vehicle } from '../../db/models';
import { openItemsOf, openItemsOfKinds } from '../../journal/rows/openItems';
import type { Actor } from '../../session/actor';
import { driveStateOf } from '../../workshop/vehicle/findVehicle';
import { wasteNow } from '../../shelf/waste/service';

/** How many of what leads let go are shown. */
const SHOWN = 50;

/** What stands open in a workshop. */
export async function overviewOf(actor: Actor): Promise<Overview> {
  const { workshopId } = actor;
  const again = await openItemsOfKinds(workshopId, ['look again', 'tightness', 'by feel']);
  const held = await Vehicle.findAll({
    where: { workshopId, driveState: { [Op.ne]: 'free' } },
    order: [
      ['driveSince', 'ASC'],
      ['id', 'ASC'],
    ],
  });
  const openItems = await openItemsOf(held.map((v) => v.id));
  return {
    held: held.map((v) => ({
      ...whose(v),
      drive: driveStateOf(v),
      openItems: (openItems.get(v.id) ?? []).filter(holds),
    })),
    lookAgain: (await Vehicle.findAll({ where: { workshopId, id: [...again.keys()] } }))
      .map((v) => ({ ...whose(v), openItems: again.get(v.id)! }))
      .sort((a, b) => a.openItems[0]!.sinceMs - b.openItems[0]!.sinceMs),
    worse: await gettingWorse(workshopId),
    letGo: await letGoOf(workshopId),
    waste: await wasteNow(actor),
  };
}

const whose = ({ id, name, tag }: Vehicle) => ({
  vehicleId: id,
  vehicleName: name,
  vehicleTag: tag,
});

async function letGoOf(workshopId: string): Promise<Overview['letGo']> {
  const rows = await JobEventRow.sequelize!.query<{
    readonly event: Extract<JobEvent, { readonly kind: 'overridden' }>;
    readonly person: string;
    readonly at: Date;
    readonly jobId: string;
    readonly jobNumber: number;
    readonly vehicleId: string;
  }>(
    `SELECT e.event, e.person, e.at, j.id AS "jobId", j.number AS "jobNumber", j.vehicle_id AS "vehicleId"
       FROM job_events e JOIN jobs j ON j.id = e.job_id
      WHERE e.workshop_id = :workshopId AND e.event->>'kind' = 'overridden'
      ORDER BY e.at DESC LIMIT :limit`,
    { type: QueryTypes.SELECT, replacements: { workshopId, limit: SHOWN } },
  );
  const vehicles = new Map(
    (await Vehicle.findAll({ where: { id: rows.map((r) => r.vehicleId) } })).map((v) => [v.id, v]),
  );
  return rows.map(({ event, person, at, jobId, jobNumber, vehicleId }) => {
    const vehicle = vehicles.get(vehicleId)!;
    return {
      ...whose(vehicle),
      jobId,
      jobNumber,
      what: overriddenWords(vehicle.layout, event),
      why: event.why,
      by: person,
      at: at.toISOString(),
    };
  });
}
