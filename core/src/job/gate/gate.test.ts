import fc from 'fast-check';
import { PEDAL_RESULT_WORDS, PEDAL_RESULTS, pedalPasses } from '../../control/pedal';
import { proofOf } from '../log';
import { followCalls } from '../run';
import {
  after,
  countingIds,
  gateOn,
  jobOf,
  NOBODY_LOOKED,
  planned,
  planOf,
  runOf,
  type LooseEvent,
} from '../../testing';
import { gateWords, mayLetGo, MAY_OVERRIDE, takeUpWords, type GateReason } from '.';
import { routineFlush } from '../../bleed/scope';
import type { Control } from '../../vehicle/circuit';
import { TAKE_UPS } from '../../control/clutch';
import {
  CHECK_WORDS,
  CONTROL_CHECK_WORDS,
  CONTROL_CHECKS,
  controlProof,
  PROOF_ITEMS,
  takeUpPasses,
  WATCHED_S,
  type CheckItem,
  type ControlAnswers,
  type Proof,
} from '../items';

const PLAN = planOf('hatchback-diagonal');
const log = followCalls(PLAN, { deviceId: 'phone', nextId: countingIds(), startMs: 0 });
const DONE = runOf(PLAN, log);
const FIRM: ControlAnswers = {
  pedal: 'firm and high',
  takeUp: null,
  checks: { 'wheels held and free': true, 'servo gives': true },
};
const at = (answers: ControlAnswers): Proof['controls'] => ({
  [PLAN.layout.masters[0]!.id]: answers,
});
const GOOD: Proof = {
  controls: at(FIRM),
  checks: Object.fromEntries(PROOF_ITEMS.car.map((i) => [i, true])),
  again: [],
  photos: new Set(),
  fluidPutDown: true,
};
const codes = (...args: Parameters<typeof gateOn>) => gateOn(...args).reasons.map((r) => r.code);

test('nothing measured passes nothing: every missing thing is named', () => {
  const answer = gateOn(runOf(PLAN, []), NOBODY_LOOKED, null);
  expect(answer.verdict).toBe('shut');
  expect(answer.reasons.map((r) => r.code)).toEqual([
    'run not finished',
    'control not judged',
    'control not tried',
    'control not tried',
    ...PROOF_ITEMS.car.map(() => 'not checked'),
    'fluid not put down',
  ]);
});

test('all good opens the drive first and the release only after a good drive', () => {
  expect(gateOn(DONE, GOOD, null)).toEqual({
    verdict: 'test drive',
    reasons: [{ code: 'no test drive' }],
  });
  expect(gateOn(DONE, GOOD, 'bad')).toEqual({
    verdict: 'shut',
    reasons: [{ code: 'drive failed' }],
  });
  expect(gateOn(DONE, GOOD, 'good')).toEqual({ verdict: 'release', reasons: [] });
});

// Only a firm, high pedal passes: common practice, no source.
test.each(PEDAL_RESULTS)('pedal "%s"', (pedal) => {
  expect(pedalPasses(pedal)).toBe(pedal === 'firm and high');
  expect(codes(DONE, { ...GOOD, controls: at({ ...FIRM, pedal }) }, 'good')).toEqual(
    pedal === 'firm and high' ? [] : ['control does not pass'],
  );
  expect(PEDAL_RESULT_WORDS[pedal].means).not.toBe('');
});

test('the gate opens only when every answer is yes, whatever was answered', () => {
  const answers = fc.record(
    Object.fromEntries(
      PROOF_ITEMS.car.map((i) => [i, fc.option(fc.boolean(), { nil: undefined })]),
    ) as Record<CheckItem, fc.Arbitrary<boolean | undefined>>,
  );
  fc.assert(
    fc.property(
      answers,
      fc.option(fc.constantFrom(...PEDAL_RESULTS)),
      fc.constantFrom(null, 'good' as const, 'bad' as const),
      fc.boolean(),
      (given, pedal, drive, fluidPutDown) => {
        const checks = Object.fromEntries(
          Object.entries(given).filter(([, v]) => v !== undefined),
        ) as Proof['checks'];
        const controls = at({ ...FIRM, pedal });
        const answer = gateOn(DONE, { ...GOOD, controls, checks, fluidPutDown }, drive);
        const all =
          pedal === 'firm and high' &&
          PROOF_ITEMS.car.every((i) => checks[i] === true) &&
          fluidPutDown;
        expect(answer.verdict === 'release').toBe(all && drive === 'good');
        expect(answer.verdict !== 'shut').toBe(all && drive !== 'bad');
        expect(answer.reasons.length === 0).toBe(answer.verdict === 'release');
      },
    ),
  );
});

