import { setTimeout as wait } from 'node:timers/promises';
import { Pool } from 'pg';
import { Field } from './field';
import type { Figure } from './figures';
import { Tapper } from './tapper';

/** So many people at once, each looking at lists and jobs and counting. */
export async function load(field: Field, clients: number, seconds: number): Promise<Figure> {
  let errors = 0;
  let tried = 0;
  const callers = await Promise.all([0, 1].map((server) => field.signIn('ours', server)));
  const jobs = await callers[0]!.jobs();
  const until = Date.now() + seconds * 1000;
  const person = async (n: number) => {
    const caller = callers[n % callers.length]!;
    const tapper = new Tapper(caller, jobs[n % jobs.length]!);
    const paths = [
      '/jobs',
      `/jobs/${tapper.job.id}`,
      '/vehicles',
      '/shelf',
      `/vehicles/${tapper.job.vehicleId}`,
    ];
    while (Date.now() < until) {
      for (const path of paths) {
        const res = await caller.call('GET', path);
        await res.arrayBuffer();
        tried++;
        if (!res.ok) errors++;
      }
      tried++;
      if ((await tapper.send(tapper.next(1))) === null) errors++;
      await wait(200);
    }
  };
  await Promise.all(Array.from({ length: clients }, (_, n) => person(n)));
  return { name: 'load', value: errors, unit: 'count', limit: 0, tried };
}

const EVENTS = 20;
/** Phones that send at the same moment, and connections that insert. */
const AT_ONCE = 4;

/**
 * Accepted events a second against the same rows put in by plain INSERTs, in
 * transactions of the same size, as many at once, on the same disk. The two take
 * turns, so that what else the machine does meets both.
 */
export async function eventsRatio(field: Field, rounds: number): Promise<Figure> {
  const pool = new Pool({ connectionString: field.database.owner, max: AT_ONCE });
  try {
    const caller = await field.signIn();
    const tappers = (await caller.jobs()).map((job) => new Tapper(caller, job));
    // The same table, empty, with the same keys and no rules of ours.
    await pool.query('CREATE TABLE plain_events (LIKE job_events INCLUDING ALL)');
    const send = async (tapper: Tapper): Promise<void> => {
      if ((await tapper.send(tapper.next(EVENTS))) === null) throw new Error('no answer');
    };
    let oursMs = 0;
    let plainMs = 0;
    for (let round = 0; round < rounds; round++) {
      oursMs += await took(() => together(tappers, send));
      const { rows } = await pool.query<Row>(
        `SELECT e.* FROM job_events e WHERE event->>'kind' = 'stroke'
            AND NOT EXISTS (SELECT 1 FROM plain_events p WHERE p.job_id = e.job_id AND p.id = e.id)
          ORDER BY job_id, position`,
      );
      const batches = Array.from({ length: rows.length / EVENTS }, (_, i) =>
        rows.slice(i * EVENTS, (i + 1) * EVENTS),
      );
      plainMs += await took(() => together(batches, (batch) => insert(pool, batch)));
    }
    return {
      name: 'events.ratio',
      value: plainMs / oursMs,
      unit: 'ratio',
      limit: 0.25,
      tried: tappers.length * rounds * EVENTS,
    };
  } finally {
    await pool.end();
  }
}

type Row = Readonly<Record<string, unknown>>;

async function insert(pool: Pool, rows: readonly Row[]): Promise<void> {
  const client = await pool.connect();
  try {
    await client.query('BEGIN');
    for (const row of rows) {
      const columns = Object.keys(row);
      const values = columns.map((c) => (c === 'event' ? JSON.stringify(row[c]) : row[c]));
      await client.query(
        `INSERT INTO plain_events (${columns.map((c) => `"${c}"`).join(', ')}) VALUES (${columns.map((_, n) => `$${n + 1}`).join(', ')})`,
        values,
      );
    }
    await client.query('COMMIT');
  } finally {
    client.release();
  }
}

/** Do something with each of many, a few at the same time. */
async function together<T>(many: readonly T[], work: (one: T) => Promise<void>): Promise<void> {
  const waiting = [...many];
  const worker = async () => {
    for (let next = waiting.shift(); next !== undefined; next = waiting.shift()) await work(next);
  };
  await Promise.all(Array.from({ length: AT_ONCE }, worker));
}

/** How long it took, ms. */
async function took(work: () => Promise<void>): Promise<number> {
  const start = performance.now();
  await work();
  return performance.now() - start;
}
