import type { QueryInterface } from 'sequelize';

const EVENT_COLUMNS = `
  position integer NOT NULL,
  id uuid NOT NULL,
  workshop_id uuid NOT NULL REFERENCES workshops,
  device_id uuid NOT NULL,
  device_seq integer NOT NULL,
  at timestamptz NOT NULL,
  received_at timestamptz NOT NULL,
  person text NOT NULL,
  event jsonb NOT NULL
`;

/**
 * One log for everything that counts on a job, one for what is said of a
 * vehicle outside any, and one of what arrives after a job was closed. They
 * only grow. What jobs were before is lifted into them after the migrations.
 */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`
    CREATE TABLE job_events (
      job_id uuid NOT NULL REFERENCES jobs,
      ${EVENT_COLUMNS},
      PRIMARY KEY (job_id, position),
      UNIQUE (job_id, id)
    );
    CREATE TABLE job_additions (
      job_id uuid NOT NULL REFERENCES jobs,
      ${EVENT_COLUMNS},
      PRIMARY KEY (job_id, position),
      UNIQUE (job_id, id)
    );
    CREATE TABLE vehicle_events (
      vehicle_id uuid NOT NULL REFERENCES vehicles,
      ${EVENT_COLUMNS},
      PRIMARY KEY (vehicle_id, position),
      UNIQUE (vehicle_id, id)
    );
    CREATE INDEX job_events_close ON job_events (job_id) WHERE event->>'kind' IN ('released', 'ended');
    CREATE FUNCTION refuse_after_close() RETURNS trigger LANGUAGE plpgsql AS $$
    BEGIN
      IF EXISTS (SELECT 1 FROM job_events WHERE job_id = NEW.job_id AND event->>'kind' IN ('released', 'ended')) THEN
        RAISE EXCEPTION 'the log of a closed job can only be added to beside it';
      END IF;
      RETURN NEW;
    END $$;
    CREATE TRIGGER job_events_append_only BEFORE UPDATE OR DELETE ON job_events
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER job_events_closed BEFORE INSERT ON job_events
      FOR EACH ROW EXECUTE FUNCTION refuse_after_close();
    CREATE TRIGGER job_additions_append_only BEFORE UPDATE OR DELETE ON job_additions
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE TRIGGER vehicle_events_append_only BEFORE UPDATE OR DELETE ON vehicle_events
      FOR EACH ROW EXECUTE FUNCTION refuse_change();

    CREATE TABLE job_devices (
      job_id uuid NOT NULL REFERENCES jobs,
      device_id uuid NOT NULL,
      workshop_id uuid NOT NULL REFERENCES workshops,
      person text NOT NULL,
      lowest_waiting integer NOT NULL,
      highest_seq integer NOT NULL,
      seen_at timestamptz NOT NULL,
      PRIMARY KEY (job_id, device_id)
    );
    CREATE TABLE job_drives (
      job_id uuid PRIMARY KEY REFERENCES jobs,
      vehicle_id uuid NOT NULL REFERENCES vehicles,
      number integer NOT NULL,
      opened_at timestamptz NOT NULL,
      closed_by text CHECK (closed_by IN ('released', 'ended')),
      effect jsonb
    );
    CREATE INDEX job_drives_vehicle ON job_drives (vehicle_id, number);
    CREATE TABLE job_lifts (
      job_id uuid PRIMARY KEY REFERENCES jobs,
      version integer NOT NULL,
      lifted_at timestamptz
    );
    INSERT INTO job_lifts (job_id, version) SELECT id, 0 FROM jobs;
    ALTER TABLE jobs ALTER COLUMN proof DROP NOT NULL, ALTER COLUMN drives DROP NOT NULL;
  `);
}
