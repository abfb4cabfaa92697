import { type VehicleEvent, type Logged } from '@brook/core/job/events';
import { openItems, vehicleDrive, type JobSays, type OpenItem } from '@brook/core/owed/openItems';
import { isDeepStrictEqual } from 'node:util';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import { JobSaysRow, OpenItemEntry, type Vehicle } from '../../db/models';
import type { LockedJob } from './locked';
import { LOGGED_JSON } from './order';
import { vehicleLogOf } from './stored';

/** Who brought a change about, when, and what settles what is gone by it. */
export interface Because {
  readonly person: string;
  readonly at: Date;
  readonly settledBy: string;
}

/** What a vehicle's jobs up to one of them say: those before it, and its own as it is kept. */
export async function saidUpTo(
  vehicle: Pick<Vehicle, 'id' | 'layout'>,
  job: { readonly id: string; readonly number: number },
  transaction: Transaction,
): Promise<{ readonly before: OpenItem[]; readonly own: JobSays | null }> {
  // Every batch of a run asks this: both in one question.
  const [said] = await JobSaysRow.sequelize!.query<{
    readonly says: readonly Pick<JobSaysRow, 'jobId' | 'says'>[];
    readonly log: readonly Logged<VehicleEvent>[];
  }>(
    `SELECT (SELECT coalesce(jsonb_agg(jsonb_build_object('jobId', job_id, 'says', says) ORDER BY number), '[]')
               FROM job_says WHERE vehicle_id = $1 AND number <= $2) AS says,
            (SELECT coalesce(jsonb_agg(${LOGGED_JSON} ORDER BY e.position), '[]')
               FROM vehicle_events e LEFT JOIN vehicle_order o ON o.vehicle_id = e.vehicle_id AND o.event_id = e.id
              WHERE e.vehicle_id = $1) AS log`,
    { type: QueryTypes.SELECT, bind: [vehicle.id, job.number], transaction },
  );
  const { says, log } = said!;
  const before = openItems({
    layout: vehicle.layout,
    jobs: says.filter((s) => s.jobId !== job.id).map((s) => s.says),
    log,
  });
  return { before, own: says.find((s) => s.jobId === job.id)?.says ?? null };
}

/** Keep what a job says of its vehicle, and where that changed, what the vehicle owes with it. */
export async function sayOfJob(
  { job, vehicle, transaction }: Pick<LockedJob, 'job' | 'vehicle' | 'transaction'>,
  says: JobSays,
  because: Because,
  /** What it said of this vehicle before. */
  own: JobSays | null,
): Promise<void> {
  if (own && isDeepStrictEqual(own, plain(says))) return;
  await JobSaysRow.upsert(
    { jobId: job.id, vehicleId: vehicle.id, number: job.number, says },
    { transaction },
  );
  await projectOpenItems(vehicle, because, transaction);
}

/** As it comes back out of the database. */
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** What a vehicle's jobs say, in the order in which they were taken in. */
async function saysOf(
  vehicleId: string,
  before: number | null,
  transaction?: Transaction,
): Promise<JobSays[]> {
  const rows = await JobSaysRow.findAll({
    where: { vehicleId, ...(before === null ? {} : { number: { [Op.lt]: before } }) },
    order: ['number'],
    transaction,
  });
  return rows.map((r) => r.says);
}

/** What a vehicle owes besides what one of its jobs says: what that job takes over. */
export async function openItemsBefore(
  vehicle: Pick<Vehicle, 'id' | 'layout'>,
  job: { readonly number: number },
  transaction?: Transaction,
): Promise<OpenItem[]> {
  return openItems({
    layout: vehicle.layout,
    jobs: await saysOf(vehicle.id, job.number, transaction),
    log: await vehicleLogOf(vehicle.id, transaction),
  });
}

/** Write what a locked vehicle owes from the fold: what is new is opened, what is gone is settled; and whether it may move. */
export async function projectOpenItems(
  vehicle: Vehicle,
  because: Because,
  transaction: Transaction,
): Promise<void> {
  const facts = {
    layout: vehicle.layout,
    jobs: await saysOf(vehicle.id, null, transaction),
    log: await vehicleLogOf(vehicle.id, transaction),
  };
  await writeEntries(vehicle, openItems(facts), because, transaction);
  const { state, sinceMs, reason } = vehicleDrive(facts);
  if (vehicle.driveState === state && vehicle.driveReason === reason) return;
  const since = sinceMs === null ? null : new Date(sinceMs);
  const [changed] = await vehicle.sequelize.query<{ version: number }>(
    'SELECT set_drive($1, $2, $3, $4) AS version',
    { type: QueryTypes.SELECT, bind: [vehicle.id, state, since, reason], transaction },
  );
  vehicle.set(
    { driveState: state, driveSince: since, driveReason: reason, version: changed!.version },
    { raw: true },
  );
}

async function writeEntries(
  vehicle: Vehicle,
  open: readonly OpenItem[],
  { person, at, settledBy }: Because,
  transaction: Transaction,
): Promise<void> {
  const rows = await OpenItemEntry.findAll({
    where: { vehicleId: vehicle.id },
    order: ['position'],
    transaction,
  });
  const last = new Map(rows.map((e) => [e.openItemId, e]));
  const known = [...last.values()].filter((e) => e.entry === 'opened').map((e) => e.openItem);
  const now = new Map(open.map((m) => [m.id, plain(m)]));
  const stays = (m: OpenItem) => isDeepStrictEqual(now.get(m.id), m);
  const gone = known.filter((m) => !stays(m));
  const fresh = [...now.values()].filter((m) => !known.some((k) => k.id === m.id && stays(k)));
  const entries = [
    ...gone.map((openItem) => ({
      openItem,
      entry: 'settled',
      settledBy: now.has(openItem.id) ? 'said anew' : settledBy,
    })),
    ...fresh.map((openItem) => ({ openItem, entry: 'opened', settledBy: null })),
  ];
  if (entries.length === 0) return;
  await vehicle.sequelize.query('SELECT note_open_items($1, $2, $3, $4)', {
    type: QueryTypes.SELECT,
    bind: [vehicle.id, JSON.stringify(entries), at, person],
    transaction,
  });
}
