import type { QueryInterface } from 'sequelize';

/** Torques by their job: the manual's value that was looked up once is known to the next one. What leads let go, the newest first. */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`
    CREATE INDEX job_events_joints ON job_events (job_id) WHERE event->>'kind' = 'joint tightened';
    CREATE INDEX job_events_overridden ON job_events (workshop_id, at) WHERE event->>'kind' = 'overridden';
  `);
}
