import type {
  FluidEntry,
  Job,
  PlanChoices,
  Seed,
  Vehicle,
  VehiclePage,
  VehicleSummary,
} from '@brook/contract';
import {
  ApiDriver,
  goodProof as proofOf,
  planOfJob,
  runOnFrom,
  SOUND_FLUID,
  type Answer,
  type Method,
} from '@brook/contract/apiDriver';
import { measuringOf } from '@brook/core/job/log';
import { type JobEvent, type RunEvent } from '@brook/core/job/events';

import { randomUUID } from 'node:crypto';
import express from 'express';
import { Client, Pool } from 'pg';
import { pino, type Logger } from 'pino';
import type { Sequelize } from 'sequelize';
import request, { type Agent } from 'supertest';
import { createApp } from '../app';
import { checkAnswers } from './answers';
import { connect } from '../db/connect';
import { defineModels } from '../db/models';
import { prepareDatabase } from '../db/prepare';
import { JobNews } from '../journal/live/jobNews';
import { loadSeed } from '../seed/load';

export const NOW = new Date('2026-03-10T09:00:00Z');

/** Two workshops, so that one can try to see the other's. */
export const SEED: Seed = {
  workshops: [
    {
      name: 'First',
      timeZone: 'Atlantic/Faroe',
      users: [
        { login: 'tech', name: 'Tech One', password: 'tech-password', role: 'technician' },
        { login: 'lead', name: 'Lead One', password: 'lead-password', role: 'lead' },
      ],
      vehicles: [
        { name: 'Hatchback', tag: 'H 1', templateId: 'hatchback-diagonal', driverSide: 'right' },
        {
          name: 'Motorcycle',
          tag: 'M 1',
          templateId: 'motorcycle-front-disc',
          driverSide: 'middle',
        },
      ],
      deliveries: [
        {
          daysAgo: 30,
          grade: 'DOT 4',
          isoClass: null,
          batch: 'A-1',
          sizeMl: 1000,
          count: 12,
          justCarried: false,
        },
        {
          daysAgo: 20,
          grade: 'DOT 5.1',
          isoClass: null,
          batch: 'A-2',
          sizeMl: 500,
          count: 2,
          justCarried: false,
        },
      ],
      jobs: [],
    },
    {
      name: 'Second',
      timeZone: 'Atlantic/Faroe',
      users: [{ login: 'other', name: 'Other Two', password: 'other-password', role: 'lead' }],
      vehicles: [
        { name: 'Runabout', tag: 'H 1', templateId: 'hatchback-diagonal', driverSide: 'left' },
      ],
      jobs: [],
    },
  ],
};

interface TestDatabase {
  readonly name: string;
  /** As the owner of the tables, who alone changes their shape. */
  readonly url: string;
  /** As the app, which owns nothing. */
  readonly appUrl: string;
  readonly drop: () => Promise<unknown>;
}

/** A database of its own in the real PostgreSQL that `npm test` starts, with nothing in it or a copy of another. */
export async function newDatabase(copyOf = 'template1'): Promise<TestDatabase> {
  const name = `t${randomUUID().replaceAll('-', '')}`;
  const owner = urlOf('owner', name);
  await admin(async (client) => {
    await client.query(
      `CREATE DATABASE ${name} OWNER ${new URL(owner).username} TEMPLATE ${copyOf}`,
    );
    await client.query(`REVOKE TEMPORARY ON DATABASE ${name} FROM PUBLIC`);
  });
  return {
    name,
    url: owner,
    appUrl: urlOf('app', name),
    drop: () => admin((client) => client.query(`DROP DATABASE ${name} WITH (FORCE)`)),
  };
}

/** The two workshops, and a session of each of their people. */
interface Seeded {
  readonly made: TestDatabase;
  readonly cookies: ReadonlyMap<string, string>;
}

let seeded: Promise<Seeded> | undefined;
/** Databases on their way out: nobody waits for one before the end of a file. */
const leaving: Promise<unknown>[] = [];
afterAll(async () => {
  await Promise.all(leaving);
  await (await seeded)?.made.drop();
});

/** Made once in a file of tests: to copy it takes a third of the time, and nobody need sign in again. */
function seededDatabase(): Promise<Seeded> {
  return (seeded ??= newDatabase().then(async (made) => {
    await prepare(made);
    const db = connect(made.appUrl);
    await loadSeed(SEED, NOW);
    const testServer = await TestServer.on(db, made, {});
    const cookies = new Map<string, string>();
    for (const { login } of SEED.workshops.flatMap((w) => w.users))
      cookies.set(login, await (await testServer.signedIn(login)).cookie());
    await testServer.close();
    await db.close();
    return { made, cookies };
  }));
}

/** Bring it to today, as its owner. */
async function prepare({ url }: TestDatabase): Promise<void> {
  const db = connect(url);
  await prepareDatabase(db);
  await db.close();
}

