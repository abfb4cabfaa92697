import type { Appended, Job, StoredMedia, VehicleNotesPage } from '@brook/contract';
import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { WaveFile } from './reencode';
import { TestServer, NOW, type Caller } from '../testing';

let testServer: TestServer;
let tech: Caller;
beforeAll(async () => {
  testServer = await TestServer.start();
  tech = await testServer.signedIn('tech');
});
afterAll(() => testServer.stop());

const told = (medium: 'photo' | 'voice', more: object = {}) => ({
  id: randomUUID(),
  deviceId: randomUUID(),
  deviceSeq: 1,
  atMs: NOW.getTime(),
  planId: null,
  kind: 'media note',
  medium,
  elementId: null,
  ...more,
});

/** A job, just taken in, whose log tells of a photo or voice note. */
async function noted(medium: 'photo' | 'voice') {
  job ??= await tech.open('M 1');
  const event = told(medium);
  await tech.say(job, [event]);
  return { job, id: event.id };
}
let job: Job | null = null;
const listed = async (of: Job) =>
  (await tech.get(`/jobs/${of.id}/media`)).body.media as StoredMedia[];
const put = (id: string, body: Buffer, type = 'image/jpeg', by = tech) =>
  by.agent.put(`/api/v1/media/${id}`).set('content-type', type).send(body);
const fetched = async (id: string, by = tech) =>
  (await by.get(`/media/${id}`).buffer(true).parse(asBuffer).expect(200)).body as Buffer;
function asBuffer(res: unknown, done: (error: Error | null, body: Buffer) => void): void {
  const chunks: Buffer[] = [];
  (res as NodeJS.ReadableStream)
    .on('data', (c: Buffer) => chunks.push(c))
    .on('end', () => done(null, Buffer.concat(chunks)));
}

const plain = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#8a4b1a' } });
const photo = (width = 40, height = 30) => plain(width, height).jpeg().toBuffer();
/** A WAV file after Multimedia Programming Interface 1.0 (IBM, Microsoft, 1991), chapter 3. */
function wav(seconds: number, { rateHz = 16_000, channels = 1, bits = 16 } = {}): Buffer {
  const frame = (channels * bits) / 8;
  const data = Buffer.alloc(Math.round(seconds * rateHz) * frame);
  for (let i = 0; i < data.length - 1; i += 2) data.writeInt16LE((i / 2) % 99, i);
  const head = Buffer.alloc(44);
  head.write('RIFF', 0, 'latin1');
  head.writeUInt32LE(36 + data.length, 4);
  head.write('WAVEfmt ', 8, 'latin1');
  head.writeUInt32LE(16, 16);
  head.writeUInt16LE(1, 20);
  head.writeUInt16LE(channels, 22);
  head.writeUInt32LE(rateHz, 24);
  head.writeUInt32LE(rateHz * frame, 28);
  head.writeUInt16LE(frame, 32);
  head.writeUInt16LE(bits, 34);
  head.write('data', 36, 'latin1');
  head.writeUInt32LE(data.length, 40);
  return Buffer.concat([head, data]);
}

test('a photo is kept upright and no larger than a cap can be read by, without the place where it was taken', async () => {
  const { id } = await noted('photo');
  const sent = await plain(3000, 1000)
    .withExif({ IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '60/1 9/1 0/1' } })
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toBuffer();
  // Orientation 6 of Exif 2.32 (JEITA CP-3451): the first row is on the right.
  expect(await sharp(sent).metadata()).toMatchObject({ orientation: 6, width: 3000 });
  expect((await sharp(sent).metadata()).exif).toBeDefined();
  await put(id, sent).expect(204);
  const kept = await sharp(await fetched(id)).metadata();
  expect(kept).toMatchObject({ format: 'jpeg', width: 683, height: 2048 });
  expect([kept.exif, kept.xmp, kept.iptc, kept.orientation]).toEqual(Array(4).fill(undefined));
});

test('PNG and WebP are photos too; what shines through is white', async () => {
  for (const [type, sent] of [
    ['image/png', await plain(20, 10).ensureAlpha(0).png().toBuffer()],
    ['image/webp', await plain(20, 10).ensureAlpha(0).webp().toBuffer()],
  ] as const) {
    const { id } = await noted('photo');
    await put(id, sent, type).expect(204);
    const { data } = await sharp(await fetched(id))
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect([...data.subarray(0, 3)]).toEqual([255, 255, 255]);
  }
});

