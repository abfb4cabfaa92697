import {
  openItems,
  saysByLogs,
  type JobAbout,
  type JobSays,
  type OpenItem,
  type VehicleFacts,
} from '@brook/core/owed/openItems';
import type { Logged, VehicleEvent } from '@brook/core/job/events';
import type { JobState } from '@brook/core/job/log';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import type { Job, Vehicle } from '../../db/models';
import { LOGGED_JSON } from './order';
import { additionsOf, jobStateOf, stateThere } from './stored';

/** A job that is being changed: as it stands now, before it is saved. */
export interface InHand {
  readonly job: Job;
  readonly state: JobState;
  /** Whether it is leaving the vehicle that is asked about. */
  readonly moved?: boolean;
}

interface JobRow {
  readonly id: string;
  readonly number: number;
  readonly openedAtMs: number;
  readonly work: JobAbout['work'];
  readonly moved: boolean;
  /** How far its log, and what came beside its record, go. */
  readonly position: number;
  readonly additions: number;
}

/**
 * What is known of a vehicle, by the logs of its jobs, those that were moved away
 * among them, and by its own: nothing is kept between the logs and that.
 *
 * @param upTo only jobs up to this number
 */
export async function factsOf(
  vehicle: Pick<Vehicle, 'id' | 'layout' | 'sequelize'>,
  transaction?: Transaction,
  inHand?: InHand,
  upTo = 2_147_483_647,
): Promise<VehicleFacts> {
  const { layout } = vehicle;
  const [found] = await vehicle.sequelize.query<{
    readonly jobs: readonly JobRow[];
    readonly log: readonly Logged<VehicleEvent>[];
  }>(
    `SELECT (SELECT coalesce(jsonb_agg(jsonb_build_object(
               'id', j.id, 'number', j.number, 'work', j.plan_choices->'work', 'moved', j.vehicle_id <> $1,
               'openedAtMs', round(extract(epoch from j.opened_at) * 1000),
               'position', (SELECT coalesce(max(position), 0) FROM job_events WHERE job_id = j.id),
               'additions', (SELECT count(*) FROM job_additions WHERE job_id = j.id)) ORDER BY j.number), '[]')
               FROM jobs j
              WHERE j.number <= $2
                AND (j.vehicle_id = $1 OR j.id IN (SELECT job_id FROM vehicle_order WHERE vehicle_id = $1))) AS jobs,
            (SELECT coalesce(jsonb_agg(${LOGGED_JSON} ORDER BY e.position), '[]')
               FROM vehicle_events e LEFT JOIN vehicle_order o ON o.vehicle_id = e.vehicle_id AND o.event_id = e.id
              WHERE e.vehicle_id = $1) AS log`,
    { type: QueryTypes.SELECT, bind: [vehicle.id, upTo], transaction },
  );
  const { jobs, log } = found!;
  const there = { vehicleId: vehicle.id, layout, layoutKey: JSON.stringify(layout) };
  const says: JobSays[] = [];
  for (const row of jobs) {
    const before = openItems({ layout, jobs: says, log });
    const own = inHand?.job.id === row.id ? inHand : null;
    says.push(
      own
        ? saysByLogs(
            {
              state: own.state,
              additions: row.additions > 0 ? await additionsOf(row.id, transaction) : [],
              moved: own.moved ?? false,
            },
            aboutJob(own.job, layout),
            before,
          )
        : await saysOfRow(vehicle.sequelize, row, there, before, transaction),
    );
  }
  return { layout, jobs: says, log };
}

/** A job as its vehicle knows it. */
export const aboutJob = (
  { id, number, openedAt, planChoices }: Job,
  layout: JobAbout['layout'],
): JobAbout => ({
  jobId: id,
  jobNumber: number,
  openedAtMs: openedAt.getTime(),
  layout,
  work: planChoices?.work ?? null,
});

/** What a vehicle owes besides what one of its jobs says: what that job takes over. */
export async function openItemsBefore(
  vehicle: Pick<Vehicle, 'id' | 'layout' | 'sequelize'>,
  job: { readonly number: number },
  transaction?: Transaction,
): Promise<OpenItem[]> {
  return openItems(await factsOf(vehicle, transaction, undefined, job.number - 1));
}

interface There {
  readonly vehicleId: string;
  readonly layout: JobAbout['layout'];
  readonly layoutKey: string;
}

/** Of a job that nobody changes now: worked out once for its logs as they stand and for what was open before it. */
async function saysOfRow(
  db: Sequelize,
  { id, number, openedAtMs, work, moved, position, additions }: JobRow,
  { vehicleId, layout, layoutKey }: There,
  before: readonly OpenItem[],
  transaction?: Transaction,
): Promise<JobSays> {
  const known = knownIn(db);
  const place = `${id} ${vehicleId}`;
  const by = JSON.stringify([position, additions, moved, work, layoutKey, before]);
  const was = known.get(place);
  if (was?.by === by) return was.says;
  const state = moved
    ? await stateThere(id, vehicleId, transaction)
    : await jobStateOf(id, transaction, position);
  const more = additions > 0 ? await additionsOf(id, transaction) : [];
  const about: JobAbout = { jobId: id, jobNumber: number, openedAtMs, layout, work };
  const says = saysByLogs({ state, additions: more, moved }, about, before);
  known.delete(place);
  known.set(place, { by, says });
  for (const oldest of known.keys()) {
    if (known.size <= MOST_KNOWN) break;
    known.delete(oldest);
  }
  return says;
}

/** Jobs of which a process remembers what they say: those of a workshop's vehicles in a month [M]. */
const MOST_KNOWN = 1_000;

type Known = Map<string, { readonly by: string; readonly says: JobSays }>;
const knowledge = new WeakMap<Sequelize, Known>();
function knownIn(db: Sequelize): Known {
  const known = knowledge.get(db) ?? new Map();
  knowledge.set(db, known);
  return known;
}