/** The real app on a database of its own in the real PostgreSQL that `npm test` starts. */
export class TestServer {
  app!: ReturnType<typeof createApp>;
  /** What the server's clock says. */
  now = NOW;
  /** Sessions that came with the database, each for whoever asks first. */
  private cookies = new Map<string, string>();

  private constructor(
    readonly db: Sequelize,
    private readonly pool: Pool,
    readonly news: JobNews,
    private readonly made: TestDatabase,
  ) {}

  static async start(
    options: { seed?: Seed; now?: Date; webDir?: string; log?: Logger } = {},
  ): Promise<TestServer> {
    const asAlways = !options.seed && !options.now;
    const like = asAlways ? await seededDatabase() : null;
    const made = await newDatabase(like?.made.name);
    if (!asAlways) await prepare(made);
    const db = connect(made.appUrl);
    if (!asAlways) await loadSeed(options.seed ?? SEED, options.now ?? NOW);
    const testServer = await TestServer.on(db, made, options);
    if (like) testServer.cookies = new Map(like.cookies);
    return testServer;
  }

  static async on(
    db: Sequelize,
    made: TestDatabase,
    options: { now?: Date; webDir?: string; log?: Logger },
  ): Promise<TestServer> {
    const pool = new Pool({ connectionString: made.appUrl, max: 4 });
    pool.on('error', () => undefined);
    const log = options.log ?? pino({ level: 'silent' });
    const news = new JobNews(made.appUrl, log);
    await news.start();
    const testServer = new TestServer(db, pool, news, made);
    testServer.now = options.now ?? NOW;
    testServer.app = express().use(
      checkAnswers((sentence) => testServer.disagreements.push(sentence)),
      createApp({
        pool,
        news,
        sessionSecret: 'a secret of the tests',
        clock: { now: () => testServer.now },
        log,
        secure: false,
        webDir: options.webDir,
      }),
    );
    return testServer;
  }

  /** Another server on the same database; close it, the first one stops the rest. */
  beside(): Promise<TestServer> {
    return TestServer.on(this.db, this.made, {});
  }

  async close(): Promise<void> {
    await this.news.stop();
    await this.pool.end();
  }

  /** Where answers were not what the document says. */
  private readonly disagreements: string[] = [];

  async stop(): Promise<void> {
    await this.close();
    await this.db.close();
    leaving.push(this.made.drop());
    if (this.disagreements.length > 0)
      throw new Error(
        `Not what the document says:\n${[...new Set(this.disagreements)].join('\n')}`,
      );
  }

  /** Run SQL as the role that made the cluster. */
  asAdmin(sql: string): Promise<unknown> {
    const url = new URL(urlOf('admin', this.made.name));
    return withClient(url.href, (client) => client.query(sql));
  }

  /** Do something as the owner of the tables. */
  async asOwner<T>(work: (db: Sequelize) => Promise<T>): Promise<T> {
    const db = connect(this.made.url);
    try {
      return await work(db);
    } finally {
      await db.close();
      defineModels(this.db);
    }
  }

  /** Let so many days pass that nobody is signed in any more. */
  pass(days: number): void {
    this.now = new Date(this.now.getTime() + days * 86_400_000);
    this.cookies.clear();
  }

  /** Somebody who is signed in and keeps the cookie. */
  async signedIn(login = 'tech', password = `${login}-password`): Promise<Caller> {
    // Nothing is packed for the way to oneself.
    const agent = request.agent(this.app).set('accept-encoding', 'identity');
    const cookie = this.cookies.get(login);
    if (cookie) {
      this.cookies.delete(login);
      agent.jar.setCookie(cookie, '127.0.0.1', '/');
      return new Caller(agent, () => this.now);
    }
    await agent.post('/api/v1/session').send({ login, password }).expect(201);
    return new Caller(agent, () => this.now);
  }
}

/** One signed-in person's calls, each event from a phone of its own unless it says otherwise. */
export class Caller extends ApiDriver {
  constructor(
    readonly agent: Agent,
    now: () => Date,
  ) {
    super({
      nextId: randomUUID,
      deviceId: randomUUID,
      saidFromMs: () => now().getTime() + 1,
      everyMs: 6_000,
    });
  }

  protected override async answer(
    method: Method,
    path: string,
    body?: object,
    version?: number,
  ): Promise<Answer> {
    return method === 'get' ? this.get(path) : this.send(method, path, body, version);
  }

  /** A call whose answer is looked at. */
  get(path: string) {
    return this.agent.get(`/api/v1${path}`);
  }

  send(method: Exclude<Method, 'get'>, path: string, body?: object, version?: number) {
    const call = this.agent[method](`/api/v1${path}`);
    if (version !== undefined) call.set('if-match', `"${version}"`);
    return call.send(body);
  }

  /** What the browser would send to say who it is. */
  async cookie(): Promise<string> {
    const res = await this.get('/session');
    const set = res.headers['set-cookie'] as unknown as string[];
    return set.map((c) => c.split(';')[0]).join('; ');
  }

  /** The first page of them. */
  async vehicles(): Promise<readonly VehicleSummary[]> {
    return (await this.ask<VehiclePage>('get', '/vehicles')).vehicles;
  }

