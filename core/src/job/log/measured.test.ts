import { followCalls } from '../run';
import { countingIds, jobOf, loggedEvent, planOf, type LooseEvent } from '../../testing';
import { JUDGED_BY, readingWords, type At } from '../../control/pedal';
import {
  addToJob,
  controlsOnRecord,
  foldJob,
  followProof,
  jobEventFault,
  judgedByMeasure,
  measuredAt,
  measuredNow,
  measuringOf,
  proofOf,
} from '.';
import { type JobEvent } from '../events';

const PLAN = planOf('hatchback-diagonal');
const [MASTER] = PLAN.layout.masters;
const masterId = MASTER!.id;
const { forces } = measuringOf(PLAN, MASTER!);
const RUN = followCalls(PLAN, {
  deviceId: 'phone',
  nextId: countingIds(),
  startMs: 0,
}) as LooseEvent[];
const ids = countingIds('m');

const read = (at: At, heightMm: number, pumped = false, when = 'after'): LooseEvent =>
  ({ id: ids(), atMs: 50, kind: 'pedal read', masterId, when, at, pumped, heightMm }) as LooseEvent;
const sank = (mm: number, seconds = 30): LooseEvent =>
  ({
    id: ids(),
    atMs: 60,
    kind: 'sink watched',
    masterId,
    when: 'after',
    mm,
    seconds,
  }) as LooseEvent;
const felt = (result: string): LooseEvent =>
  ({ id: ids(), atMs: 70, kind: 'pedal judged', masterId, result }) as LooseEvent;
const FIRM = { forceN: forces.firm };
const LIGHT = { forceN: forces.light };
const GOOD: LooseEvent[] = [
  read('rest', 180),
  read('first resistance', 165),
  read(LIGHT, 130),
  read(FIRM, 115),
  read(FIRM, 120, true),
  sank(1),
];
const controlAfter = (...said: LooseEvent[]) =>
  proofOf(jobOf(PLAN, [...RUN, ...said])).controls[masterId];

test('measured whole it is judged by its figures, and says what is missing until then', () => {
  expect(controlAfter(...GOOD.slice(0, 3))!.measured).toEqual({
    missing: ['firm push', 'firm push, pumped', 'sink'],
  });
  expect(controlAfter(...GOOD.slice(0, 3))!.pedal).toBeNull();
  expect(controlAfter(...GOOD)).toMatchObject({ pedal: 'firm and high', byFeel: null });
});

test('of a place the last reading counts; taken back, the one before it', () => {
  const low = read(FIRM, 80);
  const again = jobOf(PLAN, [...RUN, ...GOOD, low]);
  expect(proofOf(again).controls[masterId]!.pedal).toBe('springy');
  const back = addToJob(
    again,
    loggedEvent({ id: 'u', kind: 'undone', eventId: low.id! } as LooseEvent),
  );
  expect(proofOf(back).controls[masterId]!.pedal).toBe('firm and high');
});

// A measure outweighs a guess; a foot that felt it sink outweighs a ruler.
test.each([
  ['springy', GOOD, 'springy'],
  ['firm and high', [...GOOD.slice(0, 5), sank(9)], 'sinks'],
  ['firm and high', GOOD.slice(0, 3), 'firm and high'],
  ['firm and high', GOOD, 'firm and high'],
])('said to be %s by feel, the worse of word and measure counts', (word, said, counts) => {
  expect(controlAfter(felt(word), ...said)!.pedal).toBe(counts);
});

test('let go before half a minute, that it stayed says nothing; that it sank does', () => {
  const short = (mm: number) => controlAfter(...GOOD.slice(0, 5), sank(mm, 10))!.measured;
  expect(short(1)).toEqual({ missing: ['sink'] });
  expect(short(JUDGED_BY.pedal.sinksOverMm)).toEqual({ missing: ['sink'] });
  expect(short(JUDGED_BY.pedal.sinksOverMm + 1)).toMatchObject({ result: 'sinks' });
  expect(controlAfter(...GOOD.slice(0, 5), sank(1, 29))!.measured).toEqual({ missing: ['sink'] });
  expect(controlAfter(...GOOD.slice(0, 5), sank(1, 30))!.measured).toMatchObject({
    result: 'firm and high',
  });
});

