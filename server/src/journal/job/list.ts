import type { JobPage, JobSummary } from '@brook/contract';
import { QueryTypes } from 'sequelize';
import { z } from 'zod';
import { Job } from '../../db/models';
import { moment, pageOf, placeAfter, type PageRequest } from '../../http/cursor';
import type { Actor } from '../../session/actor';

const place = z.strictObject({ closed: z.boolean(), openedAt: moment, id: z.uuid() });
type Place = z.output<typeof place>;

interface Row {
  id: string;
  number: number;
  vehicleId: string;
  vehicleName: string;
  vehicleTag: string;
  vehicleDrive: JobSummary['vehicleDrive'];
  owes: number;
  stage: JobSummary['stage'];
  purpose: JobSummary['purpose'];
  openedAt: Date;
  closedAt: Date | null;
  clocks: JobSummary['clocks'];
}

/** A page of the workshop's jobs: open before closed, newest first, by keyset over the index `jobs_list`. */
export async function listJobs(
  actor: Actor,
  page: PageRequest & { readonly q?: string | undefined; readonly vehicle?: string | undefined },
): Promise<JobPage> {
  const after = placeAfter(place, page);
  // Open and closed ones are asked for apart, so that each is one range of the index.
  const parts = after?.closed ? [true] : [false, true];
  const jobs: JobSummary[] = [];
  for (const closed of parts) {
    const from = after && after.closed === closed ? after : null;
    if (jobs.length <= page.limit)
      jobs.push(
        ...(await summaries({
          workshopId: actor.workshopId,
          vehicleId: page.vehicle,
          closed,
          after: from,
          words: wordsOf(page.q),
          limit: page.limit + 1 - jobs.length,
        })),
      );
  }
  const { shown, next } = pageOf(jobs, page.limit, ({ id, openedAt, closedAt }) => ({
    closed: closedAt !== null,
    openedAt,
    id,
  }));
  return { jobs: shown, next };
}

/** Jobs as a list shows them, newest first. */
export async function summaries(of: {
  workshopId: string;
  vehicleId?: string | undefined;
  closed?: boolean;
  after?: Place | null;
  /** Patterns of which each must stand somewhere in vehicle or number. */
  words?: readonly string[];
  limit?: number;
}): Promise<JobSummary[]> {
  const rows = await Job.sequelize!.query<Row>(
    `SELECT j.id, j.number, j.vehicle_id AS "vehicleId", v.name AS "vehicleName", v.tag AS "vehicleTag", v.drive_state AS "vehicleDrive",
            (SELECT count(DISTINCT (m.weight, m.open_item->>'kind', m.open_item->>'jobId', m.open_item->>'because'))::int FROM open_items m
              WHERE m.vehicle_id = v.id AND m.open_item->>'kind' <> 'by feel' AND (m.open_item->>'jobId' IS NOT DISTINCT FROM j.id::text) = j.closed) AS owes,
            j.stage, COALESCE(j.plan_choices #>> '{work,purpose}', 'routine flush') AS purpose, j.opened_at AS "openedAt", j.closed_at AS "closedAt",
            CASE WHEN j.closed THEN '[]' ELSE j.clocks END AS clocks
       FROM jobs j JOIN vehicles v ON v.id = j.vehicle_id
      WHERE j.workshop_id = :workshopId
        ${of.vehicleId ? 'AND j.vehicle_id = :vehicleId' : ''}
        ${of.closed === undefined ? '' : 'AND j.closed = :closed'}
        ${of.words?.length ? `AND (v.name || ' ' || v.tag || ' ' || j.number) ILIKE ALL (ARRAY[:words])` : ''}
        ${of.after ? 'AND (j.opened_at, j.id) < (CAST(:openedAt AS timestamptz), CAST(:id AS uuid))' : ''}
      ORDER BY j.opened_at DESC, j.id DESC
      ${of.limit === undefined ? '' : 'LIMIT :limit'}`,
    { type: QueryTypes.SELECT, replacements: { ...of, ...of.after } },
  );
  return rows.map((r) => ({
    ...r,
    openedAt: r.openedAt.toISOString(),
    closedAt: r.closedAt?.toISOString() ?? null,
  }));
}

/** What was typed as patterns of SQL, word by word; signs that mean something there mean themselves. */
const wordsOf = (q: string | undefined): string[] =>
  (q ?? '')
    .split(/\s+/)
    .filter(Boolean)
    .map((word) => `%${word.replace(/[\\%_]/g, (sign) => `\\${sign}`)}%`);
