import type { LooseEvent } from '../../testing';
import type { Plan } from '../../bleed/plan';
import { driveInForce } from '../../job/log';
import {
  badNews,
  CAR,
  FERRY_VAN,
  flush,
  openingAt,
  proof,
  run,
  used,
  Yard,
} from '../../testing/yard';

// A vehicle that is bled, proved and sent on its slow drive; what is said then.
const sent = (...said: readonly ((p: Plan) => LooseEvent)[]) => {
  const yard = new Yard(CAR);
  const job = yard.take(flush(CAR), (p) => [
    ...(run(p) as LooseEvent[]),
    used,
    ...(proof(p, ['master']) as LooseEvent[]),
    { kind: 'drive set' },
    ...said.map((s) => s(p)),
  ]);
  return { yard, job };
};
const news = (p: Plan) =>
  badNews({
    openingId: openingAt(p, 'left-rear'),
    answerId: proof(p, ['master']).find((e) => e.kind === 'pedal judged')!.id,
  });
const { job: GOOD, yard: FREE } = sent();
const ALL = news(GOOD.run!.plan);

test('with nothing said it stands', () => {
  expect(FREE.drive).toBe('test drive only');
});

test.each(ALL.map(([what], i) => [what, i] as const))(
  '“test drive only” falls as soon as it is said: %s',
  (_, i) => {
    const { yard, job } = sent((p) => news(p)[i]![1]);
    expect(yard.drive).toBe('do not drive');
    expect(driveInForce(job)).toBeNull();
    expect(yard.gate(job).verdict).not.toBe('release');
  },
);

test('answered well again it does not come back by itself: a named person sets it anew', () => {
  const at = ALL.findIndex(([what]) => what === 'a joint is not dry');
  const again: LooseEvent = { kind: 'checked', item: 'joints dry', passes: true };
  const { yard, job } = sent(
    (p) => news(p)[at]![1],
    () => again,
  );
  expect(yard.gate(job).verdict).toBe('test drive');
  expect(yard.drive).toBe('do not drive');
  expect(
    sent(
      (p) => news(p)[at]![1],
      () => again,
      () => ({ kind: 'drive set' }),
    ).yard.drive,
  ).toBe('test drive only');
});

test('a note, a clock and a good answer leave it standing; what was tightened a little above is owed', () => {
  for (const said of [
    { kind: 'note', text: 'Dusty' },
    { kind: 'clock started', clock: 'penetrant', minutes: 5, elementId: null },
    { kind: 'checked', item: 'joints dry', passes: true },
    { kind: 'joint tightened', elementId: 'left-rear', manualNm: 10, appliedNm: 11 },
  ] as LooseEvent[])
    expect(sent(() => said).yard.drive).toBe('test drive only');
});

test('an answer of a phone that had not heard of the last stroke of another opens no drive', () => {
  const yard = new Yard(CAR);
  const early = (p: Plan): LooseEvent[] =>
    (proof(p, ['master']) as LooseEvent[]).map((e) => ({ ...e, deviceId: 'asleep', heard: 5 }));
  const job = yard.take(flush(CAR), (p) => [...(run(p) as LooseEvent[]), used, ...early(p)]);
  expect(job.proof.answers).toEqual([]);
  expect(job.proof.voided.length).toBeGreaterThan(0);
  expect(yard.gate(job).verdict).toBe('shut');
  // What it says against the vehicle counts for all that.
  const bad = yard.take(
    flush(CAR),
    (p) =>
      [
        ...(run(p) as LooseEvent[]),
        used,
        ...early(p).map((e) => (e.kind === 'pedal judged' ? { ...e, result: 'sinks' } : e)),
      ] as LooseEvent[],
  );
  expect(bad.proof.answers.map((a) => a.value)).toEqual(['sinks']);
});

test('a bad answer stands against a good one of a phone that had not heard of it, whichever came first', () => {
  const yard = new Yard(CAR);
  const job = yard.take(flush(CAR), (p) => [
    ...(run(p) as LooseEvent[]),
    used,
    ...(proof(p, ['master']) as LooseEvent[]),
    { kind: 'checked', item: 'joints dry', passes: false, deviceId: 'other' },
    { kind: 'checked', item: 'joints dry', passes: true, deviceId: 'asleep', heard: 5 },
  ]);
  expect(job.proof.answers.find((a) => a.item === 'joints dry')!.value).toBe(false);
});

test('of two readings that did not know of each other the worse counts', () => {
  const sank = (mm: number, more: object = {}): LooseEvent =>
    ({
      kind: 'sink watched',
      masterId: 'master',
      when: 'after',
      mm,
      seconds: 30,
      ...more,
    }) as LooseEvent;
  const last = (...said: LooseEvent[]) =>
    sent(...said.map((s) => () => s)).job.proof.measured.at(-1)!.sink!.mm;
  const asleep = { deviceId: 'asleep' };
  const { length } = GOOD.log;
  expect(last(sank(9), sank(1))).toBe(1);
  expect(last(sank(9, { deviceId: 'other' }), sank(1, { ...asleep, heard: length }))).toBe(9);
  expect(last(sank(1, { deviceId: 'other' }), sank(9, { ...asleep, heard: length }))).toBe(9);
});

describe('what is found at a control that the job was not about', () => {
  /** The clutch alone was bled; somebody tries the brake pedal besides. */
  const clutch = FERRY_VAN.masters.find((m) => m.system === 'clutch')!;
  const brake = FERRY_VAN.masters.find((m) => m.system === 'brakes')!;
  const tried = (...said: object[]) => {
    const yard = new Yard(FERRY_VAN);
    const job = yard.take({ ...flush(FERRY_VAN), masterIds: [clutch.id] }, (p) => [
      ...(run(p) as LooseEvent[]),
      used,
      ...(proof(p, [clutch.id]) as LooseEvent[]),
      ...(said as LooseEvent[]),
    ]);
    return yard.gate(job);
  };
  const sank = (mm: number) => ({
    kind: 'sink watched',
    masterId: brake.id,
    when: 'after',
    mm,
    seconds: 30,
  });

  test('a good figure asks nothing, a bad one holds, measured as well as said', () => {
    expect(tried().verdict).toBe('test drive');
    expect(tried(sank(0)).verdict).toBe('test drive');
    expect(tried(sank(60)).verdict).toBe('shut');
    expect(tried({ kind: 'pedal judged', masterId: brake.id, result: 'sinks' }).verdict).toBe(
      'shut',
    );
  });
});
