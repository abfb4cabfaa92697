import { QueryTypes } from 'sequelize';
import { JOB_BEAT_MS } from '@brook/contract/beats';
import { v4 as uuid } from 'uuid';
import { LiveLineRow } from '../../db/models';

/** Live lines that stand open at the same time, at the most: of one person, and of a workshop [M]. */
export const LINES_OF_PERSON = 30;
export const LINES_OF_WORKSHOP = 300;
/** A line whose process died says nothing any more: after so long it counts no longer, ms. */
const GONE_AFTER_MS = 4 * JOB_BEAT_MS;

/** Whose line it is: an account's, or the link's of a helper's phone. */
export interface LineOf {
  readonly workshopId: string;
  readonly person: string;
}

/** One line that is counted, whichever process holds it. */
export interface OpenLine {
  /** It stands still. */
  readonly beat: (at: Date) => Promise<void>;
  readonly end: () => Promise<void>;
}

/**
 * Take one more line, counted with those of every server process.
 *
 * @returns null where this person or this workshop has as many as there are
 */
export async function takeLine(of: LineOf, at: Date): Promise<OpenLine | null> {
  const { workshopId, person } = of;
  const id = uuid();
  const db = LiveLineRow.sequelize!;
  const taken = await db.transaction(async (transaction) => {
    // Two that open at once count each other.
    await db.query(`SELECT pg_advisory_xact_lock(hashtextextended($1, 1))`, {
      bind: [workshopId],
      transaction,
    });
    const rows = await db.query<{ id: string }>(
      `WITH gone AS (DELETE FROM live_lines WHERE workshop_id = $2 AND seen_at < $4 RETURNING id),
            open AS (SELECT person FROM live_lines WHERE workshop_id = $2 AND seen_at >= $4)
       INSERT INTO live_lines (id, workshop_id, person, seen_at)
       SELECT $1, $2, $3, $5
        WHERE (SELECT count(*) FROM open) < $6 AND (SELECT count(*) FROM open WHERE person = $3) < $7
       RETURNING id`,
      {
        type: QueryTypes.SELECT,
        bind: [
          id,
          workshopId,
          person,
          new Date(at.getTime() - GONE_AFTER_MS),
          at,
          LINES_OF_WORKSHOP,
          LINES_OF_PERSON,
        ],
        transaction,
      },
    );
    return rows.length > 0;
  });
  if (!taken) return null;
  return {
    beat: async (seenAt) => {
      await LiveLineRow.update({ seenAt }, { where: { id } });
    },
    end: async () => {
      // What cannot be ended now ends by its silence.
      await LiveLineRow.destroy({ where: { id } }).catch(() => undefined);
    },
  };
}
