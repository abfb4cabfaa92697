import type { Seed } from '@brook/contract';
import { Client } from 'pg';
import { median, type Measured } from './report';

const FEW = 100;
const MANY = 10_000;
const REQUESTS = 60;
const RUNS = 5;

const workshop = (name: string): Seed['workshops'][number] => ({
  name,
  timeZone: 'UTC',
  users: [
    {
      login: name,
      name: `Technician of ${name}`,
      password: 'for the bench only',
      role: 'technician',
    },
  ],
  vehicles: [],
  jobs: [],
});

/** Two workshops in one database, so that both sides are asked of the same server in turn. */
export const LIST_SEED: Seed = { workshops: [workshop('few'), workshop('many')] };

/** Fill both workshops with closed and open jobs on vehicles of their own, one open job for each vehicle. */
export async function fillJobLists(database: string): Promise<void> {
  const client = new Client({ connectionString: database });
  await client.connect();
  try {
    for (const [name, count] of [
      ['few', FEW],
      ['many', MANY],
    ] as const) {
      await client.query(
        `WITH made AS (
           INSERT INTO vehicles (id, workshop_id, name, tag, layout)
           SELECT gen_random_uuid(), w.id, 'Vehicle ' || n, 'V ' || n, '{}' FROM workshops w, generate_series(1, $2::int / 10) n WHERE w.name = $1
           RETURNING id, workshop_id, split_part(tag, ' ', 2)::int AS n
         )
         INSERT INTO jobs (id, workshop_id, vehicle_id, number, stage, closed, opened_at, opened_by, closed_at)
         SELECT gen_random_uuid(), m.workshop_id, m.id, (m.n - 1) * 10 + k, CASE WHEN k = 10 THEN 'fluid' ELSE 'ended' END, k < 10,
                now() - ((m.n * 10 + k) || ' hours')::interval, 'bench', CASE WHEN k < 10 THEN now() END
           FROM made m, generate_series(1, 10) k`,
        [name, count],
      );
    }
    await client.query('ANALYZE');
  } finally {
    await client.end();
  }
}

/** The first page of the list over 10,000 jobs against that over 100, asked in turn. */
export async function jobList(url: string): Promise<Measured> {
  const few = await cookieOf(url, 'few');
  const many = await cookieOf(url, 'many');
  await timed(url, few);
  await timed(url, many);
  const runs: number[] = [];
  for (let run = 0; run < RUNS; run++) {
    const sides: { few: number[]; many: number[] } = { few: [], many: [] };
    for (let i = 0; i < REQUESTS; i++) {
      sides.few.push(await timed(url, few));
      sides.many.push(await timed(url, many));
    }
    runs.push(median(sides.many) / median(sides.few));
  }
  return { name: 'jobs.list.ratio', unit: 'ratio', limit: 1.5, runs };
}

/** Who is signed in, for the requests of a bench. */
export async function cookieOf(
  url: string,
  login: string,
  password = 'for the bench only',
): Promise<string> {
  const res = await fetch(`${url}/api/v1/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ login, password }),
  });
  if (!res.ok) throw new Error(`the bench could not sign in: ${await res.text()}`);
  return res.headers.getSetCookie()[0]!.split(';')[0]!;
}

async function timed(url: string, cookie: string): Promise<number> {
  const start = performance.now();
  const res = await fetch(`${url}/api/v1/jobs`, { headers: { cookie } });
  const { jobs } = (await res.json()) as { jobs: unknown[] };
  if (jobs.length !== 30) throw new Error(`the list gave ${jobs.length} jobs where 30 make a page`);
  return performance.now() - start;
}
