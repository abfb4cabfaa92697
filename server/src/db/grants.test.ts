import { QueryTypes } from 'sequelize';
import { TestServer, fullRun, type Caller } from '../testing';

let testServer: TestServer;
let tech: Caller;
beforeAll(async () => {
  testServer = await TestServer.start();
  tech = await testServer.signedIn('tech');
});
afterAll(() => testServer.stop());

const app = (sql: string) => testServer.db.query(sql);
const list = <T extends object>(sql: string) =>
  testServer.db.query<T>(sql, { type: QueryTypes.SELECT });

test('the app owns nothing, and no table is forgotten: each one is used by it or is the owner’s alone', async () => {
  const rows = await list<{ name: string; owner: string; may: boolean }>(
    `SELECT relname AS name, pg_get_userbyid(relowner) AS owner, has_table_privilege('brook_app', oid, 'SELECT') AS may
       FROM pg_class WHERE relnamespace = 'public'::regnamespace AND relkind IN ('r', 'v') ORDER BY relname`,
  );
  expect(new Set(rows.map((r) => r.owner))).toEqual(new Set(['brook_owner']));
  expect(rows.filter((r) => !r.may).map((r) => r.name)).toEqual(['made_by']);
});

test.each([
  'job_events',
  'job_additions',
  'vehicle_events',
  'vehicle_order',
  'open_item_entries',
  'gate_answers',
  'job_inside',
  'hand_overs',
  'media',
  'run_paces',
  'control_results',
  'control_air',
])('%s can be added to and nothing else', async (table) => {
  for (const sql of [
    `UPDATE ${table} SET workshop_id = workshop_id`,
    `DELETE FROM ${table}`,
    `TRUNCATE ${table}`,
  ])
    await expect(app(sql)).rejects.toThrow(/permission denied|does not exist/);
});

test.each([
  'ALTER TABLE job_events DISABLE TRIGGER ALL',
  'DROP TRIGGER jobs_released_read_only ON jobs',
  'DROP FUNCTION refuse_release() CASCADE',
  'SET session_replication_role = replica',
  'CREATE TEMP TABLE gate_answers AS SELECT * FROM gate_answers',
  'CREATE TABLE mine (a int)',
  `COPY (SELECT 1) TO PROGRAM 'true'`,
  `SELECT pg_read_file('PG_VERSION')`,
  'SET ROLE brook_owner',
])('the app cannot: %s', async (sql) => {
  await expect(app(sql)).rejects.toThrow();
});

describe('what a person may do, what a vehicle owes and whether it may move change only as the owner’s functions take it', () => {
  const M1 = `(SELECT id FROM vehicles WHERE tag = 'M 1')`;
  const WORKSHOP = `(SELECT workshop_id FROM vehicles WHERE tag = 'M 1')`;
  const item = (weight: string) => `'{"id": "x", "weight": "${weight}"}'::jsonb`;
  const note = (entry: string, weight = 'holds') =>
    app(
      `SELECT note_open_items(${M1}, jsonb_build_array(jsonb_build_object('entry', '${entry}', 'openItem', ${item(weight)}, 'settledBy', ${entry === 'settled' ? `'x'` : 'NULL'})), now(), 'x')`,
    );
  const person = (role: string, invitation: string) =>
    app(
      `SELECT add_person(gen_random_uuid(), ${WORKSHOP}, '${role}9', 'Nine', '${role}', 'x', ${invitation}, now())`,
    );

  test.each([
    `UPDATE users SET role = 'lead'`,
    `INSERT INTO users (id, workshop_id, login, name, role, password_hash) SELECT gen_random_uuid(), id, 'x', 'x', 'lead', 'x' FROM workshops LIMIT 1`,
    `UPDATE vehicles SET drive_state = 'free'`,
    'UPDATE vehicles SET drive_reason = NULL',
    'UPDATE vehicles SET drive_since = NULL',
    `INSERT INTO vehicles (id, workshop_id, name, tag, layout, drive_state) SELECT gen_random_uuid(), id, 'x', 'x', '{}', 'free' FROM workshops LIMIT 1`,
    `INSERT INTO open_item_entries SELECT * FROM open_item_entries`,
  ])('the app cannot: %s', async (sql) => {
    await expect(app(sql)).rejects.toThrow(/permission denied/);
  });

  test('a person comes by an open invitation, as it says, once', async () => {
    await app(
      `INSERT INTO invitations (id, workshop_id, name, role, code_hash, made_by, made_at, until)
       SELECT gen_random_uuid(), ${WORKSHOP}, 'Nine', 'technician', 'x', 'x', now(), now() + interval '1 day'`,
    );
    const open = `(SELECT id FROM invitations WHERE code_hash = 'x')`;
    await expect(person('technician', 'NULL')).rejects.toThrow(/by an invitation/);
    await expect(person('lead', open)).rejects.toThrow(/that is open/);
    await person('technician', open);
    await expect(person('technician', open)).rejects.toThrow(/that is open/);
  });

  test('what is settled was open, what is opened was not, and while it holds nothing makes the vehicle free', async () => {
    const free = () => app(`SELECT set_drive(${M1}, 'free', NULL, NULL)`);
    await free();
    await expect(note('settled')).rejects.toThrow(/was open/);
    await note('opened', 'owed');
    await free();
    await expect(note('opened')).rejects.toThrow(/was not/);
    await note('settled', 'owed');
    await note('opened');
    await expect(free()).rejects.toThrow(/something holds it/);
    await expect(app(`SELECT set_drive(${M1}, 'test drive only', now(), 'x')`)).rejects.toThrow(
      /a job that set it/,
    );
    await app(`SELECT set_drive(${M1}, 'do not drive', now(), 'x')`);
    await note('settled');
    await free();
  });

  test('no other function is the app’s to call', async () => {
    const rows = await list<{ name: string }>(
      `SELECT proname AS name FROM pg_proc WHERE pronamespace = 'public'::regnamespace AND has_function_privilege('brook_app', oid, 'EXECUTE') ORDER BY 1`,
    );
    expect(rows.map((r) => r.name)).toEqual(['add_person', 'note_open_items', 'set_drive']);
  });
});