test('a low push is no light one: its height is not held against the firm one', () => {
  const low = [read({ forceN: forces.low[0] }, 160), read({ forceN: forces.low[1] }, 150)];
  expect(controlAfter(...GOOD, ...low)!.pedal).toBe('firm and high');
});

test('a stroke after it voids what was measured at the end, not what was measured before the work', () => {
  const before = read(FIRM, 60, false, 'servo emptied');
  const stroke = {
    id: 's',
    atMs: 90,
    kind: 'opened again',
    openingId: PLAN.openings[0]!.id,
  } as LooseEvent;
  const job = jobOf(PLAN, [before, ...RUN, ...GOOD, stroke]);
  expect(measuredAt(job.proof.measured, masterId, 'after')).toBeNull();
  expect(measuredAt(job.proof.measured, masterId, 'servo emptied')!.readings).toHaveLength(1);
  expect(proofOf(job).controls[masterId]!.pedal).toBeNull();
  expect(job.proof.voided.at(-1)!.items).toContainEqual({ masterId, item: 'result' });
  // Read again, it is being answered.
  expect(addToJob(job, loggedEvent(read('rest', 180))).proof.voided).toEqual([]);
  expect(foldJob(job.log).proof).toEqual(job.proof);
});

test('fluid filled up after it leaves it as it is: a level moves no pedal', () => {
  const filled = {
    id: 'f',
    kind: 'topped up',
    reservoirId: PLAN.reservoirs[0]!.id,
    containerId: null,
  };
  expect(controlAfter(...GOOD, filled as LooseEvent)!.pedal).toBe('firm and high');
});

test('in which state it stands is known by the run: as it came, servo emptied, under way, through', () => {
  const upTo = (n: number) => measuredNow(jobOf(PLAN, RUN.slice(0, n)).run!);
  const emptied = RUN.findIndex((e) => e.kind === 'prepared' && e.step === 'empty servo');
  expect(emptied).toBeGreaterThan(0);
  expect(upTo(emptied)).toBe('before');
  expect(upTo(emptied + 1)).toBe('servo emptied');
  expect(upTo(RUN.findIndex((e) => e.kind === 'stroke') + 1)).toBeNull();
  expect(upTo(RUN.length)).toBe('after');
});

test('what is no brake pedal or lever is not measured like one, nor what is not there', () => {
  const shared = planOf('clutch-concentric');
  const fault = (id: string) =>
    jobEventFault(
      jobOf(shared, []),
      loggedEvent({ ...read('rest', 100), masterId: id } as LooseEvent) as JobEvent,
      { openedAtMs: 0, nowMs: 1_000 },
    );
  expect(fault('clutch-master')).toMatch(/only a brake pedal or lever/);
  expect(fault('nowhere')).toMatch(/no master "nowhere"/);
});

test('a closed job keeps the word, who said it, and every reading', () => {
  const rows = controlsOnRecord(jobOf(PLAN, [...RUN, ...GOOD, felt('firm and high')]));
  expect(rows).toMatchObject([
    {
      masterId,
      control: 'brake pedal',
      result: 'firm and high',
      byMeasure: 'firm and high',
      byFeel: 'Una',
    },
  ]);
  expect(rows[0]!.measured[0]!.readings.map(readingWords)).toEqual([
    'rest',
    'first resistance',
    `${forces.light} N`,
    `${forces.firm} N`,
    `${forces.firm} N, pumped`,
  ]);
  expect(controlsOnRecord(jobOf(PLAN, [...RUN, ...GOOD]))[0]!.byFeel).toBeNull();
  expect(controlsOnRecord(jobOf(PLAN, RUN))).toEqual([]);
});

test('who finds everything right is not said to have measured', () => {
  const proof = followProof(PLAN, {
    deviceId: 'phone',
    nextId: countingIds('p'),
    startMs: 9_000,
    masterIds: [masterId],
  });
  const { controls } = proofOf(jobOf(PLAN, [...RUN, ...(proof as LooseEvent[])]));
  expect(controls[masterId]).toMatchObject({ byFeel: 'firm and high', measured: null });
});

