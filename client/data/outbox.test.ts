/** @jest-environment node */
import 'fake-indexeddb/auto';
import { get, set } from 'idb-keyval';
import { drop, enqueue, outboxOf, settle, type PhoneEvent } from './outbox';

const stroke =
  (id: string) =>
  (deviceSeq: number): PhoneEvent => ({
    id,
    deviceId: 'phone',
    deviceSeq,
    atMs: 0,
    planId: 'plan',
    kind: 'stroke',
    stopId: 'front',
  });
const ids = async (job: string) => (await outboxOf(job)).waiting.map((e) => e.id);

test('events wait in the order of the taps, numbered without a gap', async () => {
  await Promise.all(['a', 'b', 'c'].map((id) => enqueue('order', 0, stroke(id))));
  const { waiting } = await outboxOf('order');
  expect(waiting.map((e) => e.id)).toEqual(['a', 'b', 'c']);
  expect(waiting.map((e) => e.deviceSeq)).toEqual([1, 2, 3]);
});

test('numbers go on after what the server has, and after what was settled', async () => {
  expect((await enqueue('floor', 41, stroke('a'))).lastSeq).toBe(42);
  await settle('floor', new Set(['a']));
  expect(await ids('floor')).toEqual([]);
  expect((await enqueue('floor', 0, stroke('b'))).lastSeq).toBe(43);
});

test('what the server has is taken out, and nothing that was tapped meanwhile', async () => {
  await enqueue('meanwhile', 0, stroke('a'));
  const sent = new Set(await ids('meanwhile'));
  await enqueue('meanwhile', 0, stroke('b'));
  await settle('meanwhile', sent);
  expect(await ids('meanwhile')).toEqual(['b']);
});

test('what is refused goes on a shelf of its own with its sentence, and stops nothing behind it', async () => {
  for (const id of ['a', 'b', 'c']) await enqueue('refused', 0, stroke(id));
  await settle('refused', new Set(['a', 'c']), new Map([['b', 'There is no such bleeder.']]));
  const box = await outboxOf('refused');
  expect(box.waiting).toEqual([]);
  expect(box.refused).toMatchObject([
    { event: { id: 'b', deviceSeq: 2 }, sentence: 'There is no such bleeder.' },
  ]);
  await drop('refused', 'a');
  expect((await outboxOf('refused')).refused).toHaveLength(1);
  await drop('refused', 'b');
  expect((await outboxOf('refused')).refused).toEqual([]);
});

test('each job has an outbox of its own, empty until something waits', async () => {
  await enqueue('one', 0, stroke('a'));
  expect(await outboxOf('other')).toEqual({ version: 2, lastSeq: 0, waiting: [], refused: [] });
});

test('what the first version kept is lifted: nothing that waits is lost', async () => {
  const { planId: _, ...first } = stroke('a')(7);
  await set('outbox:old', {
    lastSeq: 7,
    waiting: [first, { ...first, id: 'b', kind: 'topped up', bowlId: 'bowl' }],
  });
  const box = await outboxOf('old');
  expect(box).toMatchObject({ version: 2, lastSeq: 7, refused: [] });
  expect(box.waiting).toMatchObject([
    { id: 'a', planId: null },
    { id: 'b', planId: null, containerId: null },
  ]);
  await enqueue('old', 0, stroke('c'));
  expect(await ids('old')).toEqual(['a', 'b', 'c']);
  expect(await get('outbox:old')).toMatchObject({ version: 2, lastSeq: 8 });
});
