import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { QueryTypes, type Sequelize } from 'sequelize';

/** The one migration, as text. */
export const SCHEMA = readFileSync(new URL('./schema.sql', import.meta.url), 'utf8');

/** A database that another text of the migration made: its message says what to do. */
export class MadeByAnotherVersion extends Error {
  constructor() {
    super(
      'This data was made by another version of Cascade Brook, which this one does not read. Start with --fresh to throw it away and begin anew, or give another folder with --data.',
    );
  }
}

/**
 * Make an empty database; one that this text made is left as it is.
 *
 * @throws MadeByAnotherVersion where something stands there that it did not make
 */
export async function migrate(db: Sequelize, schema: string = SCHEMA): Promise<void> {
  const sha256 = createHash('sha256').update(schema).digest('hex');
  await db.transaction(async (transaction) => {
    const ask = async (sql: string) =>
      (await db.query<{ answer: string | null }>(sql, { type: QueryTypes.SELECT, transaction }))[0]
        ?.answer ?? null;
    const madeBy =
      (await ask(`SELECT to_regclass('public.made_by')::text AS answer`)) &&
      (await ask('SELECT sha256 AS answer FROM made_by'));
    if (madeBy === sha256) return;
    const tables = await ask(
      `SELECT min(tablename) AS answer FROM pg_tables WHERE schemaname = 'public'`,
    );
    if (tables !== null) throw new MadeByAnotherVersion();
    await db.query(schema, { transaction });
    await db.query('CREATE TABLE made_by (sha256 text PRIMARY KEY)', { transaction });
    await db.query('INSERT INTO made_by VALUES (:sha256)', {
      replacements: { sha256 },
      transaction,
    });
  });
}