test('a shut that was undone shuts the gate again', () => {
  const last = log.filter((e) => e.kind === 'shut').at(-1)!;
  const state = after(DONE, {
    id: 'u',
    deviceId: 'phone',
    deviceSeq: 1,
    atMs: 0,
    kind: 'undone',
    eventId: last.id,
  });
  expect(codes(state, GOOD, 'good')).toEqual(['run not finished']);
});

test('a bleeder that was left cannot be released by this job, and an ended run by none', () => {
  const halt: LooseEvent = {
    id: 'h',
    deviceId: 'phone',
    deviceSeq: 1,
    atMs: 0,
    kind: 'halted',
    reason: 'grease',
    openingId: 'left-rear',
  };
  const decided = (decision: 'leave shut' | 'end job') =>
    runOf(
      PLAN,
      [halt, { ...halt, id: 'd', kind: 'decided', haltId: 'h', decision } as LooseEvent],
      DONE,
    );
  expect(codes(decided('leave shut'), GOOD, 'good')).toEqual(['bleeder left']);
  expect(codes(decided('end job'), GOOD, 'good')).toEqual(['run ended']);
});

test('a motorcycle has no wheels to put back', () => {
  expect(PROOF_ITEMS.motorcycle).not.toContain('wheels');
});

test('every reason has a sentence', () => {
  const items = Object.keys(CHECK_WORDS) as CheckItem[];
  const reasons = [
    { code: 'run not finished' },
    { code: 'run ended' },
    { code: 'bleeder left', place: 'left rear' },
    { code: 'bleeder not clear', place: 'left rear bleeder' },
    { code: 'stage owed', title: 'Cycle the modulator' },
    { code: 'strokes asked' },
    { code: 'open item', what: 'Tool cycle owed', clearsWhen: 'Clears with the cycle.' },
    { code: 'control not judged', control: 'brake pedal' },
    { code: 'control does not pass', control: 'brake pedal', result: 'springy' },
    { code: 'control does not pass', control: 'clutch pedal', result: 'near the end' },
    ...CONTROL_CHECKS.flatMap((item) => [
      { code: 'control not tried', control: 'brake pedal', item } as const,
      { code: 'control failed', control: 'brake pedal', item } as const,
    ]),
    { code: 'no test drive' },
    { code: 'fluid not put down' },
    { code: 'torque not written', elementId: 'x', place: 'left rear bleeder' },
    ...items.map((item) => ({ code: 'photo asked for', item }) as const),
    { code: 'drive failed' },
    ...items.flatMap((item) => [
      { code: 'not checked', item } as const,
      { code: 'check failed', item } as const,
    ]),
  ] satisfies GateReason[];
  const sentences = reasons.map(gateWords);
  expect(new Set(reasons.map((r) => r.code))).toEqual(new Set(Object.keys(MAY_OVERRIDE)));
  expect(new Set(sentences).size).toBe(sentences.length);
  expect(sentences.every((s) => s.endsWith('.'))).toBe(true);
});

// Common practice, no published source: what somebody looks at after a bleed, by what the vehicle has.
test('what is looked at goes by the kind of vehicle', () => {
  const everywhere = ['joints dry', 'bleeder caps', 'level', 'reservoir cap', 'wiped dry'];
  const withEngine = [...everywhere, 'lamps out'];
  expect(PROOF_ITEMS).toEqual({
    car: [...withEngine, 'wheels'],
    motorcycle: withEngine,
    'three-wheeler': [...withEngine, 'wheels'],
    quad: [...withEngine, 'wheels'],
    trailer: [...everywhere, 'wheels'],
  });
});

