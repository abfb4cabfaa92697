/** @jest-environment node */
import 'fake-indexeddb/auto';
import {
  drop,
  enqueue,
  othersWaiting,
  outboxOf,
  sendable,
  setAside,
  settle,
  type PhoneEvent,
} from './outbox';

const UNA = { id: 'una', name: 'Una' };
const ODE = { id: 'ode', name: 'Ode' };
const stroke =
  (id: string) =>
  (deviceSeq: number): PhoneEvent => ({
    id,
    deviceId: 'phone',
    deviceSeq,
    atMs: 0,
    planId: 'plan',
    kind: 'stroke',
    openingId: 'front',
  });
const ids = async (job: string) => (await outboxOf(job)).waiting.map((w) => w.event.id);

test('events wait in the order of the taps, numbered without a gap', async () => {
  await Promise.all(['a', 'b', 'c'].map((id) => enqueue('order', UNA, 0, stroke(id))));
  const { waiting } = await outboxOf('order');
  expect(waiting.map((w) => w.event.id)).toEqual(['a', 'b', 'c']);
  expect(waiting.map((w) => w.event.deviceSeq)).toEqual([1, 2, 3]);
});

test('numbers go on after what the server has, and after what was settled', async () => {
  expect((await enqueue('floor', UNA, 41, stroke('a'))).lastSeq).toBe(42);
  await settle('floor', new Set(['a']));
  expect(await ids('floor')).toEqual([]);
  expect((await enqueue('floor', UNA, 0, stroke('b'))).lastSeq).toBe(43);
});

test('what the server has is taken out, and nothing that was tapped meanwhile', async () => {
  await enqueue('meanwhile', UNA, 0, stroke('a'));
  const sent = new Set(await ids('meanwhile'));
  await enqueue('meanwhile', UNA, 0, stroke('b'));
  await settle('meanwhile', sent);
  expect(await ids('meanwhile')).toEqual(['b']);
});

test('what is refused goes on a shelf of its own with its sentence, and stops nothing behind it', async () => {
  for (const id of ['a', 'b', 'c']) await enqueue('refused', UNA, 0, stroke(id));
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
  await enqueue('one', UNA, 0, stroke('a'));
  expect(await outboxOf('other')).toEqual({ version: 3, lastSeq: 0, waiting: [], refused: [] });
});

test('what one person tapped is never sendable by another, nor what was tapped behind it', async () => {
  await enqueue('whose', UNA, 0, stroke('a'));
  await enqueue('whose', ODE, 0, stroke('b'));
  await enqueue('whose', UNA, 0, stroke('c'));
  const { waiting } = await outboxOf('whose');
  const sent = (person: string) => sendable(waiting, person).map((w) => w.event.id);
  expect([sent('una'), sent('ode')]).toEqual([['a'], []]);
  expect(sendable(waiting.slice(2), 'una')).toHaveLength(1);
  expect(othersWaiting(waiting, 'ode')).toEqual([{ id: 'una', person: 'Una', taps: 2 }]);
  expect(othersWaiting(waiting, 'una')).toEqual([{ id: 'ode', person: 'Ode', taps: 1 }]);
});

test('set aside, what others tapped lies with its sentence and name, and one’s own goes', async () => {
  await enqueue('aside', UNA, 0, stroke('a'));
  await enqueue('aside', ODE, 0, stroke('b'));
  await setAside('aside', 'ode');
  const box = await outboxOf('aside');
  expect(sendable(box.waiting, 'ode').map((w) => w.event.id)).toEqual(['b']);
  expect(box.refused).toEqual([
    {
      event: stroke('a')(1),
      sentence: 'Una tapped it on this phone and did not send it.',
    },
  ]);
});
