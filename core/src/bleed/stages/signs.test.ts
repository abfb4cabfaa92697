import fc from 'fast-check';
import { TWO_READINGS_MM } from '../../control/pedal';
import {
  layoutOf,
  planned,
  runOf,
  afterWork,
  carefulMaster,
  type LooseEvent as SaidEvent,
} from '../../testing';
import { routineFlush } from '../scope';
import { followCalls, nextStep } from '../../job/run';
import {
  BENCH_SIGNS,
  benchGrade,
  biteDrop,
  dropsOf,
  injectionBy,
  signsOf,
  stageFault,
  stageRecordLines,
  type BenchEvent,
  type BenchSign,
  type BiteMeasured,
  type InjectionEvent,
  type OwnStage,
  type Timed,
} from '.';

const sign = (chamber: string, which: BenchSign, holds = true): BenchEvent => ({
  kind: 'bench sign',
  stageId: 's',
  chamber,
  sign: which,
  holds,
});
const full = (chamber: string) => BENCH_SIGNS.map((s) => sign(chamber, s));
const out = (chamber: string): BenchEvent => ({ kind: 'tube end out', stageId: 's', chamber });
const end: BenchEvent = { kind: 'bench ended', stageId: 's', grade: 'clean' };
const BOTH = ['primary', 'secondary'];

// Three signs in every chamber, a tube end that leaves the fluid voids the strokes of that chamber: common practice, no source.
describe('a bench run', () => {
  test('ends when every chamber has its three signs, and by how it ended', () => {
    const all = BOTH.flatMap(full);
    expect(benchGrade([...all, end], BOTH)).toBe('clean');
    expect(benchGrade(all, BOTH)).toBeNull();
    expect(benchGrade([...full('primary'), end], BOTH)).toBeNull();
    for (const missing of all)
      expect(benchGrade([...all.filter((s) => s !== missing), end], BOTH)).toBeNull();
  });

  test('graded before every sign was there is graded nothing, even where the sign comes after', () => {
    const [first, ...rest] = BOTH.flatMap(full);
    expect(benchGrade([...rest, end, first!], BOTH)).toBeNull();
    expect(benchGrade([...rest, end, first!, { ...end, grade: 'a few tiny bubbles' }], BOTH)).toBe(
      'a few tiny bubbles',
    );
  });

  test('a tube end out of the fluid voids the bubbles of that chamber and nothing else', () => {
    const all = BOTH.flatMap(full);
    const voided = [...all, out('secondary')];
    expect(signsOf(voided, 'secondary')).toEqual(['level steady', 'piston firm']);
    expect(signsOf(voided, 'primary')).toEqual(BENCH_SIGNS);
    expect(benchGrade([...voided, end], BOTH)).toBeNull();
    expect(benchGrade([...voided, sign('secondary', 'no bubbles'), end], BOTH)).toBe('clean');
    // After the end as well: what was full is no longer.
    expect(benchGrade([...all, end, out('primary')], BOTH)).toBeNull();
  });

  test('a sign that went is gone, and whoever taps it again has it', () => {
    expect(signsOf([...full('primary'), sign('primary', 'piston firm', false)], 'primary')).toEqual(
      ['no bubbles', 'level steady'],
    );
  });
});

const dropped = (mm: number): InjectionEvent => ({ kind: 'level dropped', stageId: 's', mm });

describe('an injection', () => {
  test.each([
    [[], 'locked'],
    [[0, 0, 1, 0], 'locked'],
    [[2], 'falling'],
    [[0, 8, 4, 2], 'falling'],
    [[0, 8, 4, 1], 'falling'],
    [[0, 8, 4, 1, 2], 'falling'],
    [[0, 8, 1, 1], 'died away'],
    [[0, 8, 1, 0], 'died away'],
    [[0, 8, 1, 1, 2], 'falling'],
  ] as const)('drops of %j mm: %s', (drops, far) => {
    expect(injectionBy(drops)).toBe(far);
  });

  test('whatever is read: it is never called through before the lock broke, nor with a large drop last', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 20 }), { maxLength: 12 }), (drops) => {
        const far = injectionBy(drops);
        if (far === 'died away') {
          expect(Math.max(...drops)).toBeGreaterThanOrEqual(2);
          expect(drops.slice(-2).every((mm) => mm <= 1)).toBe(true);
        }
        expect(far === 'locked').toBe(drops.every((mm) => mm < 2));
      }),
    );
  });

  test('its drops stand in the record', () => {
    expect(dropsOf([dropped(0), dropped(8), { kind: 'pumped up', stageId: 's' }])).toEqual([0, 8]);
  });
});

