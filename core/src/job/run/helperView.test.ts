import { callOf, type ClosedPhase } from '../../bleed/call';
import { EVERYTHING, layoutOf, planned, planOf, runOf, type LooseEvent } from '../../testing';
import { followCalls } from './followCalls';
import { helpedOpening, helperView, nextStep, phaseAt, type HelperView } from '.';

const PLAN = planOf('hatchback-diagonal');
const [OPENING, NEXT] = PLAN.openings;
const HELPER = 'helper-phone';
let n = 0;
const nextId = () => `h${++n}`;
/** Everything up to the first stroke, by the technician's phone; then this phone counts. */
const before = followCalls(PLAN, { deviceId: 'phone', nextId, startMs: 0 });
const first = before.findIndex((e) => e.kind === 'stroke');
const TAKEN = { kind: 'counting', way: 'helper', deviceId: HELPER } as LooseEvent;
const READY: LooseEvent[] = [...(before.slice(0, first) as LooseEvent[]), TAKEN];
const stroke = (more: Partial<LooseEvent> = {}): LooseEvent =>
  ({ kind: 'stroke', openingId: OPENING!.id, deviceId: HELPER, ...more }) as LooseEvent;

const view = (
  said: readonly LooseEvent[],
  phase: ClosedPhase = 'ready',
  openingId = OPENING!.id,
): HelperView => helperView(runOf(PLAN, [...said]), { deviceId: HELPER, openingId, phase });
const strokes = (n: number) => Array.from({ length: n }, () => stroke());

test('the plan of a hatchback with a helper is called as closed strokes', () => {
  expect(callOf(OPENING!.method)).toBe('closed strokes');
  expect(OPENING!.method).toBe('two people');
});

describe('what the phone shows', () => {
  test('the present call names control, bleeder and strokes to go', () => {
    expect(view(READY)).toMatchObject({
      kind: 'call',
      word: 'Push',
      signal: 'at the end',
      bleeder: 'left rear',
      strokes: 0,
      strokesLeft: OPENING!.strokes.value,
      first: null,
    });
    expect(view([...READY, stroke()])).toMatchObject({
      strokes: 1,
      strokesLeft: OPENING!.strokes.value - 1,
    });
    expect(view(READY, 'at the end')).toMatchObject({ word: 'Hold', signal: 'shut' });
  });

  test('between "shut" and the next push it is let go first, as long as the pace says', () => {
    const called = view([...READY, stroke()], 'shut');
    expect(called).toMatchObject({ kind: 'call', first: { word: 'Let go' }, signal: 'at the end' });
    if (called.kind !== 'call') throw new Error('no call');
    expect(called.firstS).toBeGreaterThan(0);
    expect(called.firstS).toBeLessThan(OPENING!.secondsPerStroke);
  });

  test('a call about another bleeder begins anew', () => {
    expect(
      phaseAt({ deviceId: HELPER, openingId: NEXT!.id, phase: 'at the end' }, OPENING!.id),
    ).toBe('ready');
    expect(view(READY, 'shut', NEXT!.id)).toMatchObject({ kind: 'call', first: null });
  });

  test('while it is looked at, topped up or decided on there is nothing to push, and that is said', () => {
    const all = strokes(OPENING!.strokes.value);
    const reading = runOf(PLAN, [...READY, ...all]);
    expect(nextStep(reading).kind).toMatch(/read|top up/);
    expect(view([...READY, ...all], 'released')).toMatchObject({ kind: 'wait', word: 'Wait' });
    const halted: LooseEvent = { kind: 'halted', reason: 'seized', openingId: OPENING!.id };
    expect(view([...READY, halted])).toMatchObject({
      kind: 'wait',
      say: expect.stringContaining('leave pedal and lever alone'),
    });
  });

  test('the last stroke is let go before anybody waits', () => {
    const all = strokes(OPENING!.strokes.value);
    expect(view([...READY, ...all], 'shut')).toMatchObject({
      kind: 'wait',
      word: 'Let go',
      openAt: null,
    });
  });

  test('where it may be open it is held, whatever else is done, until "shut" is heard', () => {
    const halted: LooseEvent = { kind: 'halted', reason: 'leak', openingId: OPENING!.id };
    const hold = { word: 'Hold', openAt: OPENING!.id };
    expect(view([...READY, halted], 'at the end')).toMatchObject({ kind: 'wait', ...hold });
    const byVoice: LooseEvent = { kind: 'counting', way: 'tap', deviceId: 'phone' };
    expect(view([...READY, byVoice], 'at the end')).toMatchObject({ kind: 'by voice', ...hold });
    expect(view([...READY, byVoice], 'shut')).toMatchObject({
      kind: 'by voice',
      word: 'By voice',
      openAt: null,
    });
  });

  test('who counts by voice is not called over; who joins first is called before anybody counted', () => {
    expect(view(READY.slice(0, -1))).toMatchObject({ kind: 'call' });
  });

  test('through or ended, it is over', () => {
    const whole = followCalls(PLAN, { deviceId: HELPER, nextId, startMs: 0 }) as LooseEvent[];
    expect(view(whole)).toEqual({ kind: 'over' });
  });
});

test('nobody is called to a pedal where the method needs none there', () => {
  const alone = planned(layoutOf('hatchback-diagonal'), {
    means: { ...EVERYTHING, helper: false },
  });
  const calls = followCalls(alone, { deviceId: 'p', nextId, startMs: 0 });
  const upTo = calls.findIndex((e) => e.kind === 'stroke');
  const step = nextStep(runOf(alone, calls.slice(0, upTo) as LooseEvent[]));
  expect(step.kind).toBe('stroke');
  expect(helpedOpening(step)).toBeNull();
});