test('strokes that another phone tapped and nobody judged keep the gate shut', () => {
  const last = PLAN.openings.at(-1)!.id;
  const other = { id: 'other', deviceId: 'other', deviceSeq: 1, atMs: 1, planId: null };
  const asked = runOf(PLAN, [...log, { ...other, kind: 'stroke', openingId: last }]);
  expect(gateOn(asked, GOOD, 'good').reasons).toEqual([{ code: 'strokes asked' }]);
  const judged = runOf(PLAN, [
    ...log,
    { ...other, kind: 'stroke', openingId: last },
    { ...other, id: 'j', kind: 'strokes judged', eventIds: ['other'], count: false },
  ]);
  expect(gateOn(judged, GOOD, 'good').verdict).toBe('release');
});

// Brakes are proved at every wheel; a clutch is proved as a clutch. Common practice, no published source.
describe('each control by its own words', () => {
  test('a brake pedal of a car: the result, every wheel, the servo; a lever has no servo', () => {
    expect(controlProof({ control: 'brake pedal' }, 'car')).toEqual({
      result: 'pedal',
      checks: ['wheels held and free', 'servo gives'],
    });
    for (const control of ['brake lever', 'foot brake'] as const)
      expect(controlProof({ control }, 'motorcycle')).toEqual({
        result: 'pedal',
        checks: ['wheels held and free'],
      });
  });

  test('an off-road motorcycle is not asked for its reverse gear, nor for a brake’s words', () => {
    const { result, checks } = controlProof({ control: 'clutch lever' }, 'motorcycle');
    expect(result).toBe('take-up');
    for (const c of ['reverse silent', 'servo gives', 'wheels held and free', 'no creep'] as const)
      expect(checks).not.toContain(c);
    expect(checks).toContain('rolls in gear');
    expect(controlProof({ control: 'clutch pedal' }, 'car').checks).toContain('reverse silent');
    expect(controlProof({ control: 'clutch pedal' }, 'car').checks).toContain('no creep');
  });

  test('an overrun coupling is judged by what it does, not by a pedal', () => {
    const { result, checks } = controlProof({ control: 'overrun coupling' }, 'trailer');
    expect(result).toBe('none');
    expect(checks).toEqual(['held pushed in', 'comes out and frees', 'reversing and breakaway']);
  });

  test.each([
    ['near the end', false],
    ['lower half', true],
    ['middle', true],
    ['high', true],
  ] as const)('a clutch that takes up %s passes: %s', (takeUp, passes) =>
    expect(takeUpPasses(takeUp)).toBe(passes),
  );

  test('its end is the floor for a foot and the bar for a hand', () => {
    expect(takeUpWords('near the end', 'clutch pedal')).toBe('near the floor');
    expect(takeUpWords('near the end', 'clutch lever')).toBe('near the bar');
    expect(TAKE_UPS.slice(1).map((t) => takeUpWords(t, 'clutch lever'))).toEqual(TAKE_UPS.slice(1));
  });

  test('every check is asked, and says why', () => {
    const words = CONTROL_CHECKS.map((c) => CONTROL_CHECK_WORDS[c]);
    expect(new Set(words.map((w) => w.ask)).size).toBe(CONTROL_CHECKS.length);
    expect(words.every((w) => w.why.endsWith('.'))).toBe(true);
  });

  test('a motorcycle with lever and pedal is proved twice', () => {
    const plan = planOf('motorcycle-abs');
    const run = runOf(
      plan,
      followCalls(plan, { deviceId: 'p', nextId: countingIds(), startMs: 0 }),
    );
    const [first, second] = plan.layout.masters;
    const one = {
      pedal: 'firm and high',
      takeUp: null,
      checks: { 'wheels held and free': true },
    } as const;
    const checks = Object.fromEntries(PROOF_ITEMS.motorcycle.map((i) => [i, true]));
    const only = { ...GOOD, controls: { [first!.id]: one }, checks };
    expect(gateOn(run, only).reasons).toEqual([
      { code: 'control not judged', control: second!.control },
      { code: 'control not tried', control: second!.control, item: 'wheels held and free' },
    ]);
    const both = { ...only, controls: { [first!.id]: one, [second!.id]: one } };
    expect(gateOn(run, both).verdict).toBe('test drive');
  });
});

