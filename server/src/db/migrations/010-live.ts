import type { QueryInterface } from 'sequelize';

/**
 * Whoever changes a job tells every server process: which job, and up to which
 * position its log goes. Nothing of the job itself is in the notice, which ends
 * at 8,000 bytes; it goes out with the commit or not at all.
 */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`
    ALTER TABLE job_devices ADD COLUMN holds integer;
    CREATE FUNCTION tell_log() RETURNS trigger LANGUAGE plpgsql SET search_path = public, pg_temp AS $$
    BEGIN
      PERFORM pg_notify('brook_job', job_id || ' ' || max(position)) FROM added GROUP BY job_id;
      RETURN NULL;
    END $$;
    CREATE TRIGGER job_events_tell AFTER INSERT ON job_events
      REFERENCING NEW TABLE AS added FOR EACH STATEMENT EXECUTE FUNCTION tell_log();
    CREATE TRIGGER job_additions_tell AFTER INSERT ON job_additions
      REFERENCING NEW TABLE AS added FOR EACH STATEMENT EXECUTE FUNCTION tell_log();
    CREATE FUNCTION tell_job() RETURNS trigger LANGUAGE plpgsql SET search_path = public, pg_temp AS $$
    BEGIN
      PERFORM pg_notify('brook_job', NEW.id || ' 0');
      RETURN NULL;
    END $$;
    CREATE TRIGGER jobs_tell AFTER UPDATE ON jobs
      FOR EACH ROW WHEN (OLD.version IS DISTINCT FROM NEW.version) EXECUTE FUNCTION tell_job();
  `);
}
