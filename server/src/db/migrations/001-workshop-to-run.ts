import type { QueryInterface } from 'sequelize';

/** Everything belongs to a workshop; a run's log can only grow. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    CREATE TABLE workshops (
      id uuid PRIMARY KEY,
      name text NOT NULL,
      time_zone text NOT NULL,
      next_job_number integer NOT NULL DEFAULT 1
    );
    CREATE TABLE users (
      id uuid PRIMARY KEY,
      workshop_id uuid NOT NULL REFERENCES workshops,
      login text NOT NULL UNIQUE,
      name text NOT NULL,
      role text NOT NULL CHECK (role IN ('technician', 'lead')),
      password_hash text NOT NULL
    );
    CREATE TABLE sessions (
      sid text PRIMARY KEY,
      sess json NOT NULL,
      expire timestamptz NOT NULL
    );
    CREATE INDEX sessions_expire ON sessions (expire);
    CREATE TABLE vehicles (
      id uuid PRIMARY KEY,
      workshop_id uuid NOT NULL REFERENCES workshops,
      name text NOT NULL,
      tag text NOT NULL,
      layout jsonb NOT NULL,
      drive_state text NOT NULL DEFAULT 'free' CHECK (drive_state IN ('free', 'do not drive', 'test drive only')),
      drive_since timestamptz,
      drive_reason text,
      version integer NOT NULL DEFAULT 1,
      UNIQUE (workshop_id, tag)
    );
    CREATE TABLE jobs (
      id uuid PRIMARY KEY,
      workshop_id uuid NOT NULL REFERENCES workshops,
      vehicle_id uuid NOT NULL REFERENCES vehicles,
      number integer NOT NULL,
      stage text NOT NULL,
      closed boolean NOT NULL DEFAULT false,
      opened_at timestamptz NOT NULL,
      opened_by text NOT NULL,
      closed_at timestamptz,
      fluid jsonb,
      plan_result jsonb,
      plan_accepted jsonb,
      proof jsonb NOT NULL,
      drives jsonb NOT NULL,
      released jsonb,
      ended jsonb,
      version integer NOT NULL DEFAULT 1,
      UNIQUE (workshop_id, number)
    );
    CREATE INDEX jobs_list ON jobs (workshop_id, closed, opened_at DESC, id DESC);
    CREATE UNIQUE INDEX jobs_one_open ON jobs (vehicle_id) WHERE NOT closed;
    CREATE INDEX jobs_vehicle ON jobs (vehicle_id, opened_at DESC);
    CREATE TABLE run_events (
      job_id uuid NOT NULL REFERENCES jobs,
      position integer NOT NULL,
      id uuid NOT NULL,
      workshop_id uuid NOT NULL REFERENCES workshops,
      device_id uuid NOT NULL,
      device_seq integer NOT NULL,
      at timestamptz NOT NULL,
      by text NOT NULL,
      event jsonb NOT NULL,
      PRIMARY KEY (job_id, position),
      UNIQUE (job_id, id),
      UNIQUE (job_id, device_id, device_seq)
    );
    CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
    BEGIN
      RAISE EXCEPTION 'this record can only be added to';
    END $$;
    CREATE TRIGGER run_events_append_only BEFORE UPDATE OR DELETE ON run_events
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER jobs_released_read_only BEFORE UPDATE OR DELETE ON jobs
      FOR EACH ROW WHEN (OLD.closed) EXECUTE FUNCTION refuse_change();
  `);
}
