import type { QueryInterface } from 'sequelize';

/**
 * A closed log stays closed, asked once a batch and not once a row. What stood
 * before the batch closes it whole; what closes within the batch, behind itself.
 */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`
    DROP TRIGGER job_events_closed ON job_events;
    CREATE OR REPLACE FUNCTION refuse_after_close() RETURNS trigger LANGUAGE plpgsql SET search_path = public, pg_temp AS $$
    BEGIN
      IF EXISTS (
        SELECT 1 FROM added JOIN job_events closing USING (job_id)
         WHERE closing.event->>'kind' IN ('released', 'ended')
           AND (closing.position < added.position
                OR NOT EXISTS (SELECT 1 FROM added own WHERE own.job_id = closing.job_id AND own.position = closing.position))
      ) THEN
        RAISE EXCEPTION 'the log of a closed job can only be added to beside it';
      END IF;
      RETURN NULL;
    END $$;
    CREATE TRIGGER job_events_closed AFTER INSERT ON job_events
      REFERENCING NEW TABLE AS added FOR EACH STATEMENT EXECUTE FUNCTION refuse_after_close();
  `);
}
