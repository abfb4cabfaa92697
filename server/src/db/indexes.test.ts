import { QueryTypes } from 'sequelize';
import { TestServer } from '../testing';

let testServer: TestServer;
beforeAll(async () => {
  testServer = await TestServer.start();
});
afterAll(() => testServer.stop());

/** Whose these are is told by their job or vehicle, through which alone they are reached; a drum is summed with its workshop. */
const REACHED_OTHERWISE = [
  'container_draws workshop_id',
  'fluid_moved hand_over_id',
  'gate_answers workshop_id',
  'helper_links workshop_id',
  'job_devices workshop_id',
  'open_item_entries workshop_id',
  'vehicle_events workshop_id',
  'vehicle_order job_id',
];

test('whatever is summed up by what it belongs to has an index that begins with that', async () => {
  const rows = await testServer.asOwner((db) =>
    db.query<{ at: string }>(
      `SELECT c.conrelid::regclass || ' ' || (SELECT string_agg(a.attname, ', ') FROM pg_attribute a WHERE a.attrelid = c.conrelid AND a.attnum = ANY (c.conkey)) AS at
         FROM pg_constraint c
        WHERE c.contype = 'f' AND c.connamespace = 'public'::regnamespace
          AND NOT EXISTS (SELECT 1 FROM pg_index i WHERE i.indrelid = c.conrelid AND i.indkey[0] = c.conkey[1])
        ORDER BY 1`,
      { type: QueryTypes.SELECT },
    ),
  );
  expect(rows.map((r) => r.at)).toEqual(REACHED_OTHERWISE);
});

test.each([
  [
    'the list of vehicles',
    'vehicles_list',
    `SELECT id FROM vehicles WHERE workshop_id = 'W' AND (name, tag, id) > ('a', 'b', 'W') ORDER BY name, tag, id LIMIT 30`,
  ],
  [
    'the list of jobs',
    'jobs_list',
    `SELECT id FROM jobs WHERE workshop_id = 'W' AND NOT closed ORDER BY opened_at DESC, id DESC LIMIT 30`,
  ],
  [
    'what came out of a container',
    'container_draws_container',
    `SELECT sum(poured_ml) FROM container_draws WHERE container_id = 'W'`,
  ],
  [
    'the drum',
    'fluid_moved_drum',
    `SELECT sum(bled_ml) FROM fluid_moved WHERE workshop_id = 'W' AND hand_over_id IS NULL`,
  ],
  [
    'who got a batch',
    'containers_batch',
    `SELECT id FROM containers WHERE workshop_id = 'W' AND lower(batch) = 'k'`,
  ],
  [
    'a photo by its event',
    'job_events_media',
    `SELECT job_id FROM job_events WHERE workshop_id = 'W' AND id = 'W' AND event->>'kind' = 'media note'`,
  ],
])('%s goes by its index', async (_, index, sql) => {
  const explained = await testServer.asOwner((db) =>
    db.transaction(async (transaction) => {
      // Of a few rows none is worth an index: what is asked is whether it can be used.
      await db.query('SET LOCAL enable_seqscan = off', { transaction });
      return db.query<{ 'QUERY PLAN': string }>(
        `EXPLAIN ${sql.replaceAll(`'W'`, `'00000000-0000-0000-0000-000000000000'`)}`,
        { type: QueryTypes.SELECT, transaction },
      );
    }),
  );
  expect(explained.map((r) => r['QUERY PLAN']).join('\n')).toContain(index);
});