describe('paper, which a lead may let go', () => {
  const [bleeder] = PLAN.layout.bleeders;
  const torque = { elementId: bleeder!.id, place: bleeder!.place };
  const paper = { photosOf: ['level', 'joints dry'] as const, torques: [torque], letGo: [] };

  test('keeps the gate shut until it is there', () => {
    expect(gateOn(DONE, GOOD, 'good', { paper }).reasons).toEqual([
      { code: 'torque not written', ...torque },
      { code: 'photo asked for', item: 'level' },
      { code: 'photo asked for', item: 'joints dry' },
    ]);
    const photographed = { ...GOOD, photos: new Set(['level', 'joints dry'] as const) };
    expect(gateOn(DONE, photographed, 'good', { paper: { ...paper, torques: [] } }).verdict).toBe(
      'release',
    );
  });

  test('is let go one by one, and by nothing else', () => {
    const letGo = [{ code: 'photo asked for', of: 'level' } as const];
    expect(
      gateOn(DONE, GOOD, 'good', { paper: { ...paper, letGo } }).reasons.map((r) => gateWords(r)),
    ).toEqual([
      `The torque of the ${torque.place} is not written down; this workshop tightens by the manual.`,
      'This workshop asks for a photo: joints and bleeders dry under a firm push.',
    ]);
    const other = [{ code: 'torque not written', of: 'level' } as const];
    expect(gateOn(DONE, GOOD, 'good', { paper: { ...paper, letGo: other } }).reasons).toHaveLength(
      3,
    );
  });

  test('lets go of no look: a level that nobody looked at stays, whatever was let go', () => {
    const { level: _, ...checks } = GOOD.checks;
    const letGo = [
      { code: 'photo asked for', of: 'level' },
      { code: 'not checked', of: 'level' },
    ] as never;
    expect(
      gateOn(DONE, { ...GOOD, checks }, 'good', {
        paper: { ...paper, torques: [], photosOf: [], letGo },
      }).reasons,
    ).toEqual([{ code: 'not checked', item: 'level' }]);
  });

  test('of a trailer no photo is asked of lamps that it has not', () => {
    const all = { photosOf: ['lamps out', 'wheels'] as const, torques: [], letGo: [] };
    const trailer = { ...PLAN, layout: { ...PLAN.layout, vehicleKind: 'trailer' as const } };
    const reasons = gateOn({ ...DONE, plan: trailer }, GOOD, 'good', { paper: all }).reasons;
    expect(reasons.filter((r) => r.code === 'photo asked for')).toEqual([
      { code: 'photo asked for', item: 'wheels' },
    ]);
  });
});

test('a torque is let go at its own joint', () => {
  const torques = PLAN.layout.bleeders.map((b) => ({ elementId: b.id, place: b.place }));
  const paper = (of: string) => ({
    photosOf: [],
    torques,
    letGo: [{ code: 'torque not written', of } as const],
  });
  const left = (of: string) =>
    gateOn(DONE, GOOD, 'good', { paper: paper(of) }).reasons.map((r) =>
      'place' in r ? r.place : r.code,
    );
  const [first, ...others] = torques;
  expect(left(first!.elementId)).toEqual(others.map((t) => t.place));
  expect(left('level')).toEqual(torques.map((t) => t.place));
});

// What leaves danger, nobody; a lead paper alone: common practice, no source.
test('nobody overrides what leaves danger', () => {
  const byLead = Object.entries(MAY_OVERRIDE).flatMap(([code, who]) =>
    who === 'lead' ? [code] : [],
  );
  expect(byLead.sort()).toEqual(['photo asked for', 'torque not written']);
  expect(mayLetGo({ code: 'photo asked for', item: 'level' })).toBe(true);
  expect(mayLetGo({ code: 'torque not written', elementId: 'x', place: 'left rear' })).toBe(true);
  expect(mayLetGo({ code: 'check failed', item: 'level' })).toBe(false);
  expect(mayLetGo({ code: 'strokes asked' })).toBe(false);
});

