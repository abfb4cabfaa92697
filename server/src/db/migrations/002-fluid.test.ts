import { QueryTypes, type Sequelize } from 'sequelize';
import { emptyDatabase } from '../../testing';
import { connect } from '../connect';
import { up as workshopToRun } from './001-workshop-to-run';
import { up as fluid } from './002-fluid';

let db: Sequelize;
let drop: () => Promise<unknown>;
beforeEach(async () => {
  const made = await emptyDatabase();
  ({ drop } = made);
  db = connect(made.url);
  await workshopToRun(db.getQueryInterface());
});
afterEach(async () => {
  await db.close();
  await drop();
});

const W = '5d1d3b74-6b0f-4d0e-9f0b-0c8a5c1e7a11';
const JOB = '5d1d3b74-6b0f-4d0e-9f0b-0c8a5c1e7a12';
const FIRST = {
  capGrade: 'DOT 4',
  seen: { colour: 'brown', clarity: 'clear', foreign: 'none', waterPercent: 3.2 },
  newColour: 'straw',
  verdict: { verdict: 'fill', fillGrade: 'DOT 4', reasons: [], figures: [] },
};

test('a released job of the first rules is lifted to the shape of today, and stays read-only', async () => {
  await db.query(`INSERT INTO workshops (id, name, time_zone) VALUES ('${W}', 'Old', 'UTC')`);
  await db.query(
    `INSERT INTO vehicles (id, workshop_id, name, tag, layout) VALUES ('${W}', '${W}', 'Car', 'C 1', '{}')`,
  );
  await db.query(
    `INSERT INTO jobs (id, workshop_id, vehicle_id, number, stage, closed, opened_at, opened_by, closed_at, fluid, proof, drives)
     VALUES ('${JOB}', '${W}', '${W}', 1, 'released', true, now(), 'Una', now(), CAST(:fluid AS jsonb), '{}', '[]')`,
    { replacements: { fluid: JSON.stringify(FIRST) } },
  );
  await fluid(db.getQueryInterface());
  const [row] = await db.query<{ fluid: object }>('SELECT fluid FROM jobs', {
    type: QueryTypes.SELECT,
  });
  expect(row!.fluid).toMatchObject({
    demands: [{ source: 'cap', grades: ['DOT 4'] }],
    fill: { grade: 'DOT 4' },
    newColour: 'straw',
    samples: [
      { point: 'reservoir', colour: 'brown', water: { percent: 3.2, meterGrade: 'DOT 4' } },
    ],
    verdict: { verdict: 'fill', condition: { verdict: 'replace now' } },
  });
  await expect(db.query("UPDATE jobs SET stage = 'run'")).rejects.toThrow(/only be added to/);
});

test('an empty database takes it too', async () => {
  await fluid(db.getQueryInterface());
  const columns = await db.query<{ name: string }>(
    "SELECT column_name AS name FROM information_schema.columns WHERE table_name = 'fluid_moved'",
    { type: QueryTypes.SELECT },
  );
  expect(columns.map((c) => c.name)).toEqual(
    expect.arrayContaining(['bled_ml', 'removed_ml', 'spilled_ml', 'discarded_ml', 'caught_ml']),
  );
});
