/** @jest-environment node */
import 'fake-indexeddb/auto';
import type { RunEvent } from '@brook/core/run';
import { confirm, enqueue, outboxOf } from './outbox';

const stroke =
  (id: string) =>
  (deviceSeq: number): RunEvent => ({
    id,
    deviceId: 'phone',
    deviceSeq,
    atMs: 0,
    kind: 'stroke',
    stopId: 'front',
  });

test('events wait in the order of the taps, numbered without a gap', async () => {
  await Promise.all(['a', 'b', 'c'].map((id) => enqueue('order', 0, stroke(id))));
  const { waiting } = await outboxOf('order');
  expect(waiting.map((e) => e.id)).toEqual(['a', 'b', 'c']);
  expect(waiting.map((e) => e.deviceSeq)).toEqual([1, 2, 3]);
});

test('numbers go on after what the server has, and after what was confirmed', async () => {
  expect((await enqueue('floor', 41, stroke('a'))).deviceSeq).toBe(42);
  await confirm('floor', new Set(['a']));
  expect((await outboxOf('floor')).waiting).toEqual([]);
  expect((await enqueue('floor', 0, stroke('b'))).deviceSeq).toBe(43);
});

test('confirming takes out what was confirmed and nothing that was tapped meanwhile', async () => {
  await enqueue('meanwhile', 0, stroke('a'));
  const sent = new Set((await outboxOf('meanwhile')).waiting.map((e) => e.id));
  await enqueue('meanwhile', 0, stroke('b'));
  await confirm('meanwhile', sent);
  expect((await outboxOf('meanwhile')).waiting.map((e) => e.id)).toEqual(['b']);
});

test('each job has an outbox of its own, empty until something waits', async () => {
  await enqueue('one', 0, stroke('a'));
  expect(await outboxOf('other')).toEqual({ lastSeq: 0, waiting: [] });
});
