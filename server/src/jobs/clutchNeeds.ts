import type { ClutchNeed } from '@brook/core/log';
import { QueryTypes } from 'sequelize';
import { JobEventRow, type Job } from '../db/models';

/** What earlier jobs of a vehicle said that its clutches need, the last word of each. */
export async function clutchNeedsOf({
  vehicleId,
  number,
}: Pick<Job, 'vehicleId' | 'number'>): Promise<ClutchNeed[]> {
  return JobEventRow.sequelize!.query<ClutchNeed>(
    `SELECT DISTINCT ON (e.event->>'masterId')
            e.event->>'masterId' AS "masterId", (e.event->>'slaveTravelMm')::double precision AS "slaveTravelMm",
            NULLIF(e.event->'window', 'null') AS "window", (e.event->>'pitchMm')::double precision AS "pitchMm",
            e.person || ', job ' || j.number AS "by"
       FROM jobs j JOIN job_events e ON e.job_id = j.id AND e.event->>'kind' = 'clutch needs'
      WHERE j.vehicle_id = :vehicleId AND j.number < :number
        AND NOT EXISTS (SELECT 1 FROM job_events u
                         WHERE u.job_id = e.job_id AND u.event->>'kind' = 'undone' AND u.event->>'eventId' = e.id::text)
      ORDER BY e.event->>'masterId', j.number DESC, e.position DESC`,
    { type: QueryTypes.SELECT, replacements: { vehicleId, number } },
  );
}
