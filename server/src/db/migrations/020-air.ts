import type { QueryInterface } from 'sequelize';

/** Air behind each control that a closed job measured, against the first measure of that control on record. Only ever added. */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`
    CREATE TABLE control_air (
      job_id uuid NOT NULL REFERENCES jobs,
      master_id text NOT NULL,
      workshop_id uuid NOT NULL REFERENCES workshops,
      vehicle_id uuid NOT NULL REFERENCES vehicles,
      control text NOT NULL,
      at timestamptz NOT NULL,
      first boolean NOT NULL,
      ml double precision NOT NULL,
      sd_ml double precision NOT NULL CHECK (sd_ml > 0),
      PRIMARY KEY (job_id, master_id)
    );
    CREATE INDEX control_air_workshop ON control_air (workshop_id, vehicle_id, master_id, at);
    CREATE INDEX control_air_vehicle ON control_air (vehicle_id, master_id) WHERE first;
    CREATE TRIGGER control_air_append_only BEFORE UPDATE OR DELETE ON control_air
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
  `);
}
