import type { ClutchNeed, ManualTorque } from '@brook/core/job/log';
import type { JobEvent } from '@brook/core/job/events';
import { QueryTypes } from 'sequelize';
import { JobEventRow, type Job } from '../../db/models';

type StandingWord = Extract<JobEvent, { readonly kind: 'joint tightened' | 'clutch needs' }>;

/**
 * The last word that earlier jobs of a vehicle said of each thing, as far as
 * nobody took it back.
 *
 * @param of field of the event that names the thing
 * @param having field without which an event says nothing here
 */
function earlierWords<K extends StandingWord['kind']>(
  { vehicleId, number }: Pick<Job, 'vehicleId' | 'number'>,
  kind: K,
  { of, having }: { readonly of: string; readonly having: string },
): Promise<{ readonly event: Extract<StandingWord, { readonly kind: K }>; readonly by: string }[]> {
  return JobEventRow.sequelize!.query(
    `SELECT DISTINCT ON (e.event->>:of) e.event, e.person || ', job ' || j.number AS "by"
       FROM jobs j JOIN job_events e ON e.job_id = j.id AND e.event->>'kind' = :kind
      WHERE j.vehicle_id = :vehicleId AND j.number < :number
        AND e.event->>:having IS NOT NULL
        AND NOT EXISTS (SELECT 1 FROM job_events u
                         WHERE u.job_id = e.job_id AND u.event->>'kind' = 'undone' AND u.event->>'eventId' = e.id::text)
      ORDER BY e.event->>:of, j.number DESC, e.position DESC`,
    { type: QueryTypes.SELECT, replacements: { vehicleId, number, kind, of, having } },
  );
}

/** The manual's values that earlier jobs of a vehicle looked up, the last one of each joint. */
export async function manualTorquesOf(
  job: Pick<Job, 'vehicleId' | 'number'>,
): Promise<ManualTorque[]> {
  const words = await earlierWords(job, 'joint tightened', { of: 'elementId', having: 'manualNm' });
  return words.map(({ event, by }) => ({
    elementId: event.elementId,
    manualNm: event.manualNm!,
    by,
  }));
}

/** What earlier jobs of a vehicle said that its clutches need, the last word of each. */
export async function clutchNeedsOf(job: Pick<Job, 'vehicleId' | 'number'>): Promise<ClutchNeed[]> {
  const words = await earlierWords(job, 'clutch needs', { of: 'masterId', having: 'masterId' });
  return words.map(({ event: { masterId, slaveTravelMm, window, pitchMm }, by }) => ({
    masterId,
    slaveTravelMm,
    window,
    pitchMm,
    by,
  }));
}
