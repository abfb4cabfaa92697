import { planOf, runOf, type LooseEvent } from '../../testing';
import { planAgainstActual, tryNext } from '.';
import { TRIES, type BubbleReading, type Try } from '../events';

const plan = planOf('hatchback-diagonal');
const [opening] = plan.openings;
const openingId = opening!.id;
const look = (reading: BubbleReading): LooseEvent[] => [
  { kind: 'stroke', openingId },
  { kind: 'bubbles', openingId, reading },
];
const tried = (what: Try, done = true): LooseEvent => ({ kind: 'tried', openingId, what, done });
const at = (events: readonly LooseEvent[]) => runOf(plan, events).bleeders[0]!;
const next = (...events: readonly LooseEvent[]) => tryNext(opening!, at(events));
const some = [...look('some'), ...look('some'), ...look('some')];

// Three equal readings other than none, and the order of effort: common practice, no source.
test('three equal looks bring up the least effort; two do not', () => {
  expect(next(...some.slice(0, 4))).toBeNull();
  expect(next(...some)).toBe('open less');
});

test('none, and another reading between, begin the looks anew', () => {
  expect(next(...look('none'), ...look('none'), ...look('none'))).toBeNull();
  expect(next(...look('some'), ...look('fine'), ...look('some'), ...look('some'))).toBeNull();
  expect(next(...look('some'), ...look('some'), ...look('none'), ...look('some'))).toBeNull();
});

test('a second tap on the same answer is no second look', () => {
  const tap: LooseEvent = { kind: 'bubbles', openingId, reading: 'some' };
  expect(next(...look('some'), tap, tap)).toBeNull();
  expect(next(...look('some'), tap, ...look('some'), tap)).toBeNull();
});

test('what was done asks for three more looks, what was passed over does not', () => {
  expect(next(...some, tried('open less'))).toBeNull();
  expect(next(...some, tried('open less'), ...look('some'), ...look('some'))).toBeNull();
  expect(next(...some, tried('open less'), ...some)).toBe('tap it');
  expect(next(...some, tried('open less', false))).toBe('tap it');
});

test('each comes once, in order of effort, and at the end nothing is left to try', () => {
  const events: LooseEvent[] = [...some];
  const came: Try[] = [];
  for (let what = next(...events); what; what = next(...events)) {
    came.push(what);
    events.push(tried(what, false));
  }
  expect(came).toEqual(TRIES);
});

test('a quarter turn is not opened less, and a steady flow has no stroke to change', () => {
  const b = at(some);
  const quarter = { ...opening!, bleeder: { ...opening!.bleeder, type: 'quarter turn' as const } };
  expect(tryNext(quarter, b)).toBe('tap it');
  const passed = at([...some, tried('open less', false), tried('tap it', false)]);
  expect(tryNext(opening!, passed)).toBe('flick it');
  expect(tryNext({ ...opening!, method: 'pressure' }, passed)).toBe('turn it up');
});

test('under vacuum bubbles are no measure: nothing is tried against them', () => {
  expect(tryNext({ ...opening!, method: 'vacuum' }, at(some))).toBeNull();
});

test('what was tried stands on the record with what it changed', () => {
  const state = runOf(plan, [
    ...some,
    tried('open less', false),
    tried('tap it'),
    // Nothing has moved yet: it cannot have changed anything.
    { kind: 'bubbles', openingId, reading: 'some' },
    ...look('fine'),
    ...look('none'),
  ]);
  expect(planAgainstActual(state)[0]!.rows[0]!.tried).toEqual([
    { what: 'tap it', done: true, atStroke: 3, before: 'some', after: 'fine' },
  ]);
});