describe('a clutch', () => {
  const SHARED = planOf('clutch-concentric');
  const clutch = 'clutch-master';
  const run = followCalls(SHARED, {
    deviceId: 'phone',
    nextId: countingIds('c'),
    startMs: 0,
  }) as LooseEvent[];
  const took = (takeUpMm: number, restMm = 200): LooseEvent =>
    ({
      id: ids(),
      atMs: 80,
      kind: 'take-up read',
      masterId: clutch,
      restMm,
      takeUpMm,
      pumpedMm: null,
      playMm: null,
    }) as LooseEvent;
  const word = (takeUp: string): LooseEvent =>
    ({ id: ids(), atMs: 81, kind: 'take-up judged', masterId: clutch, takeUp }) as LooseEvent;
  const at = (...said: LooseEvent[]) => proofOf(jobOf(SHARED, [...run, ...said])).controls[clutch];

  test('measured it has its word; of word and measure the lower one counts', () => {
    expect(at(took(110))!.takeUp).toBe('middle');
    expect(at(took(110), word('near the end'))!.takeUp).toBe('near the end');
    expect(at(took(20), word('high'))!.takeUp).toBe('near the end');
    expect(at(took(20), took(110))!.takeUp).toBe('middle');
  });

  test('its own circuit voids it, the brakes’ does not', () => {
    const openingOf = (system: string) =>
      SHARED.openings.find((s) => s.control.startsWith(system))!.id;
    const opened = (openingId: string): LooseEvent =>
      ({ id: ids(), atMs: 90, kind: 'opened again', openingId }) as LooseEvent;
    expect(at(took(110), opened(openingOf('brake')))!.takeUp).toBe('middle');
    expect(at(took(110), opened(openingOf('clutch')))).toBeUndefined();
  });

  test('it takes up lower than it rests, and a brake takes nothing up', () => {
    const fault = (said: LooseEvent) =>
      jobEventFault(jobOf(SHARED, []), loggedEvent(said) as JobEvent, {
        openedAtMs: 0,
        nowMs: 1_000,
      });
    expect(fault(took(199))).toBeNull();
    expect(fault(took(200))).toMatch(/lower than it rests/);
    expect(fault({ ...took(100), masterId: 'master' } as LooseEvent)).toMatch(/only a clutch/);
    expect(fault({ ...took(100), endOfTravelMm: 100 } as LooseEvent)).toBeNull();
    expect(fault({ ...took(100), endOfTravelMm: 101 } as LooseEvent)).toMatch(
      /the end of travel should lie lower/,
    );
  });

  test('a closed job keeps it', () => {
    const row = controlsOnRecord(jobOf(SHARED, [...run, took(110)])).find(
      (r) => r.masterId === clutch,
    );
    expect(row).toMatchObject({
      result: 'middle',
      byMeasure: 'middle',
      byFeel: null,
      takeUp: { takeUpMm: 110, restMm: 200, blockedMm: null, endOfTravelMm: null },
    });
    const whole = { ...took(110), blockedMm: 2, endOfTravelMm: 10 } as LooseEvent;
    const said = jobOf(SHARED, [...run, whole]);
    expect(controlsOnRecord(said).find((r) => r.masterId === clutch)!.takeUp).toMatchObject({
      blockedMm: 2,
      endOfTravelMm: 10,
    });
  });
});

test('a sink watched with the engine running stands beside the one without, and counts where it is worse', () => {
  const running = (mm: number) => ({ ...sank(mm), engine: 'running' }) as LooseEvent;
  const at = (...said: LooseEvent[]) => {
    const { proof, run } = jobOf(PLAN, [...RUN, ...GOOD, ...said]);
    const here = measuredAt(proof.measured, masterId, 'after')!;
    return { here, word: judgedByMeasure(run!.plan, proof.measured, masterId) };
  };
  const calm = at(running(2));
  expect([calm.here.sink!.mm, calm.here.sinkRunning!.mm]).toEqual([1, 2]);
  expect(calm.word).toMatchObject({ result: 'firm and high' });
  expect(at(running(9)).word).toMatchObject({ result: 'sinks' });
});
