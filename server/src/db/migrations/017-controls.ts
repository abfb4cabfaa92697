import type { QueryInterface } from 'sequelize';

/** How each control was when its job was closed, with what was measured at it. Only ever added. */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`
    CREATE TABLE control_results (
      job_id uuid NOT NULL REFERENCES jobs,
      master_id text NOT NULL,
      vehicle_id uuid NOT NULL REFERENCES vehicles,
      at timestamptz NOT NULL,
      released boolean NOT NULL,
      found jsonb NOT NULL,
      PRIMARY KEY (job_id, master_id)
    );
    CREATE INDEX control_results_vehicle ON control_results (vehicle_id, at, job_id, master_id);
    CREATE TRIGGER control_results_append_only BEFORE UPDATE OR DELETE ON control_results
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
  `);
}
