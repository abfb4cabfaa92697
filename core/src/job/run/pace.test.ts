import { METHODS } from '../../hydraulics/flow';
import { planOf, runOf, type LooseEvent } from '../../testing';
import { pacesOf, paceRule } from '.';

const plan = planOf('hatchback-diagonal');
const [first, second] = plan.openings;
const S = 1000;
const stroke = (openingId: string, atMs: number, more: object = {}): LooseEvent =>
  ({ kind: 'stroke', openingId, atMs, ...more }) as LooseEvent;
const shut = (openingId: string, atMs: number): LooseEvent =>
  ({ kind: 'shut', openingId, atMs, tightened: 'by feel' }) as LooseEvent;
const row = (openingId: string, from: number, n: number, apartS: number) =>
  Array.from({ length: n }, (_, i) => stroke(openingId, from + i * apartS * S));
const paces = (...said: LooseEvent[]) => pacesOf(runOf(plan, said));

test('seconds of a stroke are the time from one to the next; the pause of a top-up is none', () => {
  const [pace] = paces(
    ...row(first!.id, 0, 6, 5),
    stroke(first!.id, 25 * S + 90 * S),
    ...row(first!.id, 120 * S, 3, 5),
    shut(first!.id, 140 * S),
  );
  expect(pace).toMatchObject({ strokes: 10, method: 'two people', minutesBetween: null });
  // Five gaps of 5 s, one of 90 s, one of 5 s, two of 5 s: the long one is left out.
  expect(pace!.secondsPerStroke).toBeCloseTo(5, 9);
  expect(pace!.minutes).toBeCloseTo(140 / 60, 9);
});

test('ten said at once share their time', () => {
  const [pace] = paces(
    stroke(first!.id, 0),
    stroke(first!.id, 40 * S, { made: 10 }),
    shut(first!.id, 50 * S),
  );
  expect(pace!.secondsPerStroke).toBeCloseTo(4, 9);
});

test('four strokes tell no pace, five gaps do', () => {
  expect(
    paces(...row(first!.id, 0, 5, 5), shut(first!.id, 60 * S))[0]!.secondsPerStroke,
  ).toBeNull();
  expect(paces(...row(first!.id, 0, 6, 5), shut(first!.id, 60 * S))[0]!.secondsPerStroke).toBe(5);
});

test('reach, hose and cap: from the bleeder before being shut to the first stroke, and from the last to its own', () => {
  const [, pace] = paces(
    ...row(first!.id, 0, 6, 5),
    shut(first!.id, 60 * S),
    ...row(second!.id, 180 * S, 6, 5),
    shut(second!.id, 235 * S),
  );
  expect(pace!.minutesBetween).toBeCloseTo((120 + 30) / 60, 9);
  expect(pace!.minutes).toBeCloseTo(175 / 60, 9);
});

test('a meal in between is neither way nor bleed', () => {
  const hour = 3600 * S;
  const [, pace] = paces(
    ...row(first!.id, 0, 6, 5),
    shut(first!.id, 60 * S),
    ...row(second!.id, hour, 6, 5),
    shut(second!.id, hour + 60 * S),
  );
  expect(pace!.minutesBetween).toBeNull();
  expect(pace!.minutes).toBeCloseTo(1, 9);
});

test('what was not shut, or at which nobody made a stroke, teaches nothing', () => {
  expect(paces(...row(first!.id, 0, 6, 5))).toEqual([]);
  expect(paces(shut(first!.id, 0))).toEqual([]);
});

test('it is whose strokes most of them were, against what was planned', () => {
  const [pace] = paces(
    stroke(first!.id, 0, { person: 'Bo' }),
    ...row(first!.id, 5 * S, 3, 5).map((s) => ({ ...s, person: 'Ana' }) as LooseEvent),
    shut(first!.id, 60 * S),
  );
  expect(pace).toMatchObject({
    person: 'Ana',
    plannedStrokes: first!.strokes.value,
    plannedMl: first!.bledMl.value,
  });
  expect(pace!.plannedMinutes).toBeCloseTo(
    (first!.strokes.value * first!.secondsPerStroke) / 60 + plan.preferences.minutesPerBleeder,
    9,
  );
});

test('a pace is a rule of the house where strokes are counted by somebody', () => {
  expect(METHODS.filter((m) => paceRule(m) !== null)).toEqual(
    METHODS.filter((m) => ['two people', 'alone at the lever', 'alone, bottle'].includes(m)),
  );
});
