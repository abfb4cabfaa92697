import { hadHeard, heardThrough, heardUpTo, positionOf, type Heard } from './heard';

const event = (more: Partial<Heard>): Heard =>
  ({ deviceId: 'phone', deviceSeq: 1, heard: 0, ...more }) as Heard;
const at = (position: number, more: Partial<Heard> = {}) =>
  event({ order: { position, receivedMs: 0 }, ...more });

test('one that only its phone has stands behind all that the server has placed', () => {
  expect(positionOf(at(7))).toBe(7);
  expect(positionOf(event({}))).toBeGreaterThan(1_000_000_000);
});

test('a phone had heard up to what it says, and never up to its own event', () => {
  expect(heardUpTo(at(7, { heard: 3 }))).toBe(3);
  expect(heardUpTo(at(7, { heard: 6 }))).toBe(6);
  expect(heardUpTo(at(7, { heard: 7 }))).toBe(6);
  expect(heardUpTo(at(7, { heard: 99 }))).toBe(6);
  // What says nothing of it had heard of nothing.
  expect(heardUpTo(at(7, { heard: undefined }))).toBe(0);
  expect(heardUpTo(event({ heard: 5 }))).toBe(5);
});

test('told in order without a gap it has heard through; from a gap on it has not', () => {
  expect(heardThrough(3, [at(4), at(5), at(6)])).toBe(6);
  expect(heardThrough(3, [at(4), at(6)])).toBe(4);
  expect(heardThrough(3, [at(5), at(6)])).toBe(3);
  expect(heardThrough(3, [at(2), at(3)])).toBe(3);
  expect(heardThrough(3, [event({}), at(4)])).toBe(4);
  expect(heardThrough(3, [])).toBe(3);
});

test('it had heard of what it made itself before, and of what stood where it had heard', () => {
  const bad = at(5, { deviceId: 'other', deviceSeq: 9 });
  expect(hadHeard(at(8, { heard: 5 }), bad)).toBe(true);
  expect(hadHeard(at(8, { heard: 4 }), bad)).toBe(false);
  const own = at(5, { deviceSeq: 3 });
  expect(hadHeard(at(8, { deviceSeq: 4 }), own)).toBe(true);
  expect(hadHeard(at(8, { deviceSeq: 3 }), own)).toBe(true);
  // Counted up later by the same phone, it came after.
  expect(hadHeard(at(8, { deviceSeq: 2 }), own)).toBe(false);
  // Another phone counts by itself.
  expect(hadHeard(at(8, { deviceId: 'other', deviceSeq: 4 }), own)).toBe(false);
});
