import type { QueryInterface } from 'sequelize';

/** The clocks of a job that run, as its log says, for the list of jobs. */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`ALTER TABLE jobs ADD COLUMN clocks jsonb NOT NULL DEFAULT '[]'`);
}
