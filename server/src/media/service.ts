import type { StoredMedia, MediaPage, VehicleNote, VehicleNotesPage } from '@brook/contract';
import type { Medium } from '@brook/core/job/events';
import { createHash } from 'node:crypto';
import { QueryTypes, UniqueConstraintError } from 'sequelize';
import { z } from 'zod';
import { Job, MediaRow } from '../db/models';
import { moment, pageOf, placeAfter, type PageRequest } from '../http/cursor';
import { notFound, refused } from '../http/problems/kinds';
import type { Actor } from '../session/actor';
import { findVehicle } from '../workshop/vehicle/findVehicle';
import { reencode } from './reencode';

interface NotedMedia {
  readonly jobId: string;
  readonly medium: Medium;
}

/**
 * Take the photo or voice note that an event of this workshop tells of. It may
 * come long after the event; sent twice it changes nothing.
 *
 * @throws ProblemError not-found where no event tells of it, refused where the id stands for another one already, invalid where it is none
 */
export async function putMedia(actor: Actor, id: string, sent: Buffer, at: Date): Promise<void> {
  const { workshopId, name } = actor;
  const told = await toldBy(actor, id);
  const sentSha256 = createHash('sha256').update(sent).digest('hex');
  if (await isKept(workshopId, id, sentSha256)) return;
  const { content, contentType } = await reencode(told.medium, sent);
  const { jobId, medium } = told;
  try {
    await MediaRow.create({
      workshopId,
      id,
      jobId,
      medium,
      contentType,
      content,
      sentSha256,
      person: name,
      receivedAt: at,
    });
  } catch (error) {
    // Sent twice at the same moment: whichever came second is held against the first.
    if (!(error instanceof UniqueConstraintError)) throw error;
    await isKept(workshopId, id, sentSha256);
  }
}

/** Whether it is with the workshop. @throws ProblemError refused where another one is under this id */
async function isKept(workshopId: string, id: string, sentSha256: string): Promise<boolean> {
  const kept = await MediaRow.findOne({ where: { workshopId, id }, attributes: ['sentSha256'] });
  if (kept && kept.sentSha256 !== sentSha256)
    throw refused('Another photo or voice note stands under this id; one that is kept stays.');
  return kept !== null;
}

/** The job in whose log an event tells of it, or beside whose record. @throws ProblemError not-found where none does */
export async function toldBy({ workshopId }: Actor, id: string): Promise<NotedMedia> {
  const [told] = await MediaRow.sequelize!.query<NotedMedia>(
    ['job_events', 'job_additions']
      .map(
        (log) =>
          `SELECT job_id AS "jobId", event->>'medium' AS medium FROM ${log}
            WHERE workshop_id = :workshopId AND id = :id AND event->>'kind' = 'media note'`,
      )
      .join(' UNION ALL '),
    { type: QueryTypes.SELECT, replacements: { workshopId, id } },
  );
  if (!told) throw notFound('photo or voice note');
  return told;
}

/** One photo or voice note. @throws ProblemError not-found where it is not with this workshop */
export async function getMedia({ workshopId }: Actor, id: string): Promise<MediaRow> {
  const kept = await MediaRow.findOne({ where: { workshopId, id } });
  if (!kept) throw notFound('photo or voice note');
  return kept;
}

/** Which photos and voice notes of a job are with the workshop, a page of them in the order in which they came. */
export async function mediaOfJob(
  { workshopId }: Actor,
  jobId: string,
  page: PageRequest,
): Promise<MediaPage> {
  const after = placeAfter(place, page);
  if ((await Job.count({ where: { id: jobId, workshopId } })) === 0) throw notFound('job');
  const found = await MediaRow.sequelize!.query<Omit<StoredMedia, 'receivedAt'> & { at: Date }>(
    `SELECT id, medium, content_type AS "contentType", octet_length(content) AS "sizeBytes", received_at AS at
       FROM media WHERE job_id = :jobId
         ${after ? 'AND (received_at, id) > (CAST(:at AS timestamptz), CAST(:id AS uuid))' : ''}
      ORDER BY received_at, id LIMIT :limit`,
    { type: QueryTypes.SELECT, replacements: { ...after, jobId, limit: page.limit + 1 } },
  );
  const { shown, next } = pageOf(found, page.limit, ({ at, id }) => ({ at, id }));
  return { media: shown.map(({ at, ...row }) => ({ ...row, receivedAt: at.toISOString() })), next };
}

const place = z.strictObject({ at: moment, id: z.uuid() });

/** A page of the photos and voice notes of a vehicle, of whichever job and beside whichever record, newest first; what was taken back is not among them. */
export async function notesOfVehicle(
  actor: Actor,
  vehicleId: string,
  page: PageRequest,
): Promise<VehicleNotesPage> {
  const vehicle = await findVehicle(actor, vehicleId);
  const after = placeAfter(place, page);
  const told = ['job_events', 'job_additions']
    .map(
      (log) =>
        `SELECT e.id, e.job_id, e.at, e.event, e.person FROM ${log} e JOIN jobs j ON j.id = e.job_id
          WHERE j.vehicle_id = :vehicleId AND e.event->>'kind' = 'media note' AND ${inEffect(log)}`,
    )
    .join(' UNION ALL ');
  const rows = await MediaRow.sequelize!.query<Omit<VehicleNote, 'at'> & { at: Date }>(
    `SELECT n.id, n.job_id AS "jobId", j.number AS "jobNumber", n.event->>'medium' AS medium,
            n.event->>'elementId' AS "elementId", n.person,
            n.at,
            EXISTS (SELECT 1 FROM media m WHERE m.workshop_id = :workshopId AND m.id = n.id) AS arrived
       FROM (${told}) n JOIN jobs j ON j.id = n.job_id
      ${after ? `WHERE (n.at, n.id) < (CAST(:at AS timestamptz), CAST(:id AS uuid))` : ''}
      ORDER BY n.at DESC, n.id DESC LIMIT :limit`,
    {
      type: QueryTypes.SELECT,
      replacements: {
        ...after,
        vehicleId: vehicle.id,
        workshopId: actor.workshopId,
        limit: page.limit + 1,
      },
    },
  );
  const { shown, next } = pageOf(rows, page.limit, ({ at, id }) => ({ at, id }));
  return {
    notes: shown.map(({ at, ...note }) => ({ ...note, at: at.toISOString() })),
    next,
  };
}

/** Whether an event of a log stands: it was not taken back, or that was. */
const inEffect = (log: string): string =>
  `NOT EXISTS (SELECT 1 FROM ${log} u
     WHERE u.job_id = e.job_id AND u.event->>'kind' = 'undone' AND u.event->>'eventId' = e.id::text
       AND NOT EXISTS (SELECT 1 FROM ${log} r
         WHERE r.job_id = u.job_id AND r.event->>'kind' = 'undone' AND r.event->>'eventId' = u.id::text))`;
