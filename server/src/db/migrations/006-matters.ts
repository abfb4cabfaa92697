import type { QueryInterface } from 'sequelize';

/**
 * What a vehicle still owes: rows of what was opened and what was settled, that
 * only grow, and what each job says of it. A job becomes "released" only beside
 * an answer of the gate for its log as it stands, and with nothing open that
 * holds its vehicle, whatever sends the change.
 */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`
    CREATE TABLE job_says (
      job_id uuid PRIMARY KEY REFERENCES jobs,
      vehicle_id uuid NOT NULL REFERENCES vehicles,
      number integer NOT NULL,
      says jsonb NOT NULL
    );
    CREATE INDEX job_says_vehicle ON job_says (vehicle_id, number);
    DROP TABLE job_drives;

    CREATE TABLE matter_entries (
      vehicle_id uuid NOT NULL REFERENCES vehicles,
      position integer NOT NULL,
      workshop_id uuid NOT NULL REFERENCES workshops,
      matter_id text NOT NULL,
      entry text NOT NULL CHECK (entry IN ('opened', 'settled')),
      weight text NOT NULL CHECK (weight IN ('holds', 'owed')),
      matter jsonb NOT NULL,
      settled_by text CHECK ((entry = 'settled') = (settled_by IS NOT NULL)),
      at timestamptz NOT NULL,
      person text NOT NULL,
      PRIMARY KEY (vehicle_id, position)
    );
    CREATE TRIGGER matter_entries_append_only BEFORE UPDATE OR DELETE ON matter_entries
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE VIEW open_matters AS
      SELECT * FROM (
        SELECT DISTINCT ON (vehicle_id, matter_id) * FROM matter_entries
         ORDER BY vehicle_id, matter_id, position DESC
      ) last WHERE entry = 'opened';

    CREATE TABLE gate_answers (
      job_id uuid NOT NULL REFERENCES jobs,
      position integer NOT NULL,
      workshop_id uuid NOT NULL REFERENCES workshops,
      answer jsonb NOT NULL,
      at timestamptz NOT NULL,
      person text NOT NULL,
      PRIMARY KEY (job_id, position)
    );
    CREATE TRIGGER gate_answers_append_only BEFORE UPDATE OR DELETE ON gate_answers
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
    CREATE FUNCTION refuse_release() RETURNS trigger LANGUAGE plpgsql AS $$
    BEGIN
      IF NOT EXISTS (
        SELECT 1 FROM gate_answers g WHERE g.job_id = NEW.id
           AND g.position = (SELECT max(position) FROM job_events WHERE job_id = NEW.id AND event->>'kind' <> 'released')
           AND g.answer->>'verdict' = 'release' AND jsonb_array_length(g.answer->'reasons') = 0
      ) THEN
        RAISE EXCEPTION 'a job is released by the gate, for its log as it stands';
      END IF;
      IF EXISTS (SELECT 1 FROM open_matters m WHERE m.vehicle_id = NEW.vehicle_id AND m.weight = 'holds') THEN
        RAISE EXCEPTION 'a job is not released while something holds its vehicle';
      END IF;
      RETURN NEW;
    END $$;
    CREATE TRIGGER jobs_release_insert BEFORE INSERT ON jobs
      FOR EACH ROW WHEN (NEW.stage = 'released' OR NEW.released IS NOT NULL) EXECUTE FUNCTION refuse_release();
    CREATE TRIGGER jobs_release_update BEFORE UPDATE ON jobs
      FOR EACH ROW WHEN (
        (NEW.stage = 'released' AND OLD.stage <> 'released') OR (NEW.released IS NOT NULL AND OLD.released IS NULL)
      ) EXECUTE FUNCTION refuse_release();
  `);
}