// A modulator that was opened holds air that only its cycle brings out: common practice, no source.
test('a stage that was left out keeps the gate shut only where danger stays behind', () => {
  const opened = planned(PLAN.layout, {
    work: { ...routineFlush(['master']), purpose: 'after work', modulatorOpened: true },
  });
  const tool = opened.stages.find((s) => s.kind === 'tool cycle')!;
  const run = runOf(opened, [{ kind: 'stage skipped', stageId: tool.id, reason: 'No tool today' }]);
  const owed = (r: typeof run) =>
    gateOn(r, GOOD, 'good').reasons.filter((reason) => reason.code === 'stage owed');
  expect(owed(run)).toEqual([{ code: 'stage owed', title: expect.stringMatching(/\w/) }]);
  const harmless = { ...opened, scope: { ...opened.scope, airInModulator: false } };
  expect(owed({ ...run, plan: harmless })).toEqual([]);
});

describe('what is to be answered again', () => {
  const master = PLAN.layout.masters[0]!;
  const reasons = (...again: Proof['again']) => gateOn(DONE, { ...GOOD, again }, 'good').reasons;

  test('is asked at the control, or of the vehicle, that it was asked of', () => {
    expect(reasons({ masterId: master.id, item: 'no creep' })).toEqual([
      { code: 'control not tried', control: master.control, item: 'no creep' },
    ]);
    expect(reasons({ masterId: null, item: 'wheels' })).toEqual([]);
    const { wheels: _, ...checks } = GOOD.checks;
    expect(
      gateOn(DONE, { ...GOOD, checks, again: [{ masterId: null, item: 'wheels' }] }).reasons,
    ).toEqual([{ code: 'not checked', item: 'wheels' }]);
  });

  test('of another control, or a result that is there, asks nothing more', () => {
    expect(reasons({ masterId: 'another', item: 'no creep' })).toEqual([]);
    expect(reasons({ masterId: master.id, item: 'result' })).toEqual([]);
  });
});

describe('a control that is not judged by a word', () => {
  const master = PLAN.layout.masters[0]!;
  const proved = (control: Control, answers: Partial<ControlAnswers>) =>
    gateOn(DONE, { ...GOOD, controls: at({ ...FIRM, ...answers }) }, 'good', {
      controls: [{ ...master, control }],
    }).reasons;

  test('a coupling has no result to give', () =>
    expect(proved('overrun coupling', { pedal: null }).map((r) => r.code)).not.toContain(
      'control not judged',
    ));

  test('a clutch passes by where it takes up, whatever a pedal of it was called', () => {
    const result = (takeUp: ControlAnswers['takeUp']) =>
      proved('clutch pedal', { pedal: 'springy', takeUp }).filter(
        (r) => r.code === 'control does not pass' || r.code === 'control not judged',
      );
    expect(result('middle')).toEqual([]);
    expect(result('near the end')).toEqual([
      { code: 'control does not pass', control: 'clutch pedal', result: 'near the end' },
    ]);
    expect(result(null)).toEqual([{ code: 'control not judged', control: 'clutch pedal' }]);
  });

  test('a measure that was begun says what of it is missing; one that came to a word, or none, does not', () => {
    const judged = (measured: ControlAnswers['measured']) =>
      proved('brake pedal', { pedal: null, measured }).find((r) => r.code === 'control not judged');
    const missing = ['firm push', 'sink'] as const;
    expect(judged({ missing })).toEqual({
      code: 'control not judged',
      control: 'brake pedal',
      missing,
    });
    expect(gateWords(judged({ missing })!)).toBe(
      'Brake pedal, still to measure: firm push, whether it sinks. Or say it by feel.',
    );
    expect(judged(null)).toEqual({ code: 'control not judged', control: 'brake pedal' });
  });
});

// What the gate says is read aloud to whoever wants the car out: each for what it is about.
test.each<[GateReason, RegExp]>([
  [{ code: 'strokes asked' }, /another phone/i],
  [{ code: 'bleeder left', place: 'left rear' }, /^The left rear was left unbled/],
  [{ code: 'control not judged', control: 'brake pedal' }, /^Brake pedal: not judged yet/],
  [{ code: 'fluid not put down' }, /which container/],
  [
    { code: 'control does not pass', control: 'brake pedal', result: 'springy' },
    /springy\. Only firm/,
  ],
  [{ code: 'control does not pass', control: 'clutch pedal', result: 'low' }, /low\. So close/],
])('%j', (reason, says) => expect(gateWords(reason)).toMatch(says));

