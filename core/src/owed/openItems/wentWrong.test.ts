import { foldJob } from '../../job/log';
import { EVERYTHING, jobOf, loggedEvent, planned, type LooseEvent } from '../../testing';
import {
  CAR,
  ended,
  FERRY_VAN,
  flush,
  halt,
  openingAt,
  until,
  Yard,
  endedAt,
} from '../../testing/yard';
import { jobSays } from '.';

const ABOUT = { jobId: 'job-1', jobNumber: 1, openedAtMs: 0, layout: FERRY_VAN };
const PLAN = planned(FERRY_VAN, { work: flush(FERRY_VAN), means: EVERYTHING });
/** What a job says of controls that are not right, by what was said in it. */
const soft = (...said: readonly LooseEvent[]) =>
  jobSays(jobOf(PLAN, said), ABOUT).open.filter((m) => m.kind === 'control soft');

describe('a control that was measured and does not pass, whatever was said of it', () => {
  // A clutch that takes up in the lowest part of its way has air or lost stroke: common practice, no source.
  test('a clutch by where it takes up', () => {
    const read = (takeUpMm: number): LooseEvent => ({
      kind: 'take-up read',
      masterId: 'clutch-master',
      restMm: 150,
      takeUpMm,
      pumpedMm: null,
      playMm: null,
      person: 'Bo',
      atMs: 77,
    });
    expect(soft(read(5))).toMatchObject([
      {
        where: 'clutch-master',
        weight: 'holds',
        because: 'Measured: takes up at 5 mm of 150 mm',
        by: 'Bo',
        sinceMs: 77,
      },
    ]);
    expect(soft(read(75))).toEqual([]);
  });

  test('a brake by its readings: whoever read last, and when', () => {
    const at = (
      where: 'rest' | number,
      heightMm: number,
      more: Partial<LooseEvent> = {},
    ): LooseEvent =>
      ({
        kind: 'pedal read',
        masterId: 'master',
        when: 'after',
        at: typeof where === 'number' ? { forceN: where } : where,
        pumped: false,
        heightMm,
        ...more,
      }) as LooseEvent;
    // More than half of its height used by a firm push: firm, but low.
    const low = [
      at('rest', 180, { atMs: 10, person: 'Una' }),
      at(300, 60, { atMs: 30, person: 'Bo' }),
      at(50, 70, { atMs: 20, person: 'Una' }),
    ];
    expect(soft(...low)).toMatchObject([
      {
        where: 'master',
        because: expect.stringMatching(/^Measured: firm but low: 120 mm used by a firm push/),
        by: 'Bo',
        sinceMs: 30,
      },
    ]);
    const sinks: LooseEvent = {
      kind: 'sink watched',
      masterId: 'master',
      when: 'after',
      mm: 12,
      seconds: 30,
      atMs: 40,
      person: 'Ode',
    };
    expect(soft(...low, sinks)).toMatchObject([
      { because: expect.stringMatching(/^Measured: sinks: 12 mm/), by: 'Ode', sinceMs: 40 },
    ]);
    expect(soft(at('rest', 180), at(300, 150), at(50, 160))).toEqual([]);
  });

  test('by a word, and by a check that failed', () => {
    expect(
      soft({ kind: 'pedal judged', masterId: 'master', result: 'springy' }).map((m) => m.because),
    ).toEqual(['Judged: springy']);
    expect(soft({ kind: 'pedal judged', masterId: 'master', result: 'firm and high' })).toEqual([]);
    expect(
      soft({ kind: 'take-up judged', masterId: 'clutch-master', takeUp: 'near the end' }),
    ).toMatchObject([{ where: 'clutch-master', because: 'Judged: near the end' }]);
    expect(soft({ kind: 'take-up judged', masterId: 'clutch-master', takeUp: 'middle' })).toEqual(
      [],
    );
    const held = (passes: boolean): LooseEvent => ({
      kind: 'checked',
      item: 'wheels held and free',
      masterId: 'master',
      passes,
    });
    expect(soft(held(false))).toMatchObject([
      { where: 'master', because: 'Judged: failed: wheels held and free' },
    ]);
    expect(soft(held(true))).toEqual([]);
    // Of the whole vehicle it is nothing of a control.
    expect(soft({ kind: 'checked', item: 'joints dry', passes: false })).toEqual([]);
  });
});

