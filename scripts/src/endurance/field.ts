import type { Job, JobPage, Seed } from '@brook/contract';
import { SOUND_FLUID } from '@brook/contract/apiDriver';
import type { ChildProcess } from 'node:child_process';
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { freePort, secretFile, startCluster, type Cluster, type Database } from '../setup/cluster';
import { prepareDatabase, serve, stopServer } from '../setup/server';

const PASSWORD = 'for endurance only';

/** A workshop with runs that have just begun, each on a vehicle of its own, and another workshop beside it. */
function seedOf(runs: number): Seed {
  const workshop = (name: string, count: number): Seed['workshops'][number] => ({
    name,
    timeZone: 'UTC',
    users: [{ login: name, name: `Technician of ${name}`, password: PASSWORD, role: 'lead' }],
    // Two containers a job; a delivery has 48 at most.
    deliveries: Array.from({ length: Math.ceil((2 * count) / 48) }, () => ({
      daysAgo: 3,
      grade: 'DOT 4',
      isoClass: null,
      batch: 'E-1',
      sizeMl: 1000,
      count: 48,
      justCarried: false,
    })),
    vehicles: Array.from({ length: count }, (_, n) => ({
      name: `Hatchback ${n}`,
      tag: `E ${n}`,
      templateId: 'hatchback-diagonal',
      driverSide: 'right',
    })),
    jobs: Array.from({ length: count }, (_, n) => ({
      vehicleTag: `E ${n}`,
      daysAgo: 0,
      by: name,
      fluid: SOUND_FLUID,
      reach: 'run',
      strokes: 0,
    })),
  });
  return { workshops: [workshop('ours', runs), workshop('theirs', 1)] };
}

export interface FieldOptions {
  readonly dir: string;
  readonly runs: number;
  /** Whether commits reach the disk: what must survive the end of the database. */
  readonly durable?: boolean;
  readonly web?: string;
  /** How many server processes share the database. */
  readonly servers?: number;
}

/** A cluster, its servers and what they were given, for one part of the endurance. It leaves nothing. */
export class Field {
  private readonly processes: (ChildProcess | null)[] = [];

  private constructor(
    private readonly options: FieldOptions,
    readonly cluster: Cluster,
    readonly database: Database,
    private readonly ports: readonly number[],
  ) {}

  static async open(options: FieldOptions): Promise<Field> {
    const { dir, runs, durable = false, servers = 1 } = options;
    rmSync(dir, { recursive: true, force: true });
    mkdirSync(dir, { recursive: true });
    writeFileSync(join(dir, 'seed.json'), JSON.stringify(seedOf(runs)));
    secretFile(join(dir, 'session-secret'));
    const cluster = await startCluster({ dir, throwaway: !durable, mostEnds: Infinity });
    const database = cluster.database('brook');
    await prepareDatabase(database);
    const ports: number[] = [];
    for (let i = 0; i < servers; i++) ports.push(await freePort());
    const field = new Field(options, cluster, database, ports);
    for (let i = 0; i < servers; i++) await field.up(i);
    return field;
  }

  url(server = 0): string {
    return `http://127.0.0.1:${this.ports[server]}/api/v1`;
  }

  /** Start a server. */
  async up(server = 0): Promise<void> {
    const { dir, web } = this.options;
    this.processes[server] = await serve({
      database: this.database,
      secretFile: join(dir, 'session-secret'),
      port: this.ports[server]!,
      seed: join(dir, 'seed.json'),
      web,
    });
  }

  /** End a server at once, in the middle of whatever it does. */
  async kill(server = 0): Promise<void> {
    const child = this.processes[server];
    if (!child) return;
    this.processes[server] = null;
    const ended = new Promise((resolve) => child.once('exit', resolve));
    child.kill('SIGKILL');
    await ended;
  }

  async signIn(login: 'ours' | 'theirs' = 'ours', server = 0): Promise<Caller> {
    const res = await fetch(`${this.url(server)}/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ login, password: PASSWORD }),
    });
    // The session stands once the answer has ended, not when its head is here.
    const answer = await res.text();
    if (res.status !== 201) throw new Error(`cannot sign in: ${answer}`);
    return new Caller(this.url(server), res.headers.get('set-cookie')!.split(';')[0]!);
  }

  async close(): Promise<void> {
    for (const child of this.processes) if (child) await stopServer(child);
    this.cluster.stop();
    rmSync(this.options.dir, { recursive: true, force: true });
  }
}

/** Somebody who is signed in. */
export class Caller {
  constructor(
    readonly url: string,
    readonly cookie: string,
  ) {}

  call(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Response> {
    return fetch(this.url + path, {
      method,
      headers: {
        cookie: this.cookie,
        ...(body === undefined
          ? {}
          : { 'content-type': Buffer.isBuffer(body) ? 'image/png' : 'application/json' }),
        ...headers,
      },
      ...(body === undefined
        ? {}
        : {
            body:
              typeof body === 'string' || Buffer.isBuffer(body)
                ? (body as BodyInit)
                : JSON.stringify(body),
          }),
    });
  }

  async get<T>(path: string): Promise<T> {
    const res = await this.call('GET', path);
    if (!res.ok) throw new Error(`GET ${path}: ${res.status} ${await res.text()}`);
    return (await res.json()) as T;
  }

  /** The jobs of this workshop. */
  async jobs(): Promise<Job[]> {
    const ids: string[] = [];
    for (let next: string | null = ''; next !== null; ) {
      const page: JobPage = await this.get(`/jobs?limit=100${next ? `&cursor=${next}` : ''}`);
      ids.push(...page.jobs.map((j) => j.id));
      next = page.next;
    }
    return Promise.all(ids.map((id) => this.get<Job>(`/jobs/${id}`)));
  }
}
