import type { Job, Vehicle } from '@brook/contract';
import { proofOf, stageOf } from '@brook/core/job/log';
import { gateOf } from '@brook/core/owed/openItems';
import { nextStep, skippedStages, type RunState } from '@brook/core/job/run';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { oldMl, type Inside } from '@brook/core/fluid/inside';
import { liftInside } from '../lift/liftInside';
import { liftJobs } from '../lift/liftJobs';
import { Brook, stateOfJob, type Caller } from '../testing';

/**
 * A database as it stood after migration 004, with the demo and jobs half-way,
 * and what each of its jobs said then, worked out by the code of that day.
 */
const DUMP = join(__dirname, 'fixtures', 'after-004.sql.gz');

interface Fact {
  readonly login: 'una' | 'tech' | 'brek';
  readonly number: number;
  readonly id: string;
  readonly stage: string;
  readonly drive: string;
  readonly ended: string | null;
  readonly released: string | null;
  readonly events: number;
  readonly authors: readonly { readonly by: string; readonly count: number }[];
  readonly proof: { readonly pedal: string | null; readonly checks: Record<string, boolean> };
  readonly drives: readonly (string | null)[];
  readonly fluidUsed: {
    readonly pouredMl: number;
    readonly bledMl: number;
    readonly removedMl: number;
    readonly by: string;
  } | null;
  readonly verdict: string | null;
  readonly run: {
    readonly next: string;
    readonly stop: string | null;
    readonly pouredMl: number;
    readonly bledMl: number;
    readonly removedMl: number;
    readonly topUps: number;
    readonly levelMl: Record<string, number>;
    readonly strokes: readonly (readonly (readonly [number, boolean])[])[];
    readonly halts: readonly (readonly [string, string | null])[];
    readonly leftShut: Record<string, string>;
    readonly skipped: readonly { title: string; reason: string }[];
    readonly prepared: readonly string[];
    readonly gate: readonly string[];
  } | null;
}

const FACTS = JSON.parse(
  readFileSync(join(__dirname, 'fixtures', 'after-004.facts.json'), 'utf8'),
) as Fact[];
const PASSWORDS = { una: 'skerrow-demo', tech: 'tech-password', brek: 'lunna-demo' };

let brook: Brook;
const callers = new Map<string, Caller>();
beforeAll(async () => {
  brook = await Brook.start({ dump: DUMP });
  for (const login of ['una', 'tech'] as const)
    callers.set(login, await brook.signedIn(login, PASSWORDS[login]));
});
afterAll(() => brook.stop());

/** What the API says of a job or vehicle; asked once, nothing here changes one. */
const said = new Map<string, Promise<unknown>>();
async function asked<T>({ login }: Fact, path: string): Promise<T> {
  const answer = async () => (await callers.get(login)!.get(path).expect(200)).body as unknown;
  if (!said.has(path)) said.set(path, answer());
  return (await said.get(path)) as T;
}
const jobOf = (fact: Fact) => asked<Job>(fact, `/jobs/${fact.id}`);

test('the facts cover every stage, and a run in each way of going on', () => {
  expect(FACTS).toHaveLength(72);
  expect(new Set(FACTS.map((f) => f.stage))).toEqual(
    new Set(['fluid', 'plan', 'run', 'proof', 'test drive', 'released', 'ended']),
  );
  expect(new Set(FACTS.flatMap((f) => f.run?.halts.map(([, decision]) => decision) ?? []))).toEqual(
    new Set(['plan anew', 'do it last', 'leave shut', 'go on', 'end job', null]),
  );
});

/** What was only said (a part off, a soft pedal) held nothing then; it does today. */
async function driveToday(fact: Fact, { vehicleId }: Job): Promise<string> {
  const { matters } = await asked<Vehicle>(fact, `/vehicles/${vehicleId}`);
  const saidOnly = matters.some(
    (m) => m.kind === 'part off' || m.because.startsWith('It came with'),
  );
  return saidOnly ? 'do not drive' : fact.drive;
}

const RUN_CODES = ['run not finished', 'run ended', 'bleeder left', 'strokes asked'];

test.each(FACTS.map((f) => [`${f.login} ${f.number}, ${f.stage}`, f] as const))(
  'job of %s says what it said before',
  async (_, fact) => {
    const job = await jobOf(fact);
    const state = stateOfJob(job);
    expect(stageOf(state)).toBe(fact.stage);
    expect([job.stage, job.drive.state]).toEqual([fact.stage, await driveToday(fact, job)]);
    expect(job.ended?.reason ?? null).toBe(fact.ended);
    expect(job.released?.by ?? null).toBe(fact.released);
    expect(job.fluid?.verdict.verdict ?? null).toBe(fact.verdict);
    expect(job.drives.map((d) => d.result)).toEqual(fact.drives);
    const proof = proofOf(state);
    // What was said of "the pedal" then was said of the first control in hand.
    const [first] = state.accepted?.plan.work.masterIds ?? [];
    expect(proof.controls[first ?? '']?.pedal ?? null).toBe(fact.proof.pedal ?? null);
    expect(proof.checks).toEqual(fact.proof.checks ?? {});
    if (fact.fluidUsed) {
      expect(job.fluidUsed).toMatchObject({ by: fact.fluidUsed.by, bledMl: fact.fluidUsed.bledMl });
      expect(state.fluidUsed!.used).toMatchObject({ removedMl: fact.fluidUsed.removedMl });
    } else expect(job.fluidUsed).toBe(null);
    if (!fact.run) {
      expect(state.run === null).toBe(true);
      return;
    }
    const run = state.accepted ? state.run! : null;
    // A plan that nobody accepted has no run; its facts were those of one that had not begun.
    if (!run) {
      expect(fact.events).toBe(0);
      return;
    }
    expect(runFacts(run)).toEqual(runFacts(fact.run));
    // The gate of today asks each control more; of the run itself it says what it said.
    const about = { jobId: job.id, jobNumber: job.number, openedAtMs: 0, layout: job.layout };
    const gate = gateOf(state, about, job.before)!;
    const ofRun = (codes: readonly string[]) => codes.filter((c) => RUN_CODES.includes(c));
    expect(ofRun(gate.reasons.map((r) => r.code))).toEqual(ofRun(fact.run.gate));
  },
);

