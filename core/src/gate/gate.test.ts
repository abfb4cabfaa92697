import fc from 'fast-check';
import { PEDAL_RESULT_WORDS, PEDAL_RESULTS, pedalPasses } from '../pedal';
import { followCalls } from '../run';
import { after, countingIds, NOBODY_LOOKED, planOf, runOf, type Said } from '../testing';
import { CHECK_WORDS, gateWords, PROOF_ITEMS, releaseGate, type CheckItem, type Proof } from '.';

const PLAN = planOf('hatchback-diagonal');
const log = followCalls(PLAN, { deviceId: 'phone', nextId: countingIds(), startMs: 0 });
const DONE = runOf(PLAN, log);
const GOOD: Proof = {
  pedal: 'firm and high',
  checks: Object.fromEntries(PROOF_ITEMS.car.map((i) => [i, true])),
  fluidPutDown: true,
};
const codes = (...args: Parameters<typeof releaseGate>) =>
  releaseGate(...args).reasons.map((r) => r.code);

test('nothing measured passes nothing: every missing thing is named', () => {
  const answer = releaseGate(runOf(PLAN, []), NOBODY_LOOKED, null);
  expect(answer.verdict).toBe('shut');
  expect(answer.reasons.map((r) => r.code)).toEqual([
    'run not finished',
    'pedal not judged',
    ...PROOF_ITEMS.car.map(() => 'not checked'),
    'fluid not put down',
  ]);
});

test('all good opens the drive first and the release only after a good drive', () => {
  expect(releaseGate(DONE, GOOD, null)).toEqual({
    verdict: 'test drive',
    reasons: [{ code: 'no test drive' }],
  });
  expect(releaseGate(DONE, GOOD, 'bad')).toEqual({
    verdict: 'shut',
    reasons: [{ code: 'drive failed' }],
  });
  expect(releaseGate(DONE, GOOD, 'good')).toEqual({ verdict: 'release', reasons: [] });
});

// Only a firm, high pedal passes: common practice, no source.
test.each(PEDAL_RESULTS)('pedal "%s"', (pedal) => {
  expect(pedalPasses(pedal)).toBe(pedal === 'firm and high');
  expect(codes(DONE, { ...GOOD, pedal }, 'good')).toEqual(
    pedal === 'firm and high' ? [] : ['pedal does not pass'],
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
        const answer = releaseGate(DONE, { pedal, checks, fluidPutDown }, drive);
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

test('one stroke undone shuts the gate again', () => {
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
  const halt: Said = {
    id: 'h',
    deviceId: 'phone',
    deviceSeq: 1,
    atMs: 0,
    kind: 'halted',
    reason: 'grease',
    stopId: 'left-rear',
  };
  const decided = (decision: 'leave shut' | 'end job') =>
    runOf(PLAN, [halt, { ...halt, id: 'd', kind: 'decided', haltId: 'h', decision } as Said], DONE);
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
    { code: 'pedal not judged' },
    { code: 'pedal does not pass', result: 'springy' },
    { code: 'no test drive' },
    { code: 'fluid not put down' },
    { code: 'drive failed' },
    ...items.flatMap((item) => [
      { code: 'not checked', item } as const,
      { code: 'check failed', item } as const,
    ]),
  ] as const;
  const sentences = reasons.map(gateWords);
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
  const last = PLAN.stops.at(-1)!.id;
  const other = { id: 'other', deviceId: 'other', deviceSeq: 1, atMs: 1, planId: null };
  const asked = runOf(PLAN, [...log, { ...other, kind: 'stroke', stopId: last }]);
  expect(releaseGate(asked, GOOD, 'good').reasons).toEqual([{ code: 'strokes asked' }]);
  const judged = runOf(PLAN, [
    ...log,
    { ...other, kind: 'stroke', stopId: last },
    { ...other, id: 'j', kind: 'strokes judged', eventIds: ['other'], count: false },
  ]);
  expect(releaseGate(judged, GOOD, 'good').verdict).toBe('release');
});