test('a voice note keeps what can be heard, and nothing that was written beside it', async () => {
  const { id } = await noted('voice');
  const made = new WaveFile(wav(1));
  made.setTag('ICMT', 'recorded at 60.15 N');
  await put(id, Buffer.from(made.toBuffer()), 'audio/wav').expect(204);
  expect(Buffer.from(made.toBuffer()).toString('latin1')).toContain('60.15 N');
  expect(await fetched(id)).toEqual(wav(1));
});

describe('what is none is refused, and nothing of it is kept', () => {
  const PHOTO = 'A photo should be a whole JPEG, PNG or WebP picture; take it again.';
  const VOICE =
    'A voice note should be WAV with one channel of 16 bit, 16000 samples a second; record it again.';
  const svg = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>');
  test.each<[string, 'photo' | 'voice', () => Promise<Buffer> | Buffer, string]>([
    ['a drawing that can hold a script', 'photo', () => svg, PHOTO],
    ['a page', 'photo', () => Buffer.from('<html><script>1</script></html>'), PHOTO],
    ['a moving picture', 'photo', () => plain(9, 9).gif().toBuffer(), PHOTO],
    ['half a photo', 'photo', async () => (await photo(600, 600)).subarray(0, 700), PHOTO],
    ['a voice as a photo', 'photo', () => wav(1), PHOTO],
    [
      'one that unpacks to too much',
      'photo',
      () => photo(4001, 4000),
      'A photo should have 16 million pixels at most; send it smaller.',
    ],
    ['a photo as a voice', 'voice', () => photo(), VOICE],
    ['silence of no length', 'voice', () => wav(0), VOICE],
    ['two channels', 'voice', () => wav(1, { channels: 2 }), VOICE],
    ['8 bit', 'voice', () => wav(1, { bits: 8 }), VOICE],
    ['44100 a second', 'voice', () => wav(1, { rateHz: 44_100 }), VOICE],
    ['half a head', 'voice', () => wav(1).subarray(0, 20), VOICE],
    [
      'a breath too long',
      'voice',
      () => wav(120 + 1 / 16_000),
      'A voice note should last 120 seconds at most; record it in two parts.',
    ],
  ])('%s', async (_, medium, make, sentence) => {
    const { job, id } = await noted(medium);
    const { body } = await put(id, await make(), medium === 'photo' ? 'image/png' : 'audio/wav');
    expect(body).toMatchObject({ status: 422, faults: [{ field: 'body', sentence }] });
    expect((await listed(job)).map((m) => m.id)).not.toContain(id);
  });

  test('two minutes to the sample are taken, and 16 million pixels', async () => {
    await put((await noted('voice')).id, wav(120), 'audio/wav').expect(204);
    await put((await noted('photo')).id, await photo(4000, 4000)).expect(204);
  });

  test('more than 5 MB, another kind, and nothing at all', async () => {
    const { id } = await noted('photo');
    const over = await put(id, Buffer.alloc(5 * 1024 * 1024 + 1));
    expect(over.body).toMatchObject({
      status: 413,
      detail: 'The body is larger than 5 MB; send less at once.',
    });
    expect((await put(id, Buffer.alloc(5 * 1024 * 1024))).status).toBe(422);
    expect((await put(id, Buffer.from('{}'), 'application/json')).body).toMatchObject({
      status: 415,
      detail:
        'Send the photo or voice note itself, as one of image/jpeg, image/png, image/webp, audio/wav.',
    });
    expect((await put(id, Buffer.alloc(0))).status).toBe(415);
  });
});

test('sent twice it is one; another under the same id is refused, and the first stays', async () => {
  const { job, id } = await noted('photo');
  const [first, other] = [await photo(10, 20), await photo(20, 10)];
  const answers = await Promise.all([put(id, first), put(id, first), put(id, first)]);
  expect(answers.map((a) => a.status)).toEqual([204, 204, 204]);
  expect((await put(id, other).expect(409)).body.detail).toBe(
    'Another photo or voice note stands under this id; one that is kept stays.',
  );
  expect(await sharp(await fetched(id)).metadata()).toMatchObject({ width: 10, height: 20 });
  expect((await listed(job)).filter((m) => m.id === id)).toEqual([
    {
      id,
      medium: 'photo',
      contentType: 'image/jpeg',
      sizeBytes: (await fetched(id)).length,
      receivedAt: NOW.toISOString(),
    },
  ]);
});

test('it is of the workshop alone: another one is answered as for an id that never was', async () => {
  const other = await testServer.signedIn('other');
  const { job, id } = await noted('photo');
  await put(id, await photo()).expect(204);
  const without = (body: object) => JSON.stringify(body).replaceAll(/[0-9a-f-]{36}/g, 'ID');
  for (const ask of [
    (of: string) => other.get(`/media/${of}`),
    async (of: string) => put(of, await photo(), 'image/jpeg', other),
  ]) {
    const [ours, nobodys] = [await ask(id), await ask(randomUUID())];
    expect([ours.status, without(ours.body)]).toEqual([404, without(nobodys.body)]);
  }
  await other.get(`/jobs/${job.id}/media`).expect(404);
  // The same id in their own log is their own.
  const theirs = await other.open('H 1');
  await other.say(theirs, [told('photo', { id })]);
  await other.get(`/media/${id}`).expect(404);
});

