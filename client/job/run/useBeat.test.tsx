import { loggedEvent, planOf, runOf, type LooseEvent } from '@brook/core/testing';
import { nextStep } from '@brook/core/job/run';
import { act, renderHook } from '@testing-library/react';
import type { LiveRun } from '../../data/run';
import { sayCue } from '../../ui/sayCue';
import { useBeat } from './useBeat';

jest.mock('../../ui/sayCue', () => ({ sayCue: jest.fn(), hush: jest.fn() }));
const said = jest.mocked(sayCue);

const plan = planOf('motorcycle-front-disc');
const [opening] = plan.openings;
const strokeMs = opening!.secondsPerStroke * 1000;

/** A run in somebody's hand, which takes what it is told. */
function hand(counts = true) {
  const told: LooseEvent[] = [];
  let state = runOf(plan, []);
  const run = () =>
    ({
      state,
      counts,
      say: (happening: LooseEvent) => {
        told.push(happening);
        state = runOf(plan, [...state.log, loggedEvent(happening) as LooseEvent]);
      },
    }) as unknown as LiveRun;
  return { run, told };
}

const beating = (of: ReturnType<typeof hand>, strokes = true, at = opening!) =>
  renderHook(({ on }) => useBeat(of.run(), at, on), { initialProps: { on: strokes } });

beforeEach(() => {
  jest.useFakeTimers();
  said.mockClear();
});
afterEach(() => jest.useRealTimers());
/** In small steps: what a beat brings about is painted before the next. */
const pass = (ms: number) => {
  for (let left = ms; left > 0; left -= 5) act(() => jest.advanceTimersByTime(Math.min(5, left)));
};

test('this plan is bled by one person at the lever', () => {
  expect(opening!.method).toBe('alone at the lever');
  expect(nextStep(runOf(plan, [])).kind).toBe('prepare');
});

test('each stroke is called in its order and counted at its end, not before', () => {
  const of = hand();
  const { result, rerender } = beating(of);
  expect(result.current.cue).toBeNull();
  act(() => result.current.toggle!());
  expect(of.told).toEqual([{ kind: 'counting', way: 'tempo' }]);
  pass(strokeMs / 2);
  // What arrives meanwhile neither calls anew nor makes it longer.
  const called = said.mock.calls.length;
  rerender({ on: true });
  expect(said.mock.calls.length).toBe(called);
  // Until it is shut: a lever that is still held in is no stroke yet.
  pass(strokeMs * 0.1);
  expect(of.told).toHaveLength(1);
  pass(strokeMs * 0.2);
  expect(of.told.slice(1)).toEqual([{ kind: 'stroke', openingId: opening!.id }]);
  const words = said.mock.calls.map(([cue]) => cue.word);
  expect(words.slice(0, 5)).toEqual(['Pull', 'Open', 'Go with it', 'Shut', 'Let go']);
  pass(strokeMs);
  expect(of.told.filter((t) => t.kind === 'stroke')).toHaveLength(2);
});

test('one tap stops it, and another goes on with a whole stroke', () => {
  const of = hand();
  const { result } = beating(of);
  act(() => result.current.toggle!());
  pass(strokeMs * 0.5);
  act(() => result.current.toggle!());
  expect(result.current.cue).toBeNull();
  pass(strokeMs * 5);
  expect(of.told.filter((t) => t.kind === 'stroke')).toEqual([]);
  act(() => result.current.toggle!());
  expect(result.current.cue!.word).toBe('Pull');
});

test('where strokes are no longer called for it stops, and does not begin again by itself', () => {
  const of = hand();
  const { result, rerender } = beating(of);
  act(() => result.current.toggle!());
  rerender({ on: false });
  expect(result.current).toMatchObject({ cue: null, toggle: null });
  pass(strokeMs * 3);
  rerender({ on: true });
  expect(result.current.cue).toBeNull();
  expect(of.told.filter((t) => t.kind === 'stroke')).toEqual([]);
});

test('a page that is put away beats no longer', () => {
  const of = hand();
  const { result } = beating(of);
  act(() => result.current.toggle!());
  jest.spyOn(document, 'hidden', 'get').mockReturnValue(true);
  act(() => void document.dispatchEvent(new Event('visibilitychange')));
  expect(result.current.cue).toBeNull();
  jest.restoreAllMocks();
});

test('of two people the app calls, and only "shut" counts and lets go', () => {
  const two = { ...opening!, method: 'two people' as const };
  const of = hand();
  const { result } = beating(of, true, two);
  act(() => result.current.toggle!());
  expect(result.current.cue!.word).toBe('Pull');
  // Nothing is taken for "shut" before there is anything to shut.
  expect(result.current.press).toBeNull();
  pass(strokeMs * 20);
  expect(result.current.cue!.word).toBe('Shut');
  expect(of.told).toEqual([]);
  act(() => result.current.press!.onPress());
  expect(of.told).toEqual([{ kind: 'stroke', openingId: two.id }]);
  expect(result.current.cue!.word).toBe('Let go');
  pass(strokeMs * 0.35);
  expect(result.current.cue!.word).toBe('Pull');
  // Whoever sees the end sooner than the clock says so.
  pass(strokeMs * 0.2);
  expect(result.current.cue!.word).toBe('Go with it');
  act(() => result.current.press!.onPress());
  expect(result.current.cue!.word).toBe('Let go');
  expect(of.told.filter((t) => t.kind === 'stroke')).toHaveLength(2);
});

test('into a bottle each push that came back counts, and the end of the hose out of the fluid is called until it is shut', () => {
  const bottle = { ...opening!, method: 'alone, bottle' as const };
  const of = hand();
  const { result } = beating(of, true, bottle);
  act(() => result.current.toggle!());
  pass(strokeMs + 30);
  expect(said.mock.calls.map(([cue]) => cue.word).slice(0, 3)).toEqual(['Pull', 'Back', 'Pull']);
  expect(of.told.filter((t) => t.kind === 'stroke')).toHaveLength(1);
  act(() => result.current.broke!());
  pass(strokeMs * 3);
  expect(result.current.cue!.say).toContain('end of the hose was out');
  expect(of.told.filter((t) => t.kind === 'stroke')).toHaveLength(1);
  expect(result.current.bar!.label).toBe('It is shut');
  act(() => result.current.bar!.onPress());
  expect(result.current.cue).toBeNull();
});

test('nobody calls on a phone that does not count, nor where the flow is steady', () => {
  expect(beating(hand(false)).result.current.toggle).toBeNull();
  const flow = { ...opening!, method: 'vacuum' as const };
  expect(beating(hand(), true, flow).result.current.toggle).toBeNull();
});