test('what the vehicle owes besides keeps the gate shut, whatever this job did', () => {
  const owed = { what: 'Tool cycle owed', clearsWhen: 'Clears with the cycle.' };
  const answer = gateOn(DONE, GOOD, 'good', { openItems: [owed] });
  expect(answer).toEqual({ verdict: 'shut', reasons: [{ code: 'open item', ...owed }] });
});

describe('a run that nobody made', () => {
  const without = (kind: string) =>
    runOf(PLAN, log.filter((e) => e.kind !== kind) as unknown as LooseEvent[]);

  // Prepared and shut, 0 of so many strokes.
  test('every bleeder shut without a stroke is not through', () => {
    const run = without('stroke');
    expect(run.bleeders.every((b) => b.shut && b.strokes === 0)).toBe(true);
    expect(codes(run, GOOD, 'good')).toContain('run not finished');
    expect(codes(run, GOOD, 'good').filter((c) => c === 'bleeder not clear')).toHaveLength(4);
  });

  test('bubbles that nobody read are not clear; a colour that nobody read is only owed', () => {
    expect(codes(without('bubbles'), GOOD, 'good')).toContain('bleeder not clear');
    const run = without('colour');
    expect(codes(run, GOOD, 'good')).toEqual(['run not finished']);
    const early = run.bleeders.map(
      (b): LooseEvent => ({
        kind: 'shut early',
        openingId: b.openingId,
        reason: 'No light to see by',
      }),
    );
    expect(codes(after(run, ...early), GOOD, 'good')).toEqual([]);
  });

  test('a reason does not make clear what is not', () => {
    const run = without('bubbles');
    const early = run.bleeders.map(
      (b): LooseEvent => ({ kind: 'shut early', openingId: b.openingId, reason: 'Friday' }),
    );
    expect(codes(after(run, ...early), GOOD, 'good')).toEqual(Array(4).fill('bleeder not clear'));
  });
});

test('what is watched for a time has the time that its own words ask for', () => {
  for (const [item, seconds] of Object.entries(WATCHED_S)) {
    const { ask } = CONTROL_CHECK_WORDS[item as keyof typeof WATCHED_S];
    expect(ask).toMatch(seconds === 60 ? /full minute/ : new RegExp(`\\b${seconds} s\\b`));
  }
  const timed = CONTROL_CHECKS.filter((c) => /\b\d+ s\b|minute/.test(CONTROL_CHECK_WORDS[c].ask));
  expect(Object.keys(WATCHED_S).sort()).toEqual([...timed].sort());
});

test('what was found wrong though nobody asks for it keeps the gate shut, also once it is void', () => {
  const bike = planOf('motorcycle-abs');
  const [front] = bike.layout.masters.map((m) => m.id);
  const said = (...more: LooseEvent[]) => {
    const job = jobOf(bike, [
      ...(followCalls(bike, {
        deviceId: 'phone',
        nextId: countingIds(),
        startMs: 0,
      }) as LooseEvent[]),
      ...more,
    ]);
    return gateOn(job.run!, proofOf(job)).reasons;
  };
  // A motorcycle has no wheels on nuts: it is not asked, and it is wrong.
  const wheels: LooseEvent = { kind: 'checked', item: 'wheels', passes: false };
  const servo: LooseEvent = {
    kind: 'checked',
    item: 'servo gives',
    masterId: front!,
    passes: false,
  };
  expect(said()).not.toContainEqual(expect.objectContaining({ item: 'wheels' }));
  expect(said(wheels)).toContainEqual({ code: 'check failed', item: 'wheels' });
  expect(said(servo)).toContainEqual(
    expect.objectContaining({ code: 'control failed', item: 'servo gives' }),
  );
  const touched: LooseEvent = { kind: 'came off', what: 'Clip or bracket', elementId: null };
  expect(said(wheels, servo, touched)).toEqual(
    expect.arrayContaining([
      { code: 'not checked', item: 'wheels' },
      expect.objectContaining({ code: 'control not tried', item: 'servo gives' }),
    ]),
  );
  const right = { ...wheels, passes: true } as LooseEvent;
  expect(said(wheels, touched, right)).not.toContainEqual(
    expect.objectContaining({ item: 'wheels' }),
  );
});
