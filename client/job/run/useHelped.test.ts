import type { HelperNews } from '@brook/contract';
import { followCalls, nextStep } from '@brook/core/job/run';
import { countingIds, planOf, runOf, type LooseEvent } from '@brook/core/testing';
import { helpedLook } from './useHelped';

const plan = planOf('hatchback-diagonal');
const calls = followCalls(plan, { deviceId: 'phone', nextId: countingIds(), startMs: 0 });
const atFirst = calls.slice(
  0,
  calls.findIndex((e) => e.kind === 'stroke'),
) as LooseEvent[];
const taken: LooseEvent = { kind: 'counting', way: 'helper', deviceId: 'h' };
const news = (more: object = {}): NonNullable<HelperNews> => ({
  name: 'Ana',
  deviceId: 'h',
  inStep: true,
  phase: 'ready',
  openingId: plan.openings[0]!.id,
  ...more,
});
const look = (n: HelperNews, inTouch = true, said: readonly LooseEvent[] = [...atFirst, taken]) => {
  const state = runOf(plan, said);
  return helpedLook(state, nextStep(state), { news: n, inTouch });
};

test('in step the wrench is told what to do, by where the helper stands', () => {
  expect(look(news())).toMatchObject({ name: 'Ana', outOfStep: null, cue: { word: 'Open' } });
  expect(look(news({ phase: 'at the end' }))?.cue?.word).toBe('Shut');
  // Where the call is still about the bleeder before, this one begins anew.
  expect(look(news({ phase: 'at the end', openingId: 'other' }))?.cue?.word).toBe('Open');
});

test.each([
  ['this phone hears nothing', news(), false, /This phone/],
  ['the helper’s is not heard of', news({ inStep: false }), true, /Ana’s phone does not answer/],
  ['the link has ended', null, true, /out of the run/],
  ['another link stands by now', news({ deviceId: 'other' }), true, /out of the run/],
])('out of step where %s: no call stands', (_, heard, inTouch, why) => {
  const lost = look(heard, inTouch);
  expect(lost?.cue).toBeNull();
  expect(lost?.outOfStep).toMatch(why);
});

test('as long as the line has said nothing, nobody is told to stop', () => {
  const state = runOf(plan, [...atFirst, taken]);
  expect(helpedLook(state, nextStep(state), null)).toBeNull();
});

test('nothing of it where this phone counts, or where no stroke is called for', () => {
  expect(look(news(), true, atFirst)).toBeNull();
  expect(look(news(), true, [taken])).toBeNull();
});
