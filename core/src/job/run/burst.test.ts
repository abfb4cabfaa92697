import { planOf, runOf, type LooseEvent } from '../../testing';
import { burstOf } from '.';

const plan = planOf('hatchback-diagonal');
const openingId = plan.openings[0]!.id;
const tap = (atMs: number, more: object = {}): LooseEvent => ({
  id: `t${atMs}`,
  kind: 'stroke',
  openingId,
  atMs,
  ...more,
});
const burst = (...said: LooseEvent[]) => burstOf(runOf(plan, said), 'phone');

test('four taps within a moment are asked about, three are not', () => {
  expect(burst(tap(0), tap(500), tap(1000))).toEqual([]);
  expect(burst(tap(0), tap(500), tap(1000), tap(1500))).toEqual(['t0', 't500', 't1000', 't1500']);
});

test('taps as strokes come are none, also where a burst lies before them', () => {
  expect(burst(tap(0), tap(600), tap(1200), tap(1800))).toEqual([]);
  expect(burst(tap(0), tap(599), tap(1198), tap(1797))).toHaveLength(4);
  expect(burst(tap(0), tap(100), tap(200), tap(300), tap(6000))).toEqual([]);
});

test('only the burst itself is asked about, not the strokes before it', () => {
  expect(burst(tap(0), tap(5000), tap(5100), tap(5200), tap(5300))).toEqual([
    't5000',
    't5100',
    't5200',
    't5300',
  ]);
});

test('what was judged, what another phone tapped, and several said at once are none', () => {
  const four = [tap(0), tap(100), tap(200), tap(300)];
  const eventIds = ['t0', 't100', 't200', 't300'];
  expect(burst(...four, { kind: 'strokes judged', eventIds, count: true })).toEqual([]);
  expect(burst(...four.map((t) => ({ ...t, deviceId: 'other' })))).toEqual([]);
  expect(burst(tap(0), tap(100), tap(200), tap(300, { made: 10 }))).toEqual([]);
});

test('taken back they are gone', () => {
  const four = [tap(0), tap(100), tap(200), tap(300)];
  const back = four.map((t): LooseEvent => ({ kind: 'undone', eventId: t.id! }));
  expect(burst(...four, ...back)).toEqual([]);
});
