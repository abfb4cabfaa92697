import type { QueryInterface } from 'sequelize';

/**
 * The record is guarded by what the app's own role may not do: functions that
 * refuse look at the real tables, whatever stands in a temporary schema, and
 * what a closed job poured can be changed by nobody.
 */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`
    ALTER FUNCTION refuse_change() SET search_path = public, pg_temp;
    ALTER FUNCTION refuse_after_close() SET search_path = public, pg_temp;
    ALTER FUNCTION refuse_release() SET search_path = public, pg_temp;
    CREATE FUNCTION refuse_fluid_of_closed() RETURNS trigger LANGUAGE plpgsql SET search_path = public, pg_temp AS $$
    BEGIN
      IF EXISTS (SELECT 1 FROM jobs WHERE closed AND id IN (NEW.job_id, OLD.job_id)) THEN
        RAISE EXCEPTION 'the fluid of a closed job stands as it was recorded';
      END IF;
      RETURN COALESCE(NEW, OLD);
    END $$;
    CREATE TRIGGER container_draws_closed BEFORE INSERT OR DELETE ON container_draws
      FOR EACH ROW EXECUTE FUNCTION refuse_fluid_of_closed();
    -- What a container was found to hold beyond what the shelf knew of may be counted later.
    CREATE TRIGGER container_draws_closed_update BEFORE UPDATE ON container_draws
      FOR EACH ROW WHEN (
        (OLD.job_id, OLD.container_id, OLD.poured_ml, OLD.discarded_ml)
          IS DISTINCT FROM (NEW.job_id, NEW.container_id, NEW.poured_ml, NEW.discarded_ml)
      ) EXECUTE FUNCTION refuse_fluid_of_closed();
    CREATE TRIGGER fluid_moved_closed BEFORE INSERT OR DELETE ON fluid_moved
      FOR EACH ROW EXECUTE FUNCTION refuse_fluid_of_closed();
    CREATE TRIGGER fluid_moved_closed_update BEFORE UPDATE ON fluid_moved
      FOR EACH ROW WHEN (
        (OLD.job_id, OLD.bled_ml, OLD.removed_ml, OLD.spilled_ml, OLD.discarded_ml, OLD.by, OLD.at)
          IS DISTINCT FROM (NEW.job_id, NEW.bled_ml, NEW.removed_ml, NEW.spilled_ml, NEW.discarded_ml, NEW.by, NEW.at)
      ) EXECUTE FUNCTION refuse_fluid_of_closed();
  `);
}
