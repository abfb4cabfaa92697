import { jobOf, planOf, runOf, type LooseEvent } from '../../testing';
import { unseenStrokes } from '.';

const plan = planOf('hatchback-diagonal');
const openingId = plan.openings[0]!.id;
const of = (...said: LooseEvent[]) => unseenStrokes(jobOf(plan, said), 'phone').map((e) => e.id);
const helped = (id: string): LooseEvent => ({ id, kind: 'stroke', openingId, deviceId: 'helper' });
const joined: LooseEvent = { id: 'j', kind: 'counting', way: 'helper', deviceId: 'helper' };
// The plan stands at the first place of the order, what is said here behind it: the joining at the second, "a" at the third.
const [J, A, B] = [2, 3, 4];
const over = (heard: number | undefined, id = 'o'): LooseEvent => ({
  id,
  kind: 'counting',
  way: 'tap',
  heard,
});

test('what the helper’s phone counted behind what this phone had heard is asked about, and nothing before it', () => {
  expect(of(joined, helped('a'), helped('b'), over(A))).toEqual(['b']);
  expect(of(joined, helped('a'), helped('b'), over(B))).toEqual([]);
  expect(of(joined, helped('a'), helped('b'), over(J))).toEqual(['a', 'b']);
  expect(of(helped('a'), over(0))).toEqual(['a']);
});

test('what comes behind the take-over is asked about elsewhere: it does not count by itself', () => {
  const said = [joined, helped('a'), over(A), helped('c')];
  expect(of(...said)).toEqual([]);
  expect(runOf(plan, said).asked.map((a) => a.eventId)).toEqual(['c']);
});

test('judged or taken back it is asked no more; nor is what this phone counted itself', () => {
  const both: LooseEvent[] = [joined, helped('a'), helped('b'), over(A)];
  expect(of(...both, { kind: 'strokes judged', eventIds: ['b'], count: true })).toEqual([]);
  expect(of(...both, { kind: 'undone', eventId: 'b' })).toEqual([]);
  expect(of(joined, { ...helped('m'), deviceId: 'phone' }, over(0))).toEqual([]);
});

test('what this phone had heard of may have been taken back since: its place stands for good', () => {
  const back: LooseEvent = { kind: 'undone', eventId: 'a' };
  expect(of(joined, helped('a'), helped('b'), over(A), back)).toEqual(['b']);
});

test('the last take-over counts; one that does not say what it had heard asks about everything', () => {
  expect(of(joined, helped('a'), over(0, 'o1'), over(A, 'o2'))).toEqual([]);
  expect(of(helped('a'), over(undefined))).toEqual(['a']);
  expect(unseenStrokes(jobOf(plan, [joined, helped('a')]), 'phone')).toEqual([]);
});
