import { templateById, validateLayout } from '@brook/core/circuit';
import { planBleed } from '@brook/core/plan';
import { followCalls, foldRun, nextStep } from '@brook/core/run';
import { QueryTypes, type Sequelize } from 'sequelize';
import { emptyDatabase } from '../../testing';
import { connect } from '../connect';
import { up as workshopToRun } from './001-workshop-to-run';
import { up as fluid } from './002-fluid';
import { up as plan } from './003-plan';
import { up as onward } from './004-onward';

let db: Sequelize;
let drop: () => Promise<unknown>;
beforeEach(async () => {
  const made = await emptyDatabase();
  ({ drop } = made);
  db = connect(made.url);
  await workshopToRun(db.getQueryInterface());
  await fluid(db.getQueryInterface());
});
afterEach(async () => {
  await db.close();
  await drop();
});

const ID = '5d1d3b74-6b0f-4d0e-9f0b-0c8a5c1e7a11';

/** A motorcycle as the first rules stored it. */
const FIRST = {
  version: 1,
  name: 'Motorcycle',
  vehicleKind: 'motorcycle',
  driverSide: 'middle',
  reservoir: {
    heightMm: 1060,
    chambers: [{ id: 'bowl', name: 'Reservoir', maxMl: 32, minMl: 12, airDrawnMl: 5 }],
  },
  master: {
    name: 'Lever master',
    control: 'brake lever',
    heightMm: 1030,
    ratio: 6,
    chambers: [
      {
        id: 'single',
        name: 'Single chamber',
        boreMm: 14,
        fullStrokeMm: 14,
        bleedStrokeMm: 10,
        fedBy: 'bowl',
        port: 'outlet',
      },
    ],
  },
  nodes: [
    { kind: 'port', id: 'outlet', name: 'Master outlet', heightMm: 1020 },
    { kind: 'caliper', id: 'front-caliper', name: 'Caliper front', heightMm: 380, cavityMl: 15 },
  ],
  stretches: [
    {
      id: 'hose',
      name: 'Hose',
      kind: 'hose',
      from: 'outlet',
      to: 'front-caliper',
      lengthMm: 1100,
      insideMm: 3.2,
    },
  ],
  bleeders: [{ id: 'front', at: 'front-caliper', place: 'front', wrenchMm: 8, type: 'screw' }],
};

test('layouts, plans and logs of the first rules are lifted; the plan keeps its figures and its log still folds, decisions included', async () => {
  // A plan of those rules had one stage and one opening of each bleeder, by the bleeder's id.
  const made = planBleed({
    layout: templateById('motorcycle-front-disc')!.build('middle'),
    fillGrade: 'DOT 4',
    newColour: 'clear',
  });
  if (made.verdict === 'refused') throw new Error('refused');
  const stop = made.plan.stops[0]!;
  const { bowls, preparation, totals, fillGrade, newColour } = made.plan;
  const strokes = { ...stop.strokes, value: 41 };
  const firstPlan = {
    rulesVersion: 2,
    scope: 'routine flush',
    school: 'farthest first',
    fillGrade,
    newColour,
    layout: FIRST,
    bowls,
    preparation,
    totals,
    stops: [
      {
        ...stop,
        id: undefined,
        stageId: undefined,
        fromBowl: undefined,
        strokes,
        bleeder: FIRST.bleeders[0],
      },
    ],
  };
  await db.query(`INSERT INTO workshops (id, name, time_zone) VALUES ('${ID}', 'Old', 'UTC')`);
  await db.query(
    `INSERT INTO vehicles (id, workshop_id, name, tag, layout) VALUES ('${ID}', '${ID}', 'Motorcycle', 'M 1', CAST(:layout AS jsonb))`,
    { replacements: { layout: JSON.stringify(FIRST) } },
  );
  await db.query(
    `INSERT INTO jobs (id, workshop_id, vehicle_id, number, stage, closed, opened_at, opened_by, closed_at, plan_result, proof, drives)
     VALUES ('${ID}', '${ID}', '${ID}', 1, 'released', true, now(), 'Una', now(), CAST(:result AS jsonb), '{}', '[]')`,
    { replacements: { result: JSON.stringify({ verdict: 'planned', plan: firstPlan }) } },
  );
  const event = { id: ID, deviceId: ID, deviceSeq: 1, atMs: 1, kind: 'stroke', bleederId: 'front' };
  await db.query(
    `INSERT INTO run_events (job_id, position, id, workshop_id, device_id, device_seq, at, by, event) VALUES ('${ID}', 1, '${ID}', '${ID}', '${ID}', 1, now(), 'Una', CAST(:event AS jsonb))`,
    { replacements: { event: JSON.stringify(event) } },
  );

  await plan(db.getQueryInterface());

  const [vehicle] = await db.query<{ layout: Parameters<typeof validateLayout>[0] }>(
    'SELECT layout FROM vehicles',
    { type: QueryTypes.SELECT },
  );
  expect(vehicle!.layout.version).toBe(2);
  expect(validateLayout(vehicle!.layout)).toEqual([]);
  const [job] = await db.query<{ result: { plan: typeof made.plan } }>(
    'SELECT plan_result AS result FROM jobs',
    { type: QueryTypes.SELECT },
  );
  const lifted = job!.result.plan;
  expect(lifted).toMatchObject({
    rulesVersion: 2,
    stops: [{ id: 'front', strokes: { value: 41 } }],
    stages: [{ kind: 'bleed', stopIds: ['front'] }],
  });
  const [row] = await db.query<{ event: object }>('SELECT event FROM run_events', {
    type: QueryTypes.SELECT,
  });
  expect(row!.event).toEqual({
    id: ID,
    deviceId: ID,
    deviceSeq: 1,
    atMs: 1,
    kind: 'stroke',
    stopId: 'front',
  });
  let n = 0;
  const log = followCalls(lifted, { deviceId: 'phone', nextId: () => `e${++n}`, startMs: 0 });
  expect(nextStep(foldRun(lifted, log)).kind).toBe('finished');

  // Decisions of a log that began over by the same plan keep that plan; all others keep that it stayed.
  const decide = (position: number, eventId: string, decision: string) =>
    db.query(
      `INSERT INTO run_events (job_id, position, id, workshop_id, device_id, device_seq, at, by, event) VALUES ('${ID}', :position, :eventId, '${ID}', '${ID}', :position, now(), 'Una', CAST(:event AS jsonb))`,
      {
        replacements: {
          position,
          eventId,
          event: JSON.stringify({
            id: eventId,
            deviceId: ID,
            deviceSeq: position,
            atMs: 1,
            kind: 'decided',
            haltId: ID,
            decision,
          }),
        },
      },
    );
  await decide(2, '5d1d3b74-6b0f-4d0e-9f0b-0c8a5c1e7a12', 'start again');
  await decide(3, '5d1d3b74-6b0f-4d0e-9f0b-0c8a5c1e7a13', 'leave shut');
  await onward(db.getQueryInterface());
  const kept = await db.query<{ event: { decision: string; plan: unknown } }>(
    `SELECT event FROM run_events WHERE position > 1 ORDER BY position`,
    { type: QueryTypes.SELECT },
  );
  expect(kept.map((k) => k.event)).toMatchObject([
    { decision: 'plan anew', plan: lifted },
    { decision: 'leave shut', plan: null },
  ]);
  await expect(db.query('DELETE FROM run_events')).rejects.toThrow();
  await expect(db.query("UPDATE jobs SET stage = 'run'")).rejects.toThrow(/only be added to/);
});