test('not even the owner’s temporary tables mislead what guards a release', async () => {
  const job = await tech.running('H 1');
  await expect(
    testServer.asOwner((db) =>
      db.query(`BEGIN;
        CREATE TEMP TABLE open_items (vehicle_id uuid, weight text);
        CREATE TEMP TABLE gate_answers AS SELECT '${job.id}'::uuid AS job_id,
          (SELECT max(position) FROM job_events WHERE job_id = '${job.id}') AS position, '{"verdict": "release", "reasons": []}'::jsonb AS answer;
        UPDATE jobs SET stage = 'released' WHERE id = '${job.id}'; COMMIT`),
    ),
  ).rejects.toThrow(/released by the gate/);
});

test('what a closed job poured stands as it was recorded, whoever writes; what is counted later may be added', async () => {
  const job = await tech.bled('M 1');
  await tech.change(job, 'post', 'end', { reason: 'Customer came early.' });
  const of = `WHERE job_id = '${job.id}'`;
  expect(fullRun(job).length).toBeGreaterThan(0);
  for (const sql of [
    `UPDATE container_draws SET poured_ml = poured_ml + 1 ${of}`,
    `UPDATE fluid_moved SET bled_ml = bled_ml + 1 ${of}`,
    `DELETE FROM container_draws ${of}`,
    `DELETE FROM fluid_moved ${of}`,
    `INSERT INTO container_draws SELECT job_id, gen_random_uuid(), workshop_id, 1, 0, 0, 0 FROM container_draws ${of}`,
  ])
    await expect(testServer.asOwner((db) => db.query(sql))).rejects.toThrow(
      /stands as it was recorded/,
    );
  await app(`UPDATE container_draws SET found_ml = found_ml, left_ml = left_ml ${of}`);
});

test('a log is closed by its end: what stands before it in one go is taken, nothing behind it, and nothing once it stands', async () => {
  const job = await tech.open('M 1');
  const of = `WHERE job_id = '${job.id}'`;
  const put = (rows: string) =>
    app(`INSERT INTO job_events (job_id, position, id, workshop_id, device_id, device_seq, at, received_at, person, event)
      SELECT e.job_id, r.position, gen_random_uuid(), e.workshop_id, e.device_id, e.device_seq, e.at, e.received_at, e.person, r.event::jsonb
        FROM (SELECT * FROM job_events ${of} LIMIT 1) e, (VALUES ${rows}) AS r(position, event)`);
  const [note, end] = [`'{"kind": "note", "text": "x"}'`, `'{"kind": "ended", "reason": "x"}'`];
  await expect(put(`(90, ${end}), (91, ${note})`)).rejects.toThrow(/beside it/);
  await expect(put(`(91, ${note}), (90, ${end})`)).rejects.toThrow(/beside it/);
  await put(`(90, ${note}), (91, ${end})`);
  await expect(put(`(92, ${note})`)).rejects.toThrow(/beside it/);
  await expect(put(`(89, ${note})`)).rejects.toThrow(/beside it/);
  await expect(put(`(89, ${end})`)).rejects.toThrow(/beside it/);
});
