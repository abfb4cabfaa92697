import { jobOf, planOf, runOf, type LooseEvent } from '../../testing';
import { unseenStrokes } from '.';

const plan = planOf('hatchback-diagonal');
const openingId = plan.openings[0]!.id;
const of = (...said: LooseEvent[]) => unseenStrokes(jobOf(plan, said), 'phone').map((e) => e.id);
const helped = (id: string): LooseEvent => ({ id, kind: 'stroke', openingId, deviceId: 'helper' });
const joined: LooseEvent = { id: 'j', kind: 'counting', way: 'helper', deviceId: 'helper' };
const over = (knew: string | null | undefined, id = 'o'): LooseEvent => ({
  id,
  kind: 'counting',
  way: 'tap',
  knew,
});

test('what the helper’s phone counted behind what this phone knew is asked about, and nothing before it', () => {
  expect(of(joined, helped('a'), helped('b'), over('a'))).toEqual(['b']);
  expect(of(joined, helped('a'), helped('b'), over('b'))).toEqual([]);
  expect(of(helped('a'), over(null))).toEqual(['a']);
});

test('what comes behind the take-over is asked about elsewhere: it does not count by itself', () => {
  const said = [joined, helped('a'), over('a'), helped('c')];
  expect(of(...said)).toEqual([]);
  expect(runOf(plan, said).asked.map((a) => a.eventId)).toEqual(['c']);
});

test('judged or taken back it is asked no more; nor is what this phone counted itself', () => {
  const both: LooseEvent[] = [joined, helped('a'), helped('b'), over('a')];
  expect(of(...both, { kind: 'strokes judged', eventIds: ['b'], count: true })).toEqual([]);
  expect(of(...both, { kind: 'undone', eventId: 'b' })).toEqual([]);
  expect(of(joined, { ...helped('m'), deviceId: 'phone' }, over(null))).toEqual([]);
});

test('what this phone knew may have been taken back since: it stands in the log for good', () => {
  const back: LooseEvent = { kind: 'undone', eventId: 'a' };
  expect(of(joined, helped('a'), helped('b'), over('a'), back)).toEqual(['b']);
});

test('the last take-over counts, and one that does not say what it knew asks nothing', () => {
  expect(of(joined, helped('a'), over(null, 'o1'), over('a', 'o2'))).toEqual([]);
  expect(of(joined, helped('a'), over(undefined))).toEqual([]);
  expect(unseenStrokes(jobOf(plan, [joined, helped('a')]), 'phone')).toEqual([]);
});
