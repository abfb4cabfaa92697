import type { QueryInterface } from 'sequelize';

/** What each job left inside its vehicle when it was closed: where the next one begins. It is written once. */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`
    CREATE TABLE job_inside (
      job_id uuid PRIMARY KEY REFERENCES jobs,
      vehicle_id uuid NOT NULL REFERENCES vehicles,
      number integer NOT NULL,
      inside jsonb NOT NULL
    );
    CREATE INDEX job_inside_vehicle ON job_inside (vehicle_id, number);
    CREATE TRIGGER job_inside_append_only BEFORE UPDATE OR DELETE ON job_inside
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
  `);
}
