import { layoutOf } from '../../testing';
import fc from 'fast-check';
import { bleederName, CONTROLS, paths } from '../../vehicle/circuit';
import { METHODS } from '../../hydraulics/flow';
import {
  beatTells,
  brokenCue,
  callOf,
  CLOSED_PHASES,
  CLOSED_SIGNALS,
  CLOSED_STROKES,
  closedCue,
  hear,
  HOSE_PHASES,
  HOSE_SIGNALS,
  hoseCue,
  OPEN_HOSE,
  OPEN_PHASES,
  SHAPE_WORDS,
  tempoOf,
  type CallMachine,
  type ClosedPhase,
  type ClosedSignal,
  type HosePhase,
} from '.';

const bleeder = paths(layoutOf('hatchback-diagonal', 'right')).find(
  (p) => bleederName(p.bleeder) === 'left rear',
)!.bleeder;
const CALLED = { control: 'brake pedal', bleeder, shape: 'steady', pumps: 0 } as const;

/** Everything that a row of signals brings about. */
function after<P extends string, S extends string>(
  machine: CallMachine<P, S>,
  signals: readonly S[],
) {
  let phase = machine.first;
  const told: string[] = [];
  for (const signal of signals) {
    const heard = hear(machine, phase, signal);
    if (!heard) continue;
    phase = heard.phase;
    if (heard.told) told.push(heard.told);
  }
  return { phase, told };
}

// The safe order of two people, common practice, no source: pressed and held, open, sinking, at the end, closed, released.
const ROUND: readonly ClosedSignal[] = [
  'holding',
  'opened',
  'sinking',
  'at the end',
  'shut',
  'let go',
  'ready',
];

describe('closed strokes', () => {
  test('one round in its order is one stroke, and ends where it began', () => {
    expect(after(CLOSED_STROKES, ROUND)).toEqual({ phase: 'ready', told: ['stroke'] });
    expect(after(CLOSED_STROKES, [...ROUND, ...ROUND]).told).toEqual(['stroke', 'stroke']);
  });

  test('two taps make a round: "at the end" and "shut"', () => {
    const taps: ClosedSignal[] = ['at the end', 'shut', 'let go', 'at the end', 'shut'];
    expect(after(CLOSED_STROKES, taps)).toEqual({ phase: 'shut', told: ['stroke', 'stroke'] });
  });

  test.each([
    [['holding', 'opened', 'let go']],
    [['holding', 'opened', 'sinking', 'let go']],
    [['at the end', 'let go']],
  ] as [ClosedSignal[]][])(
    '%j: let go while open breaks the round, which is made again',
    (signals) => {
      const broken = after(CLOSED_STROKES, signals);
      expect(broken).toEqual({ phase: 'let go while open', told: ['broken'] });
      // Nothing but "shut" leads on, and that is no stroke.
      for (const signal of CLOSED_SIGNALS)
        expect(hear(CLOSED_STROKES, 'let go while open', signal)).toEqual(
          signal === 'shut' ? { phase: 'released', told: null } : null,
        );
      expect(after(CLOSED_STROKES, [...signals, 'shut', ...ROUND]).told).toEqual([
        'broken',
        'stroke',
      ]);
    },
  );

  test('let go before it was opened is nothing; shut before the end is no stroke', () => {
    expect(after(CLOSED_STROKES, ['holding', 'let go'])).toEqual({ phase: 'ready', told: [] });
    expect(after(CLOSED_STROKES, ['holding', 'opened', 'shut', 'let go'])).toEqual({
      phase: 'released',
      told: [],
    });
  });

  test('whatever is said in whatever order: nobody is told to let go while it is open, and every stroke was at its end when it was shut', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...CLOSED_SIGNALS), { maxLength: 60 }), (signals) => {
        let phase: ClosedPhase = CLOSED_STROKES.first;
        // Kept apart from the machine: what the two hands have really done.
        let open = false;
        for (const signal of signals) {
          const cue = closedCue(phase, CALLED);
          if (open) expect(cue.word).not.toBe('Let go');
          if (cue.word === 'Let go') expect(OPEN_PHASES).not.toContain(phase);
          const heard = hear(CLOSED_STROKES, phase, signal);
          if (!heard) continue;
          if (signal === 'opened' || signal === 'at the end') open = true;
          if (signal === 'shut') open = false;
          if (heard.told === 'stroke') expect([phase, signal]).toEqual(['at the end', 'shut']);
          if (heard.told === 'broken') expect(open && signal === 'let go').toBe(true);
          if (signal === 'let go' && open) expect(heard.told).toBe('broken');
          phase = heard.phase;
          expect(OPEN_PHASES.includes(phase)).toBe(open);
        }
      }),
    );
  });
});

