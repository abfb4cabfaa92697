import type { Job, JobPage, Shelf } from '@brook/contract';
import { OPERATIONS } from '@brook/contract/openapi';
import { randomUUID } from 'node:crypto';
import { Field, type Caller } from './field';
import type { Figure } from './figures';
import {
  bodyFor,
  DELIVERY,
  fileFor,
  noteMedia,
  pathFor,
  type Ids,
  type Operation,
} from './requests';

/** Every route with another workshop's ids in path and body is answered like an id that never existed. */
export async function tenancy(field: Field): Promise<Figure> {
  const [us, them] = [await field.signIn('ours'), await field.signIn('theirs')];
  const [job] = await us.jobs();
  const { containers } = await us.get<Shelf>('/shelf');
  const session = await us.get<{ user: { id: string } }>('/session');
  const ours: Ids = {
    job: job!.id,
    vehicle: job!.vehicleId,
    container: containers[0]!.id,
    person: session.user.id,
    media: await noteMedia(us, job!.id),
  };
  const before = await us.get<Job>(`/jobs/${job!.id}`);
  const nobodys: Ids = {
    job: randomUUID(),
    vehicle: randomUUID(),
    container: randomUUID(),
    person: ours.person,
    media: randomUUID(),
  };
  const theirs = (await them.jobs())[0]!;
  const own: Ids = { ...nobodys, job: theirs.id, vehicle: theirs.vehicleId };
  const ask = async (o: Operation, inPath: Ids, inBody: Ids): Promise<string> => {
    const { version } = await them.get<Job>(`/jobs/${theirs.id}`);
    const res = await them.call(
      o.method.toUpperCase(),
      pathFor(o.path, inPath),
      fileFor(o) ?? bodyFor(o, inBody, theirs),
      { 'if-match': `"${version}"` },
    );
    if (o.streams && res.ok) {
      await res.body?.cancel();
      return 'a line';
    }
    return `${res.status} ${told(await res.text())}`;
  };
  let value = 0;
  let tried = 0;
  for (const o of OPERATIONS) {
    if (o.path.includes('{id}')) {
      tried++;
      const someone = { ...nobodys, person: randomUUID() };
      if ((await ask(o, ours, someone)) !== (await ask(o, someone, someone))) value++;
    }
    if (namesIds(o, ours, nobodys, theirs)) {
      tried++;
      if ((await ask(o, own, ours)) !== (await ask(o, own, nobodys))) value++;
    }
  }
  const heard = async (address: string) => {
    const res = await them.call('GET', address);
    // What was asked for is said again.
    return `${res.status} ${told(await res.text()).replace(/"batch":"[^"]*"/, 'BATCH')}`;
  };
  for (const [of, nobodysOf] of await questions(us)) {
    tried++;
    if ((await heard(of)) !== (await heard(nobodysOf))) value++;
  }
  const batch = { events: [], lowestWaiting: 1, since: 0 };
  const tapped = async (personId: string) => {
    const res = await them.call('POST', `/jobs/${theirs.id}/events`, { ...batch, personId });
    return `${res.status} ${await res.text()}`;
  };
  tried++;
  if ((await tapped(ours.person)) !== (await tapped(randomUUID()))) value++;
  // And nothing of ours moved.
  if (JSON.stringify(await us.get<Job>(`/jobs/${job!.id}`)) !== JSON.stringify(before)) value++;
  return { name: 'tenancy', value, unit: 'count', limit: 0, tried };
}

/** Questions that name something of ours, each beside one that names what never was. */
async function questions(us: Caller): Promise<readonly (readonly [string, string])[]> {
  const batch = 'OURS-1';
  await us.call('POST', '/shelf', { ...DELIVERY, batch });
  const { next } = await us.get<JobPage>('/jobs?limit=1');
  const place = Buffer.from(next!, 'base64url').toString();
  // Its neighbour: a cursor is a place in an order, and theirs stand on the same side of both.
  const nobodysPlace = place.replace(
    /([0-9a-f]{8}-[0-9a-f-]{26})(.)/,
    (_, most, last) => String(most) + (last === '0' ? '1' : '0'),
  );
  const cursor = (of: string) => Buffer.from(of).toString('base64url');
  return [
    [`/shelf/recall?batch=${batch}`, '/shelf/recall?batch=NOBS-1'],
    [`/jobs?cursor=${cursor(place)}`, `/jobs?cursor=${cursor(nobodysPlace)}`],
  ];
}

/** Whether a body of this operation holds an id that could be another's. */
function namesIds(o: Operation, ours: Ids, nobodys: Ids, job: Job): boolean {
  const text = (ids: Ids) =>
    withoutOwn(JSON.stringify(bodyFor(o, ids, job) ?? null), nobodys.person);
  return (
    [ours.vehicle, ours.container].some((id) => text(ours).includes(id)) &&
    text(ours) !== text(nobodys)
  );
}

const withoutOwn = (text: string, id: string): string => text.replaceAll(id, '');

/** What an answer tells: of a log only what became of each event. Ids and moments differ by themselves. */
function told(text: string): string {
  const answers = (JSON.parse(text || 'null') as { answers?: unknown } | null)?.answers;
  return (answers ? JSON.stringify(answers) : text)
    .replaceAll(/[0-9a-f]{8}-[0-9a-f-]{27}/g, 'ID')
    .replaceAll(/\d{4}-\d\d-\d\dT[\d:.]+Z/g, 'TIME')
    .replaceAll(/"version":\d+/g, 'VERSION');
}
