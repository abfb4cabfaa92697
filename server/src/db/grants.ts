import type { Sequelize } from 'sequelize';

/** The role under which the service runs. It owns nothing. */
export const APP_ROLE = 'brook_app';

/**
 * What the service may do with each table; whatever is not listed it may not
 * do. Logs and answers of the gate can be read and added to, and nothing else.
 * What a person may do, what a vehicle owes and whether it may move change only
 * by functions of the owner. The record of a closed job is guarded besides by
 * triggers, which only the owner could take off.
 */
const GRANTS: Readonly<Record<string, string>> = {
  workshops: 'SELECT, INSERT, UPDATE',
  users: 'SELECT, UPDATE (password_hash, left_at, left_by, units)',
  sessions: 'SELECT, INSERT, UPDATE, DELETE',
  invitations: 'SELECT, INSERT, UPDATE (ended_at)',
  sign_in_tries: 'SELECT, INSERT, DELETE',
  vehicles:
    'SELECT, INSERT (id, workshop_id, name, tag, layout, maker_entry, version), UPDATE (name, tag, layout, maker_entry, version)',
  vehicle_events: 'SELECT, INSERT',
  vehicle_order: 'SELECT, INSERT',
  jobs: 'SELECT, INSERT, UPDATE',
  job_events: 'SELECT, INSERT',
  job_additions: 'SELECT, INSERT',
  media: 'SELECT, INSERT',
  job_devices: 'SELECT, INSERT, UPDATE',
  helper_links: 'SELECT, INSERT, UPDATE',
  live_lines: 'SELECT, INSERT, UPDATE, DELETE',
  job_inside: 'SELECT, INSERT',
  run_paces: 'SELECT, INSERT',
  control_results: 'SELECT, INSERT',
  control_air: 'SELECT, INSERT',
  open_item_entries: 'SELECT',
  open_items: 'SELECT',
  gate_answers: 'SELECT, INSERT',
  containers: 'SELECT, INSERT, UPDATE',
  container_draws: 'SELECT, INSERT, UPDATE (found_ml, left_ml), DELETE',
  fluid_moved: 'SELECT, INSERT, UPDATE, DELETE',
  hand_overs: 'SELECT, INSERT',
};

/** What it asks of the owner. */
const MAY_ASK: readonly string[] = ['add_person', 'note_open_items', 'set_drive'];

/** Give the service's role what it needs and take everything else from it; the owner of the tables does this after the migrations. */
export async function grantApp(db: Sequelize): Promise<void> {
  await db.query(`
    REVOKE ALL ON ALL TABLES IN SCHEMA public FROM ${APP_ROLE}, PUBLIC;
    REVOKE CREATE ON SCHEMA public FROM PUBLIC;
    REVOKE EXECUTE ON ALL FUNCTIONS IN SCHEMA public FROM ${APP_ROLE}, PUBLIC;
    GRANT USAGE ON SCHEMA public TO ${APP_ROLE};
    ${MAY_ASK.map((name) => `GRANT EXECUTE ON FUNCTION ${name} TO ${APP_ROLE};`).join('\n')}
    ${Object.entries(GRANTS)
      .map(([table, may]) => `GRANT ${may} ON ${table} TO ${APP_ROLE};`)
      .join('\n')}
  `);
}