describe('strokes into a bottle', () => {
  test('every push that comes back is a stroke; the last is held down until it is shut', () => {
    expect(
      after(OPEN_HOSE, ['opened', 'down', 'back', 'down', 'back', 'down', 'last', 'shut']),
    ).toEqual({
      phase: 'through',
      told: ['stroke', 'stroke', 'stroke'],
    });
  });

  test('the end of the hose out of the fluid voids, and goes on only when it was shut and opened again', () => {
    const signals = ['opened', 'down', 'hose out'] as const;
    expect(after(OPEN_HOSE, signals)).toEqual({ phase: 'hose out', told: ['broken'] });
    for (const signal of HOSE_SIGNALS)
      expect(hear(OPEN_HOSE, 'hose out', signal)?.phase).toBe(
        signal === 'shut' ? 'shut' : undefined,
      );
  });

  test('it is never shut with the pedal up, but where the hose came out', () => {
    for (const phase of HOSE_PHASES)
      if (hear(OPEN_HOSE, phase, 'shut')) expect(['held down', 'hose out']).toContain(phase);
  });
});

describe('what is called', () => {
  const closed = CLOSED_PHASES.map((p) => closedCue(p, CALLED));
  const hose = HOSE_PHASES.map((p) => hoseCue(p, CALLED));

  test('every cue names the control or the bleeder with its side, never a bare pedal', () => {
    for (const cue of [...closed, ...hose])
      expect(cue.say).toMatch(cue.turn === 'control' ? /^Brake pedal: / : /^Left rear: /);
  });

  test.each(CONTROLS)('a %s is worked in its own words', (control) => {
    const says = CLOSED_PHASES.map((p) => closedCue(p, { ...CALLED, control }).say).join(' ');
    const word = closedCue('ready', { ...CALLED, control }).word;
    expect(word).toBe(/lever|parking/.test(control) ? 'Pull' : 'Push');
    // A lever meets the bar, a pedal the floor: common practice, no source.
    expect(/floor/.test(says)).toBe(/pedal|foot/.test(control));
    expect(/the bar/.test(says)).toBe(/lever|parking/.test(control));
  });

  test('pumps before holding are called by the house rule', () => {
    expect(closedCue('ready', { ...CALLED, pumps: 3 }).say).toContain('pump 3 times, then');
    expect(closedCue('ready', CALLED).say).not.toContain('pump');
  });

  test('the shape of the stroke is called where it counts', () => {
    const shape = 'fast push, slow return' as const;
    expect(closedCue('sinking', { ...CALLED, shape }).say).toContain('fast');
    expect(closedCue('shut', { ...CALLED, shape }).say).toContain('slowly');
    expect(hoseCue('back', { ...CALLED, shape }).say).toContain('fast');
    expect(hoseCue('down', { ...CALLED, shape }).say).toContain('slowly');
    for (const { why } of Object.values(SHAPE_WORDS)) expect(why).toMatch(/\.$/);
  });

  test('the big word of every phase', () => {
    expect(Object.fromEntries(CLOSED_PHASES.map((p) => [p, closedCue(p, CALLED).word]))).toEqual({
      ready: 'Push',
      held: 'Open',
      open: 'Go with it',
      sinking: 'Go with it',
      'at the end': 'Shut',
      shut: 'Let go',
      released: 'Wait',
      'let go while open': 'Shut',
      'shut too soon': 'Let go',
    });
    expect(Object.fromEntries(HOSE_PHASES.map((p) => [p, hoseCue(p, CALLED).word]))).toEqual({
      shut: 'Open',
      back: 'Push',
      down: 'Back',
      'held down': 'Shut',
      through: 'Let go',
      'hose out': 'Shut',
    });
  });

  test('whose turn it is follows the machine: the wrench shuts and opens, the control does the rest', () => {
    const wrench = CLOSED_PHASES.filter((p) => closedCue(p, CALLED).turn === 'wrench');
    expect(wrench).toEqual(['held', 'at the end', 'let go while open']);
    for (const phase of wrench)
      expect(Object.keys(CLOSED_STROKES.phases[phase])).toContain(
        phase === 'held' ? 'opened' : 'shut',
      );
  });
});

