import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { QueryTypes, type Sequelize } from 'sequelize';
import { newDatabase } from '../../testing';
import { connect } from '../connect';
import { up as workshopToRun } from './001-workshop-to-run';
import { up as fluid } from './002-fluid';
import { up as plan } from './003-plan';
import { up as onward } from './004-onward';
import { up as oneLog } from './005-one-log';

let db: Sequelize;
let drop: () => Promise<unknown>;
beforeEach(async () => {
  const made = await newDatabase();
  ({ drop } = made);
  db = connect(made.url);
  await workshopToRun(db.getQueryInterface());
});
afterEach(async () => {
  await db.close();
  await drop();
});

const ID = '5d1d3b74-6b0f-4d0e-9f0b-0c8a5c1e7a11';
const OTHER = '5d1d3b74-6b0f-4d0e-9f0b-0c8a5c1e7a12';
const THIRD = '5d1d3b74-6b0f-4d0e-9f0b-0c8a5c1e7a13';

test('migrations are frozen: they call no code of today, so that no rule of today can refuse what was stored', () => {
  const files = readdirSync(__dirname).filter((f) => /^\d+.*\.ts$/.test(f));
  expect(files).toHaveLength(21);
  for (const file of files) {
    const imported = readFileSync(join(__dirname, file), 'utf8').matchAll(/from '([^']+)'/g);
    expect([...imported].map((m) => m[1])).toEqual(['sequelize']);
  }
});

test('a released job of the first rules comes through all of them as it was stored, and stays read-only', async () => {
  const stored = { capGrade: 'DOT 4', newColour: 'straw' };
  const planned = { verdict: 'planned', plan: { rulesVersion: 2, stops: [] } };
  await db.query(`INSERT INTO workshops (id, name, time_zone) VALUES ('${ID}', 'Old', 'UTC')`);
  await db.query(
    `INSERT INTO vehicles (id, workshop_id, name, tag, layout) VALUES ('${ID}', '${ID}', 'Car', 'C 1', '{"version": 1}')`,
  );
  await db.query(
    `INSERT INTO jobs (id, workshop_id, vehicle_id, number, stage, closed, opened_at, opened_by, closed_at, fluid, plan_result, proof, drives)
     VALUES ('${ID}', '${ID}', '${ID}', 1, 'released', true, now(), 'Una', now(), CAST(:fluid AS jsonb), CAST(:planned AS jsonb), '{}', '[]')`,
    { replacements: { fluid: JSON.stringify(stored), planned: JSON.stringify(planned) } },
  );
  await event(1, OTHER, { kind: 'stroke', bleederId: 'front' });
  await fluid(db.getQueryInterface());
  await plan(db.getQueryInterface());
  await event(2, THIRD, { kind: 'decided', decision: 'start again' });
  await onward(db.getQueryInterface());
  await oneLog(db.getQueryInterface());
  const [job] = await select<{ fluid: object; result: object }>(
    'SELECT fluid, plan_result AS result FROM jobs',
  );
  expect(job).toEqual({ fluid: stored, result: planned });
  // The log names openings by a word of its own since the third, and keeps what followed a decision since the fourth.
  const log = await select<{ event: object }>('SELECT event FROM run_events ORDER BY position');
  expect(log.map((l) => l.event)).toEqual([
    { kind: 'stroke', stopId: 'front' },
    { kind: 'decided', decision: 'plan anew', plan: planned.plan },
  ]);
  expect(await select('SELECT version FROM job_lifts')).toEqual([{ version: 0 }]);
  await expect(db.query("UPDATE jobs SET stage = 'run'")).rejects.toThrow(/only be added to/);
  await expect(db.query('DELETE FROM run_events')).rejects.toThrow(/only be added to/);
});

test('an empty database takes them all', async () => {
  for (const up of [fluid, plan, onward, oneLog]) await up(db.getQueryInterface());
  const tables = await select<{ name: string }>(
    "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'public'",
  );
  expect(tables.map((t) => t.name)).toEqual(
    expect.arrayContaining(['fluid_moved', 'job_events', 'job_additions', 'vehicle_events']),
  );
});

const select = <T extends object>(sql: string) => db.query<T>(sql, { type: QueryTypes.SELECT });

const event = (position: number, id: string, said: object) =>
  db.query(
    `INSERT INTO run_events (job_id, position, id, workshop_id, device_id, device_seq, at, by, event)
     VALUES ('${ID}', :position, :id, '${ID}', '${ID}', :position, now(), 'Una', CAST(:event AS jsonb))`,
    { replacements: { position, id, event: JSON.stringify(said) } },
  );
