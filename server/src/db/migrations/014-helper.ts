import type { QueryInterface } from 'sequelize';

/**
 * Links of helpers' phones, each to one run, known by the hashes of a code and
 * of what a joined phone got for it. Where their call stands is told to every
 * server process as a changed job is.
 */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`
    CREATE TABLE helper_links (
      id uuid PRIMARY KEY,
      workshop_id uuid NOT NULL REFERENCES workshops,
      job_id uuid NOT NULL REFERENCES jobs,
      code_hash text NOT NULL UNIQUE,
      token_hash text UNIQUE,
      name text,
      made_at timestamptz NOT NULL,
      ended_at timestamptz,
      phase text NOT NULL DEFAULT 'ready',
      stop_id text,
      helper_seen_at timestamptz,
      wrench_seen_at timestamptz NOT NULL
    );
    CREATE UNIQUE INDEX helper_links_open ON helper_links (job_id) WHERE ended_at IS NULL;
    CREATE FUNCTION tell_helper() RETURNS trigger LANGUAGE plpgsql SET search_path = public, pg_temp AS $$
    BEGIN
      PERFORM pg_notify('brook_job', NEW.job_id || ' 0');
      RETURN NULL;
    END $$;
    CREATE TRIGGER helper_links_made AFTER INSERT ON helper_links
      FOR EACH ROW EXECUTE FUNCTION tell_helper();
    CREATE TRIGGER helper_links_tell AFTER UPDATE ON helper_links
      FOR EACH ROW WHEN ((OLD.phase, OLD.stop_id, OLD.token_hash, OLD.ended_at) IS DISTINCT FROM (NEW.phase, NEW.stop_id, NEW.token_hash, NEW.ended_at))
      EXECUTE FUNCTION tell_helper();
  `);
}
