import type { QueryInterface } from 'sequelize';

/** Photos and voice notes, each under the id of the event that tells of it; they are only ever added. And what lists by page go by. */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`
    CREATE TABLE media (
      workshop_id uuid NOT NULL REFERENCES workshops,
      id uuid NOT NULL,
      job_id uuid NOT NULL REFERENCES jobs,
      medium text NOT NULL CHECK (medium IN ('photo', 'voice')),
      content_type text NOT NULL,
      content bytea NOT NULL CHECK (octet_length(content) BETWEEN 1 AND 5242880),
      sent_sha256 text NOT NULL,
      person text NOT NULL,
      received_at timestamptz NOT NULL,
      PRIMARY KEY (workshop_id, id)
    );
    -- Packed already: a second time costs and gains nothing.
    ALTER TABLE media ALTER COLUMN content SET STORAGE EXTERNAL;
    CREATE INDEX media_job ON media (job_id);
    CREATE INDEX job_events_media ON job_events (workshop_id, id) WHERE event->>'kind' = 'media note';
    CREATE INDEX job_additions_media ON job_additions (workshop_id, id) WHERE event->>'kind' = 'media note';
    CREATE INDEX vehicles_list ON vehicles (workshop_id, name, tag, id);
    CREATE INDEX hand_overs_list ON hand_overs (workshop_id, at);
    CREATE TRIGGER media_append_only BEFORE UPDATE OR DELETE ON media
      FOR EACH ROW EXECUTE FUNCTION refuse_change();
  `);
}
