import type { QueryInterface } from 'sequelize';

/** Shelf, house rules and the fluid of each job: poured out of a container, bled, removed, spilled, discarded. What was stored before is lifted on reading. */
export async function up(queries: QueryInterface): Promise<void> {
  await queries.sequelize.query(`
    ALTER TABLE workshops ADD COLUMN house_rules jsonb, ADD COLUMN house_rules_version integer NOT NULL DEFAULT 1;
    ALTER TABLE vehicles ADD COLUMN maker_entry jsonb;
    ALTER TABLE jobs ADD COLUMN pick jsonb;
    CREATE TABLE containers (
      id uuid PRIMARY KEY,
      workshop_id uuid NOT NULL REFERENCES workshops,
      grade text NOT NULL,
      iso_class text,
      batch text NOT NULL,
      size_ml integer NOT NULL CHECK (size_ml > 0),
      state text NOT NULL DEFAULT 'sealed' CHECK (state IN ('sealed', 'opened', 'discarded')),
      received_at timestamptz NOT NULL,
      travelled_at timestamptz,
      opened_at timestamptz,
      kept_capped boolean NOT NULL DEFAULT true,
      discarded_at timestamptz,
      discarded_ml double precision NOT NULL DEFAULT 0 CHECK (discarded_ml >= 0),
      version integer NOT NULL DEFAULT 1
    );
    CREATE INDEX containers_shelf ON containers (workshop_id, state);
    CREATE INDEX containers_batch ON containers (workshop_id, lower(batch));
    CREATE TABLE container_draws (
      job_id uuid NOT NULL REFERENCES jobs,
      container_id uuid NOT NULL REFERENCES containers,
      workshop_id uuid NOT NULL REFERENCES workshops,
      poured_ml double precision NOT NULL CHECK (poured_ml >= 0),
      discarded_ml double precision NOT NULL CHECK (discarded_ml >= 0),
      left_ml double precision NOT NULL CHECK (left_ml >= 0),
      PRIMARY KEY (job_id, container_id)
    );
    CREATE INDEX container_draws_container ON container_draws (container_id);
    CREATE TABLE hand_overs (
      id uuid PRIMARY KEY,
      workshop_id uuid NOT NULL REFERENCES workshops,
      at timestamptz NOT NULL,
      by text NOT NULL,
      to_whom text NOT NULL,
      document text NOT NULL,
      waste_ml double precision NOT NULL CHECK (waste_ml > 0)
    );
    CREATE TABLE fluid_moved (
      id uuid PRIMARY KEY,
      workshop_id uuid NOT NULL REFERENCES workshops,
      job_id uuid UNIQUE REFERENCES jobs,
      container_id uuid UNIQUE REFERENCES containers,
      at timestamptz NOT NULL,
      by text NOT NULL,
      bled_ml double precision NOT NULL CHECK (bled_ml >= 0),
      bled_by text NOT NULL CHECK (bled_by IN ('strokes', 'measured')),
      removed_ml double precision NOT NULL CHECK (removed_ml >= 0),
      spilled_ml double precision NOT NULL CHECK (spilled_ml >= 0),
      discarded_ml double precision NOT NULL CHECK (discarded_ml >= 0),
      caught_ml double precision NOT NULL CHECK (caught_ml >= 0 AND caught_ml <= discarded_ml),
      hand_over_id uuid REFERENCES hand_overs,
      CHECK ((job_id IS NULL) <> (container_id IS NULL))
    );
    CREATE INDEX fluid_moved_drum ON fluid_moved (workshop_id, hand_over_id);
    CREATE TRIGGER hand_overs_append_only BEFORE UPDATE OR DELETE ON hand_overs
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
  `);
}