const bite = (when: 'before' | 'after', mm: number, atMs = 0): Timed<BiteMeasured> => ({
  kind: 'bite measured',
  stageId: 's',
  when,
  mm,
  atMs,
});

describe('a lever tied back', () => {
  test('the drop counts nearer to the bar as above 0, and only more than two readings can differ by is one', () => {
    expect(biteDrop([bite('before', 40)])).toBeNull();
    expect(biteDrop([bite('after', 40)])).toBeNull();
    expect(biteDrop([bite('before', 40), bite('after', 34, 3_600_000)])).toEqual({
      beforeMm: 40,
      afterMm: 34,
      dropMm: 6,
      tiedMs: 3_600_000,
      gaveWay: true,
    });
    const at = (mm: number) => biteDrop([bite('before', 40), bite('after', mm)])!.gaveWay;
    expect(at(40 - TWO_READINGS_MM)).toBe(false);
    expect(at(40 - TWO_READINGS_MM - 0.5)).toBe(true);
    // It came away from the bar: air went out.
    expect(at(50)).toBe(false);
  });
});

describe('in a run', () => {
  const SIDE = layoutOf('motorcycle-twin-front-master-bleeder');
  const dryBike = planned(SIDE, {
    work: { ...routineFlush(SIDE.masters.map((m) => m.id)), purpose: 'new or dry' },
  });
  const tied = dryBike.stages.find((s): s is Extract<OwnStage, { kind: 'tie back' }> => {
    return s.kind === 'tie back';
  })!;
  let n = 0;
  const calls = followCalls(dryBike, { deviceId: 'p', nextId: () => `s${++n}`, startMs: 0 });
  const first = calls.findIndex((e) => e.kind === 'bite measured');
  const before = calls.slice(0, first + 1) as SaidEvent[];
  const after = (mm: number): SaidEvent =>
    ({ kind: 'bite measured', stageId: tied.id, when: 'after', mm }) as SaidEvent;

  test('"done" without both is not done, and a tap is refused', () => {
    expect(nextStep(runOf(dryBike, before))).toMatchObject({ kind: 'stage', stage: tied });
    const tap = { kind: 'stage done', stageId: tied.id } as SaidEvent;
    expect(nextStep(runOf(dryBike, [...before, tap]))).toMatchObject({ stage: tied });
    expect(stageFault(dryBike, tied, { kind: 'stage done', stageId: tied.id })).toContain(
      'before and after',
    );
    expect(nextStep(runOf(dryBike, [...before, after(40)])).kind).toBe('finished');
  });

  test('a drop halts the run: a leak, or air that moved', () => {
    const state = runOf(dryBike, [...before, after(30)]);
    // Only that control is bled again.
    expect(nextStep(state)).toMatchObject({
      kind: 'decide',
      halt: { reason: 'pedal not right', masterId: SIDE.masters[0]!.id },
    });
    expect(stageRecordLines(dryBike, tied, state.stages[tied.id]!)[0]).toContain(
      '10 mm nearer to the bar: a leak, or air that moved',
    );
  });

  test('what is poured into the can on the bench is poured once, when every sign is there', () => {
    const layout = layoutOf('hatchback-diagonal');
    const plan = planned(layout, {
      work: afterWork(layout, { master: { ...carefulMaster('master'), bench: 'not done' } }),
    });
    const stage = plan.stages.find((s) => s.kind === 'bench')!;
    let m = 0;
    const all = followCalls(plan, { deviceId: 'p', nextId: () => `b${++m}`, startMs: 0 });
    const ended = all.findIndex((e) => e.kind === 'bench ended');
    const short = runOf(plan, all.slice(0, ended) as SaidEvent[]);
    const through = runOf(plan, all.slice(0, ended + 1) as SaidEvent[]);
    expect(stage.kind === 'bench' && stage.signs).toBe(true);
    expect(nextStep(short)).toMatchObject({ kind: 'stage', stage });
    expect(nextStep(through)).not.toMatchObject({ stage });
    expect(stageRecordLines(plan, stage as OwnStage, through.stages[stage.id]!)[0]).toContain(
      'every chamber full, end clean',
    );
  });
});