test('a drive that failed holds the whole vehicle, the last one counts', () => {
  const drives = (...results: ('good' | 'bad')[]) =>
    jobSays(
      jobOf(
        PLAN,
        results.flatMap((result): LooseEvent[] => [
          { kind: 'drive set' },
          { kind: 'drive ended', result },
        ]),
      ),
      ABOUT,
    )
      .open.filter((m) => m.kind === 'drive failed')
      .map((m) => m.where);
  expect(drives('bad')).toEqual([null]);
  expect(drives('good', 'bad')).toEqual([null]);
  expect(drives('bad', 'good')).toEqual([]);
});

describe('halts', () => {
  const kinds = (reason: string, decision: string) => {
    const yard = new Yard(CAR);
    yard.take(flush(CAR), endedAt('left-rear', reason, decision));
    return yard.kinds();
  };
  test('what was not cured holds; what was cured and gone on with does not', () => {
    expect(kinds('leak', 'end job')).toContain('leak left-rear');
    expect(kinds('leak', 'go on')).not.toContain('leak left-rear');
  });
  test('left without a word of where, all that it brings stays', () => {
    const yard = new Yard(CAR);
    yard.take(flush(CAR), (p) => [
      ...(until(p, 'left-rear', 2) as LooseEvent[]),
      ...halt('grease', null, 'leave shut'),
      ended,
    ]);
    expect(yard.kinds()).toContain('wrong fluid');
  });
});

test('a bleeder that was left shut is told by whoever met it there, and when', () => {
  const plan = planned(CAR, { work: flush(CAR), means: EVERYTHING });
  const at = (place: string, n: number): LooseEvent[] => [
    {
      id: `h${n}`,
      kind: 'halted',
      reason: 'seized',
      openingId: openingAt(plan, place),
      person: n === 1 ? 'Bo' : 'Ode',
      atMs: 6_000_000 + n,
    },
    { id: `d${n}`, kind: 'decided', haltId: `h${n}`, decision: 'leave shut', person: 'Una' },
  ];
  const { open } = jobSays(
    jobOf(plan, [...until(plan, 'left-rear', 2), ...at('left-rear', 1), ...at('right-front', 2)]),
    { ...ABOUT, layout: CAR },
  );
  const seized = open.filter((m) => m.kind === 'seized');
  expect(seized.map(({ where, by, sinceMs }) => [where, by, sinceMs])).toEqual([
    ['left-rear', 'Bo', 6_000_001],
    ['right-front', 'Ode', 6_000_002],
  ]);
  const places = new Set(seized.map((m) => m.order!.position));
  expect(places.size).toBe(2);
});

test('fluid that stopped a job holds by the remedy that it asked for', () => {
  const stopped = (remedy: string | null) => {
    const fluid = loggedEvent({
      kind: 'fluid read',
      read: { verdict: { verdict: 'stop', condition: null, remedy } },
    } as unknown as LooseEvent);
    const stop = loggedEvent({ kind: 'ended', reason: 'Oil in the fluid.', stop: true });
    return jobSays(foldJob([fluid, stop]), ABOUT).open.map((m) => [m.kind, m.because]);
  };
  expect(stopped('strip, all rubber renewed')).toEqual([['wrong fluid', 'Oil in the fluid.']]);
  expect(stopped('flush with the grade asked for')).toEqual([
    ['stop verdict', 'Oil in the fluid.'],
  ]);
  expect(stopped(null)).toEqual([['stop verdict', 'Oil in the fluid.']]);
});
