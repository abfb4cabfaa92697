import { QueryTypes, type Sequelize } from 'sequelize';
import { newDatabase } from '../testing';
import { connect } from './connect';
import { migrate, MadeByAnotherVersion, SCHEMA } from './migrate';

let db: Sequelize;
let drop: () => Promise<unknown>;
beforeEach(async () => {
  const made = await newDatabase();
  ({ drop } = made);
  db = connect(made.url);
});
afterEach(async () => {
  await db.close();
  await drop();
});

const tables = async () =>
  (
    await db.query<{ name: string }>(
      `SELECT tablename AS name FROM pg_tables WHERE schemaname = 'public' ORDER BY 1`,
      { type: QueryTypes.SELECT },
    )
  ).map((t) => t.name);

test('an empty database is made whole, and made once', async () => {
  await migrate(db);
  const made = await tables();
  expect(made).toEqual(expect.arrayContaining(['job_events', 'vehicle_events', 'gate_answers']));
  await db.query(
    `INSERT INTO workshops (id, name, time_zone) VALUES (gen_random_uuid(), 'Kept', 'UTC')`,
  );
  await migrate(db);
  expect(await tables()).toEqual(made);
  expect(await db.query('SELECT name FROM workshops', { type: QueryTypes.SELECT })).toEqual([
    { name: 'Kept' },
  ]);
});

test('a database that another text made is refused by a sentence that says what to do, and left as it is', async () => {
  await migrate(db, `${SCHEMA}\n-- One sign more.\n`);
  const made = await tables();
  await expect(migrate(db)).rejects.toThrow(MadeByAnotherVersion);
  await expect(migrate(db)).rejects.toThrow(/Start with --fresh .*--data/);
  expect(await tables()).toEqual(made);
});

test('so is one of before, which kept no hash of what made it', async () => {
  await db.query('CREATE TABLE migrations (name text); CREATE TABLE workshops (id uuid)');
  await expect(migrate(db)).rejects.toThrow(MadeByAnotherVersion);
  expect(await tables()).toEqual(['migrations', 'workshops']);
});

test('one that breaks off leaves nothing behind', async () => {
  await expect(migrate(db, `${SCHEMA}\nSELECT nothing;\n`)).rejects.toThrow(/nothing/);
  expect(await tables()).toEqual([]);
});
