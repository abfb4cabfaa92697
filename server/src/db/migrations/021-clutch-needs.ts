import type { QueryInterface } from 'sequelize';

/**
 * What a clutch needs by its job: what was said once is known to the next one.
 * Air that was told against the measure of a job that ended unreleased is told
 * anew: that job may have left some.
 */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`
    CREATE INDEX job_events_clutch_needs ON job_events (job_id) WHERE event->>'kind' = 'clutch needs';
    ALTER TABLE control_air DISABLE TRIGGER control_air_append_only;
    DELETE FROM control_air a
     USING control_air f JOIN jobs j ON j.id = f.job_id
     WHERE f.first AND j.released IS NULL AND a.vehicle_id = f.vehicle_id AND a.master_id = f.master_id;
    ALTER TABLE control_air ENABLE TRIGGER control_air_append_only;
  `);
}
