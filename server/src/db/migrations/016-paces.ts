import type { QueryInterface } from 'sequelize';

/** What closed runs took, opening by opening, against what was planned. Only ever added. */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`
    CREATE TABLE run_paces (
      job_id uuid NOT NULL REFERENCES jobs,
      n integer NOT NULL,
      workshop_id uuid NOT NULL REFERENCES workshops,
      vehicle_id uuid NOT NULL REFERENCES vehicles,
      at timestamptz NOT NULL,
      method text NOT NULL,
      seconds_per_stroke double precision,
      minutes_between double precision,
      pace jsonb NOT NULL,
      PRIMARY KEY (job_id, n)
    );
    CREATE INDEX run_paces_vehicle ON run_paces (vehicle_id, at, job_id, n);
    CREATE INDEX run_paces_workshop ON run_paces (workshop_id, method);
    CREATE TRIGGER run_paces_append_only BEFORE UPDATE OR DELETE ON run_paces
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
  `);
}
