import type { ManualTorque } from '@brook/core/log';
import { QueryTypes } from 'sequelize';
import { JobEventRow, type Job } from '../db/models';

/** The manual's values that earlier jobs of a vehicle looked up, the last one of each joint. */
export async function manualTorquesOf({
  vehicleId,
  number,
}: Pick<Job, 'vehicleId' | 'number'>): Promise<ManualTorque[]> {
  return JobEventRow.sequelize!.query<ManualTorque>(
    `SELECT DISTINCT ON (e.event->>'elementId')
            e.event->>'elementId' AS "elementId", (e.event->>'manualNm')::double precision AS "manualNm", e.person || ', job ' || j.number AS "by"
       FROM jobs j JOIN job_events e ON e.job_id = j.id AND e.event->>'kind' = 'joint tightened'
      WHERE j.vehicle_id = :vehicleId AND j.number < :number
        AND e.event->>'manualNm' IS NOT NULL
        AND NOT EXISTS (SELECT 1 FROM job_events u
                         WHERE u.job_id = e.job_id AND u.event->>'kind' = 'undone' AND u.event->>'eventId' = e.id::text)
      ORDER BY e.event->>'elementId', j.number DESC, e.position DESC`,
    { type: QueryTypes.SELECT, replacements: { vehicleId, number } },
  );
}