test('each job that was closed then says what it left inside: no part more than it holds, and a second lift changes nothing', async () => {
  const rows = () =>
    brook.db.query<{ id: string; inside: Inside }>(
      `SELECT i.job_id AS id, i.inside FROM job_inside i ORDER BY i.job_id`,
      { type: QueryTypes.SELECT },
    );
  const before = await rows();
  const closed = FACTS.filter(
    (f) => f.run && ['released', 'ended'].includes(f.stage) && f.events > 0,
  );
  expect(closed.length).toBeGreaterThan(10);
  for (const fact of closed) expect(before.map((r) => r.id)).toContain(fact.id);
  for (const { inside } of before)
    for (const content of Object.values(inside)) {
      expect(content.newMl).toBe(0);
      expect(oldMl(content)).toBeGreaterThanOrEqual(0);
    }
  await brook.asOwner(liftInside);
  expect(await rows()).toEqual(before);
});

test('the log of each run is there whole, each event with the person behind it and the plan it was made under', async () => {
  for (const fact of FACTS.filter((f) => f.events > 0)) {
    const job = await jobOf(fact);
    const ofRun = job.events.filter((e) => e.deviceSeq > 0);
    expect(ofRun.length).toBe(fact.events);
    const people = fact.authors.flatMap((a) => Array<string>(a.count).fill(a.by));
    expect(ofRun.map((e) => e.person)).toEqual(people);
    expect(ofRun.every((e) => e.planId !== null)).toBe(true);
  }
});

test('openings of a later plan are named apart from those of the first', async () => {
  const fact = FACTS.find((f) => f.run && f.run.strokes.length > 1)!;
  const job = await jobOf(fact);
  const { run } = stateOfJob(job);
  const ids = [...run!.past, run!].flatMap((leg) => leg.bleeders.map((b) => b.stopId));
  expect(new Set(ids).size).toBe(ids.length);
});

test('the vehicles say what they said, and so does the fold of their jobs', async () => {
  const rows = await brook.db.query<{ id: string; state: string }>(
    'SELECT j.id, v.drive_state AS state FROM jobs j JOIN vehicles v ON v.id = j.vehicle_id',
    { type: QueryTypes.SELECT },
  );
  const states = new Map(rows.map((r) => [r.id, r.state]));
  for (const fact of FACTS) {
    const job = await jobOf(fact);
    expect(states.get(fact.id)).toBe(await driveToday(fact, job));
  }
});

test('lifting once more changes nothing', async () => {
  const count = async () =>
    (
      await brook.db.query<{ n: string }>('SELECT count(*) AS n FROM job_events', {
        type: QueryTypes.SELECT,
      })
    )[0]!.n;
  const before = await count();
  expect(await brook.asOwner(liftJobs)).toBe(0);
  expect(await count()).toBe(before);
});

test('closed jobs that were lifted stay closed: nothing goes into their log any more', async () => {
  const fact = FACTS.find((f) => f.stage === 'released')!;
  await expect(
    brook.db.query(
      `INSERT INTO job_events SELECT job_id, position + 1000, gen_random_uuid(), workshop_id, device_id, device_seq, at, received_at, person, event
         FROM job_events WHERE job_id = '${fact.id}' LIMIT 1`,
    ),
  ).rejects.toThrow(/beside it/);
  await expect(brook.asOwner((db) => db.query('DELETE FROM job_events'))).rejects.toThrow(
    /only be added to/,
  );
});

/** What is compared of a run, as it is folded today and as it was worked out then. */
function runFacts(run: RunState | NonNullable<Fact['run']>) {
  const { pouredMl, bledMl, removedMl, topUps, levelMl, prepared } = run;
  const same = { pouredMl, bledMl, removedMl, topUps, levelMl, prepared };
  if ('next' in run) {
    const { next, stop, strokes, halts, leftShut, skipped } = run;
    return { ...same, next, stop, strokes, halts, leftShut, skipped: skipped.map(byPart) };
  }
  const next = nextStep(run);
  return {
    ...same,
    next: next.kind,
    stop: 'stop' in next ? next.stop.bleeder.id : null,
    strokes: [...run.past, run].map((leg) => leg.bleeders.map((b) => [b.strokes, b.shut])),
    halts: run.halts.map((h) => [h.reason, h.decision]),
    leftShut: Object.fromEntries(run.leftShut),
    skipped: skippedStages(run).map(byPart),
  };
}

/** A line over a hump goes by one name today, which then named one of its stretches too. */
const byPart = ({ title, reason }: { readonly title: string; readonly reason: string }) => ({
  title: title.split(',')[0],
  reason,
});