describe('a tempo', () => {
  test('fills the time of a stroke and goes through the machine in its order', () => {
    for (const method of METHODS)
      for (const shape of ['fast push, slow return', 'slow push', 'steady'] as const) {
        const tempo = tempoOf(method, shape, 6);
        expect(tempo === null).toBe(callOf(method) === null);
        if (!tempo) continue;
        expect(tempo.beats.reduce((sum, b) => sum + b.seconds, 0)).toBeCloseTo(6, 9);
        for (const { seconds } of tempo.beats) expect(seconds).toBeGreaterThan(0);
      }
    const closed = tempoOf('alone at the lever', 'steady', 4)!.beats.map((b) => b.phase);
    // "Shut" is said before "let go", always.
    expect(closed.indexOf('at the end')).toBeLessThan(closed.indexOf('shut'));
    expect(closed.at(-1)).toBe('shut');
  });

  test('the machine tells one stroke in each round of beats, when it is shut or comes back', () => {
    for (const method of METHODS) {
      const tempo = tempoOf(method, 'steady', 6);
      if (!tempo) continue;
      const phases = tempo.beats.map((b) => b.phase);
      const told = phases.map((phase, i) =>
        beatTells(method, phase, phases[(i + 1) % phases.length]!),
      );
      expect(told.filter((t) => t !== null)).toEqual(['stroke']);
      const from = phases[told.indexOf('stroke')];
      expect(from).toBe(callOf(method) === 'open hose' ? 'down' : 'at the end');
    }
    expect(() => beatTells('two people', 'ready', 'shut')).toThrow('does not come to');
    expect(() => beatTells('alone, bottle', 'shut', 'down')).toThrow('does not come to');
  });

  test('a broken round is shut at once, whichever way it is called', () => {
    for (const method of ['two people', 'alone at the lever', 'alone, bottle'] as const)
      expect(brokenCue(method, CALLED)).toMatchObject({ turn: 'wrench', word: 'Shut' });
    expect(brokenCue('alone, bottle', CALLED).say).toContain('end of the hose was out');
    expect(brokenCue('two people', CALLED).say).toContain('this round is made again');
  });

  test('a fast push is the shorter part, a slow one the longer', () => {
    const [down, back] = tempoOf('alone, bottle', 'fast push, slow return', 8)!.beats;
    expect(down!.seconds).toBeLessThan(back!.seconds);
    const [slow, up] = tempoOf('alone, bottle', 'slow push', 8)!.beats;
    expect(slow!.seconds).toBeGreaterThan(up!.seconds);
  });

  test('of two people nobody lets go by the clock', () => {
    expect(tempoOf('two people', 'steady', 6)!.byItself).toBe(false);
    expect(tempoOf('alone at the lever', 'steady', 6)!.byItself).toBe(true);
    expect(tempoOf('alone, bottle', 'steady', 6)!.byItself).toBe(true);
  });

  test.each([0, -1, NaN])('a stroke of %d s is refused', (s) => {
    expect(() => tempoOf('two people', 'steady', s)).toThrow(RangeError);
  });
});

test('a bottle’s phase that its cue asks for is one that its machine takes', () => {
  const next: Readonly<Record<HosePhase, string | null>> = {
    shut: 'opened',
    back: 'down',
    down: 'back',
    'held down': 'shut',
    through: null,
    'hose out': 'shut',
  };
  for (const phase of HOSE_PHASES)
    for (const signal of HOSE_SIGNALS)
      if (signal === next[phase]) expect(hear(OPEN_HOSE, phase, signal)).not.toBeNull();
});
