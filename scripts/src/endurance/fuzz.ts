import type { Job, Shelf, Vehicle, VehiclePage } from '@brook/contract';
import { OPERATIONS } from '@brook/contract/openapi';
import { foldJob, stageOf } from '@brook/core/job/log';
import { Field, type Caller } from './field';
import { type Figure } from './figures';
import { mulberry32 } from '@brook/core/testing/witness';
import { bodyFor, fileFor, noteMedia, pathFor, type Ids } from './requests';

type Random = () => number;
const pick = <T>(random: Random, from: readonly T[]): T =>
  from[Math.floor(random() * from.length)]!;

/** Values that no field expects. */
const JUNK: readonly unknown[] = [
  null,
  true,
  -1,
  0,
  0.1,
  1e308,
  -1e308,
  2 ** 31,
  2 ** 53,
  8.64e15,
  '',
  ' ',
  'x'.repeat(5_000),
  '\u0000',
  '\ud800',
  'ﷺ',
  '${7*7}',
  "'; DROP TABLE jobs; --",
  '%',
  '2026-02-30',
  '9999-12-31T23:59:60Z',
  '00000000-0000-0000-0000-000000000000',
  [],
  {},
  [[[[[[]]]]]],
  Array(600).fill('x'),
  { __proto__: null, constructor: { prototype: {} } },
];

/** A document with one or a few of its places changed. */
function mutated(random: Random, document: unknown): unknown {
  const copy = structuredClone(document ?? {});
  for (let n = 1 + Math.floor(random() * 3); n > 0; n--) change(random, copy);
  return copy;
}

function change(random: Random, document: unknown): void {
  let at = document;
  for (;;) {
    if (typeof at !== 'object' || at === null) return;
    const keys = Object.keys(at);
    const inside = at as Record<string, unknown>;
    const key = keys.length === 0 || random() < 0.05 ? 'unknown' : pick(random, keys);
    if (typeof inside[key] === 'object' && inside[key] !== null && random() < 0.7) {
      at = inside[key];
      continue;
    }
    if (random() < 0.15) delete inside[key];
    else inside[key] = structuredClone(pick(random, JUNK));
    return;
  }
}

/** A body as text, now and then broken as a text. */
function asText(random: Random, document: unknown): string {
  const text = JSON.stringify(document);
  const way = random();
  if (way < 0.02) return text.slice(0, Math.floor(random() * text.length));
  if (way < 0.03) return text.replace(/\d+/, '1e999');
  if (way < 0.04) return '['.repeat(50_000);
  if (way < 0.05) return 'x'.repeat(300_000);
  return text;
}

/** A file with some of its bytes changed, cut off, or of another kind. */
function mutatedFile(random: Random, file: Buffer | undefined): Buffer | undefined {
  if (!file) return undefined;
  const way = random();
  if (way < 0.1) return Buffer.alloc(6_000_000);
  if (way < 0.2) return Buffer.from('RIFF\0\0\0\0WAVEfmt ');
  if (way < 0.3) return file.subarray(0, Math.floor(random() * file.length));
  const copy = Buffer.from(file);
  for (let n = Math.floor(random() * 4); n > 0; n--)
    copy[Math.floor(random() * copy.length)] = Math.floor(random() * 256);
  return copy;
}

const HEADERS: readonly Record<string, string>[] = [
  {},
  { 'content-type': 'text/plain' },
  { 'content-type': 'audio/wav' },
  { 'content-type': 'application/json; charset=utf-7' },
  { 'content-encoding': 'br' },
  { 'content-encoding': 'gzip' },
  { 'if-match': '"0"' },
  { 'if-match': '"99999999999999999999"' },
  { 'brook-device': 'nobody' },
  { 'last-event-id': '1e999' },
];
const IDS = [
  '%',
  '%00',
  '%ff',
  '..',
  '..%2f..',
  '1',
  'null',
  '00000000-0000-0000-0000-000000000000',
  '😀',
];
const QUERIES = [
  '',
  '?',
  '?cursor=%00',
  '?cursor=e30',
  '?limit=-1',
  '?limit=1e9',
  '?q=%ed%a0%80',
  '?q=%',
  '?since=9e99',
  '?batch=%00',
  '?a[b]=c',
  '?__proto__=1',
];

/** Requests mutated from the document: how many brought about a fault of ours, or left something half-saved. */
export async function fuzz(field: Field, requests: number): Promise<Figure> {
  const caller = await field.signIn();
  const random = mulberry32(3);
  let value = 0;
  let ids = await idsOf(caller);
  let job = await caller.get<Job>(`/jobs/${ids.job}`);
  for (let n = 0; n < requests; n++) {
    if (n % 50 === 49) {
      ids = await idsOf(caller, random);
      job = await caller.get<Job>(`/jobs/${ids.job}`);
    }
    // Whoever signs out or marks themself gone sends nothing any more.
    const o = pick(
      random,
      OPERATIONS.filter((op) => op.path !== '/session' && !op.path.startsWith('/session/')),
    );
    const path = random() < 0.05 ? o.path.replace('{id}', pick(random, IDS)) : pathFor(o.path, ids);
    const body = o.takes
      ? asText(
          random,
          random() < 0.1 ? bodyFor(o, ids, job) : mutated(random, bodyFor(o, ids, job)),
        )
      : mutatedFile(random, fileFor(o));
    const res = await caller.call(
      o.method.toUpperCase(),
      path + (random() < 0.1 ? pick(random, QUERIES) : ''),
      body,
      {
        'if-match': `"${job.version}"`,
        ...(random() < 0.1 ? pick(random, HEADERS) : {}),
      },
    );
    if (o.streams) await res.body?.cancel();
    else await res.arrayBuffer();
    if (res.status >= 500) {
      value++;
      process.stderr.write(`${res.status} ${o.method} ${path} ${body?.toString().slice(0, 300)}\n`);
    }
  }
  value += await halfSaved(caller);
  return { name: 'fuzz', value, unit: 'count', limit: 0, tried: requests };
}

async function idsOf(caller: Caller, random: Random = () => 0): Promise<Ids> {
  const { jobs } = await caller.get<{ jobs: { id: string; vehicleId: string }[] }>('/jobs');
  const { containers } = await caller.get<Shelf>('/shelf');
  const session = await caller.get<{ user: { id: string } }>('/session');
  const job = pick(random, jobs);
  return {
    job: job.id,
    vehicle: job.vehicleId,
    container: pick(random, containers).id,
    person: session.user.id,
    media: await noteMedia(caller, job.id),
  };
}

/** How many jobs, vehicles and lists do not say what their logs say. */
async function halfSaved(caller: Caller): Promise<number> {
  let faults = 0;
  for (const job of await caller.jobs()) {
    const plan = job.planResult?.verdict === 'planned' ? job.planResult.plan : null;
    const log = job.events.map((e) =>
      e.kind === 'plan accepted' && plan ? { ...e, plan, pick: null } : e,
    );
    if (stageOf(foldJob(log)) !== job.stage) faults++;
    if (new Set(job.events.map((e) => e.id)).size !== job.events.length) faults++;
  }
  const { vehicles } = await caller.get<VehiclePage>('/vehicles?limit=500');
  for (const { id, drive } of vehicles)
    if ((await caller.get<Vehicle>(`/vehicles/${id}`)).drive.state !== drive.state) faults++;
  const { containers } = await caller.get<Shelf>('/shelf');
  return faults + containers.filter((c) => c.leftMl < 0 || c.leftMl > c.sizeMl).length;
}