  async vehicleId(tag: string): Promise<string> {
    const list = await this.vehicles();
    return list.find((v) => v.tag === tag)!.id;
  }

  async drive(tag: string): Promise<string> {
    const list = await this.vehicles();
    return list.find((v) => v.tag === tag)!.drive.state;
  }

  async open(tag = 'M 1'): Promise<Job> {
    return this.openJob({ id: await this.vehicleId(tag) });
  }

  /** A job with its plan accepted. */
  async running(tag = 'M 1'): Promise<Job> {
    return this.accept(await this.readFluid(await this.open(tag)));
  }

  /** The same on a vehicle of its own, after work that is said. */
  async accepted(
    vehicle: Pick<Vehicle, 'id'>,
    work: Partial<PlanChoices['work']> = {},
    fluid: FluidEntry = SOUND_FLUID,
  ): Promise<Job> {
    const job = await this.chooseWork(await this.openJob(vehicle, work.purpose), work);
    return this.accept(await this.readFluid(job, fluid));
  }

  /** Events as one phone sends them, for what is answered to them. */
  events(job: Pick<Job, 'id'>, events: readonly unknown[], more: object = {}) {
    return this.send('post', `/jobs/${job.id}/events`, {
      events,
      lowestWaiting: 1,
      since: 0,
      ...more,
    });
  }

  /** A halt at a bleeder, and what was decided. */
  async halted(job: Job, reason: string, bleederId: string, decision: string): Promise<Job> {
    const openingId = planOfJob(job).openings.find((s) => s.bleeder.id === bleederId)!.id;
    const id = randomUUID();
    return this.say(job, [
      { id, kind: 'halted', reason, openingId },
      { kind: 'decided', haltId: id, decision },
    ]);
  }

  /** A job whose run is through. */
  async bled(tag = 'M 1'): Promise<Job> {
    return this.runOn(await this.running(tag));
  }

  /** Measure the first control of a job at its end, mm; it does not sink. */
  async measure(
    job: Job,
    mm: {
      readonly first: number;
      readonly light: number;
      readonly firm: number;
      readonly pumped: number;
    },
  ): Promise<void> {
    const plan = planOfJob(job);
    const [master] = plan.layout.masters;
    const { forces } = measuringOf(plan, master!);
    const of = { planId: plan.id, masterId: master!.id, when: 'after' };
    const read = (at: unknown, heightMm: number, pumped = false) => ({
      ...of,
      kind: 'pedal read',
      at,
      pumped,
      heightMm,
    });
    await this.say(job, [
      read('rest', 180),
      read('first resistance', mm.first),
      read({ forceN: forces.light }, mm.light),
      read({ forceN: forces.firm }, mm.firm),
      read({ forceN: forces.firm }, mm.pumped, true),
      { ...of, kind: 'sink watched', mm: 0, seconds: 30 },
    ]);
  }

  /** A job whose proof lacks nothing but the drive. */
  async proved(tag = 'M 1'): Promise<Job> {
    return this.prove(await this.recordFluid(await this.bled(tag)));
  }

  /** Recorded, proved and driven as the gate asks, and released. */
  async release(job: Job): Promise<Job> {
    if (planOfJob(job).totals.pouredMl.value > 0) await this.recordFluid(job);
    return this.driveAndRelease(await this.prove(job));
  }
}

/** Everything that the run of a job calls for from its beginning, up to so many strokes, as one phone says it. */
export function fullRun(job: Job, strokes?: number): RunEvent[] {
  return runOnFrom(
    { ...job, events: job.events.filter((e) => e.kind === 'plan accepted') },
    {
      ...oneMorePhone(job),
      strokes,
    },
  );
}

/** The answers of somebody who finds everything right, as one phone says them. */
export const goodProof = (job: Job): JobEvent[] => proofOf(job, oneMorePhone(job));

const oneMorePhone = (job: Job) => ({
  deviceId: randomUUID(),
  nextId: randomUUID,
  startMs: Date.parse(job.openedAt),
});

/** A database as one of the roles that `npm test` makes. */
function urlOf(role: 'admin' | 'owner' | 'app', name?: string): string {
  const given = {
    admin: process.env.BROOK_TEST_DATABASE,
    owner: process.env.BROOK_TEST_OWNER,
    app: process.env.BROOK_TEST_APP,
  }[role];
  if (!given)
    throw new Error(
      'BROOK_TEST_DATABASE, BROOK_TEST_OWNER and BROOK_TEST_APP are not set; "npm test -- unit" starts a PostgreSQL and sets them',
    );
  const url = new URL(given);
  if (name) url.pathname = `/${name}`;
  return url.href;
}

const admin = (work: (client: Client) => Promise<unknown>): Promise<void> =>
  withClient(urlOf('admin'), work);

async function withClient(url: string, work: (client: Client) => Promise<unknown>): Promise<void> {
  const client = new Client({ connectionString: url });
  await client.connect();
  try {
    await work(client);
  } finally {
    await client.end();
  }
}