test('signed out, nothing is read of a body and nothing is shown', async () => {
  const { id } = await noted('photo');
  const nobody = await testServer.signedIn('tech');
  await nobody.agent.delete('/api/v1/session').expect(204);
  expect((await put(id, await photo(), 'image/jpeg', nobody)).status).toBe(401);
  expect((await nobody.get(`/media/${id}`)).status).toBe(401);
});

test('taken back, what was kept is there all the same', async () => {
  const { job, id } = await noted('photo');
  await put(id, await photo()).expect(204);
  await tech.say(job, [
    told('photo', { kind: 'undone', eventId: id, medium: undefined, elementId: undefined }),
  ]);
  await fetched(id);
});

test('one that arrives after the end stands beside the record and opens the vehicle to nobody’s surprise', async () => {
  const job = await tech.bled('H 1');
  await tech.change(job, 'post', 'end', { reason: 'Customer came early.' });
  const before = await tech.job(job.id);
  const event = told('photo');
  const { body } = await tech.events(job, [event]);
  expect((body as Appended).answers).toEqual([
    { id: event.id, result: 'added after the end', sentence: null },
  ]);
  await put(event.id, await photo()).expect(204);
  await fetched(event.id);
  const after = await tech.job(job.id);
  expect([after.events.length, after.drive]).toEqual([before.events.length, before.drive]);
});

test('notes of every job stand at their vehicle, at their place, and what was taken back does not', async () => {
  const notesOf = async (vehicleId: string, by = tech) =>
    (await by.get(`/vehicles/${vehicleId}/notes`).expect(200)).body as VehicleNotesPage;
  const running = await tech.running('H 1');
  const elementId = running.layout.bleeders[0]!.id;
  const [at, other, wrong] = [
    told('photo', { elementId, atMs: NOW.getTime() - 2000 }),
    told('voice', { atMs: NOW.getTime() - 1000 }),
    told('photo'),
  ];
  await tech.say(running, [at, other, wrong]);
  await put(at.id, await photo()).expect(204);
  const undo = told('photo', {
    kind: 'undone',
    eventId: wrong.id,
    medium: undefined,
    elementId: undefined,
  });
  await tech.say(running, [undo]);
  await tech.change(running, 'post', 'end', { reason: 'Customer came early.' });
  const late = told('photo', { atMs: NOW.getTime() + 1000 });
  await tech.events(running, [late]);
  const next = await tech.open('H 1');
  const own = (await notesOf(next.vehicleId)).notes.filter((n) => n.jobId === running.id);
  expect(own).toMatchObject([
    { id: late.id, arrived: false },
    { id: other.id, medium: 'voice', elementId: null, arrived: false },
    { id: at.id, medium: 'photo', elementId, arrived: true, jobNumber: running.number },
  ]);
  // What was taken back after all is there again.
  const again = told('photo', {
    kind: 'undone',
    eventId: undo.id,
    medium: undefined,
    elementId: undefined,
  });
  const open = next;
  const [note, back] = [told('photo'), told('photo', { kind: 'undone' })];
  await tech.say(open, [
    note,
    { ...back, eventId: note.id, medium: undefined, elementId: undefined },
  ]);
  expect((await notesOf(open.vehicleId)).notes.map((n) => n.id)).not.toContain(note.id);
  await tech.say(open, [{ ...again, eventId: back.id }]);
  expect((await notesOf(open.vehicleId)).notes.map((n) => n.id)).toContain(note.id);
  await (await testServer.signedIn('other')).get(`/vehicles/${open.vehicleId}/notes`).expect(404);
  await tech.change(open, 'post', 'end', { reason: 'Customer came early.' });
});

test('an element is one that the plan knows; before there is a plan there is none', async () => {
  const { job } = await noted('photo');
  const sentence = async (of: { id: string }, elementId: string) =>
    ((await tech.events(of, [told('photo', { elementId })])).body as Appended).answers[0]!.sentence;
  expect(await sentence(job, 'front')).toMatch(/no element "front"/);
  const running = await tech.running('H 1');
  const [bleeder] = running.layout.bleeders;
  expect(await sentence(running, bleeder!.id)).toBeNull();
  expect(await sentence(running, 'nowhere')).toMatch(/no element "nowhere"/);
});
