import { layoutOf } from '../../testing';
import fc from 'fast-check';
import { bleederName, CONTROLS, paths } from '../../vehicle/circuit';
import {
  CLOSED_PHASES,
  HELPER_SIGNALS,
  helperCue,
  helperHears,
  letGoCue,
  mustHold,
  wrenchCue,
  OPEN_PHASES,
  type ClosedPhase,
  type PhaseAfter,
} from '.';

const bleeder = paths(layoutOf('hatchback-diagonal', 'right')).find(
  (p) => bleederName(p.bleeder) === 'left rear',
)!.bleeder;
const CALLED = { control: 'brake pedal', bleeder, shape: 'steady', pumps: 0 } as const;

test('two taps make a round, again and again: nobody presses a phone while they push', () => {
  let phase: ClosedPhase = 'ready';
  const told: (string | null)[] = [];
  for (let i = 0; i < 3; i++)
    for (const signal of ['at the end', 'shut'] as const) {
      const heard: PhaseAfter<ClosedPhase> = helperHears(phase, signal)!;
      phase = heard.phase;
      told.push(heard.told);
    }
  expect(told).toEqual([null, 'stroke', null, 'stroke', null, 'stroke']);
});

test('the one tap that a cue waits for is one that leads on', () => {
  for (const phase of CLOSED_PHASES)
    expect(helperHears(phase, helperCue(phase, CALLED).signal)).not.toBeNull();
});

test.each([
  ['at the end', 'at the end'],
  ['ready', 'shut'],
  ['shut', 'shut'],
  ['released', 'shut'],
  ['let go while open', 'at the end'],
  ['let go while open', 'let go too soon'],
] as const)('%s: "%s" means nothing', (phase, signal) => {
  expect(helperHears(phase, signal)).toBeNull();
});

test('let go too soon breaks the round in every phase that is no broken one already: whether it was open nobody knows', () => {
  for (const phase of CLOSED_PHASES.filter((p) => p !== 'let go while open'))
    expect(helperHears(phase, 'let go too soon')).toEqual({
      phase: 'let go while open',
      told: 'broken',
    });
});

test('after a broken round "shut" leads on and is no stroke; the next one is', () => {
  const shut = helperHears('let go while open', 'shut')!;
  expect(shut).toEqual({ phase: 'released', told: null });
  expect(helperHears(helperHears(shut.phase, 'at the end')!.phase, 'shut')!.told).toBe('stroke');
});

test('whatever is tapped in whatever order: as many strokes as times that it was shut at the end, and nobody is told to let go while it may be open', () => {
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...HELPER_SIGNALS), { maxLength: 60 }), (signals) => {
      let phase: ClosedPhase = 'ready';
      let strokes = 0;
      // Kept apart from the machine: what the helper has really tapped.
      let atTheEnd = false;
      let shutAtTheEnd = 0;
      for (const signal of signals) {
        if (signal === 'shut' && atTheEnd) shutAtTheEnd++;
        if (signal !== 'at the end') atTheEnd = false;
        const heard = helperHears(phase, signal);
        if (heard && signal === 'at the end') atTheEnd = true;
        if (!heard) continue;
        phase = heard.phase;
        if (heard.told === 'stroke') strokes++;
        if (mustHold(phase)) expect(helperCue(phase, CALLED).word).toMatch(/^(Hold|Stop|Push)$/);
      }
      expect(strokes).toBe(shutAtTheEnd);
    }),
  );
});

test('pedal or lever must stay where it is exactly while the bleeder is open', () => {
  expect(CLOSED_PHASES.filter(mustHold)).toEqual(OPEN_PHASES);
  for (const phase of CLOSED_PHASES) {
    const { say, word } = helperCue(phase, CALLED);
    expect(`${word} ${say}`).not.toMatch(/let (it|go)/i);
  }
});

test.each(CONTROLS)('a %s is called by its name and in its own words', (control) => {
  const called = { ...CALLED, control };
  const says = [...CLOSED_PHASES.map((p) => helperCue(p, called).say), letGoCue(called).say];
  const name = control[0]!.toUpperCase() + control.slice(1);
  for (const say of says) expect(say.startsWith(`${name}: `)).toBe(true);
  expect(helperCue('ready', called).word).toBe(/lever|parking/.test(control) ? 'Pull' : 'Push');
});

test('pumps of the house rule come before it is held, and the shape of the stroke is told', () => {
  expect(helperCue('ready', { ...CALLED, pumps: 3 }).say).toContain('pump 3 times, then');
  expect(helperCue('ready', CALLED).say).not.toContain('pump');
  const called = { ...CALLED, shape: 'fast push, slow return' } as const;
  expect(helperCue('ready', called).say).toContain('fast');
  expect(letGoCue(called).say).toContain('slowly');
});

test('the wrench hand is called to open, and to shut as soon as it is at the end or was let go', () => {
  expect(Object.fromEntries(CLOSED_PHASES.map((p) => [p, wrenchCue(p, CALLED).word]))).toEqual({
    ready: 'Open',
    held: 'Open',
    open: 'Open',
    sinking: 'Open',
    'at the end': 'Shut',
    shut: 'Open',
    released: 'Open',
    'let go while open': 'Shut',
    'shut too soon': 'Open',
  });
  for (const phase of CLOSED_PHASES)
    expect(wrenchCue(phase, CALLED)).toMatchObject({
      turn: 'wrench',
      say: expect.stringMatching(/^Left rear: /),
    });
});
