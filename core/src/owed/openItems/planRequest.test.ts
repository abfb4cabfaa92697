import { planRequestOf, type JobChoices, type JobKnown, type OpenItem } from '.';
import { USUAL_DAY } from '../../hydraulics/flow';
import { EVERYTHING, cappedPart } from '../../testing';
import { CAR, flush, onePart } from '../../testing/yard';

const CHOICES: JobChoices = {
  means: EVERYTHING,
  method: 'gravity',
  order: null,
  leastFluid: null,
  holdPoint: true,
  primeInPlace: false,
  partnerAges: [],
  work: onePart(CAR, 'left-rear-caliper', ['master']),
  circumstances: USUAL_DAY,
  leaveOldFluid: false,
};
const KNOWN: JobKnown = {
  layout: CAR,
  fillGrade: 'DOT 4',
  isoClass: null,
  inside: null,
  newColour: 'straw',
  makerOrder: ['left-front'],
  before: [],
  fluid: null,
};
const read = (
  verdict: string | null,
  more: Partial<NonNullable<JobKnown['fluid']>> = {},
): NonNullable<JobKnown['fluid']> => ({
  verdict: { condition: verdict ? { verdict } : null } as never,
  samples: [],
  inSystem: 'unknown',
  ...more,
});
const asked = (fluid: JobKnown['fluid'], more: Partial<JobChoices> = {}) =>
  planRequestOf({ ...CHOICES, ...more }, { ...KNOWN, fluid });

test('what was chosen and what is known go to the plan as they are', () => {
  const request = asked(null);
  expect(request).toMatchObject({
    method: 'gravity',
    holdPoint: true,
    fillGrade: 'DOT 4',
    makerOrder: ['left-front'],
    circumstances: USUAL_DAY,
    inSystem: null,
  });
  expect(request.work!.parts).toEqual([cappedPart('left-rear-caliper')]);
  expect(request).not.toHaveProperty('leaveOldFluid');
});

test('fluid that is due is renewed with the work, unless somebody leaves it', () => {
  const all = CAR.bleeders.map((b) => b.id).sort();
  const oldAt = (r: ReturnType<typeof asked>) => [...(r.work!.owed?.oldAt ?? [])].sort();
  expect(oldAt(asked(read('replace now')))).toEqual(all);
  expect(oldAt(asked(read('replace now'), { leaveOldFluid: true }))).toEqual([]);
  expect(oldAt(asked(read('fine')))).toEqual([]);
  // Nothing was read: then it is not known to be due.
  expect(oldAt(asked(null))).toEqual([]);
});

test('dark or cloudy fluid is dirty, whoever said it first', () => {
  const dirty = (fluid: JobKnown['fluid'], said = false) =>
    asked(fluid, { circumstances: { ...USUAL_DAY, dirty: said } }).circumstances!.dirty;
  const sample = (colour: string) =>
    read(null, { samples: [{ colour, clarity: 'clear' } as never] });
  expect(dirty(sample('black'))).toBe(true);
  expect(dirty(sample('straw'))).toBe(false);
  expect(dirty(sample('straw'), true)).toBe(true);
  expect(dirty(null)).toBe(false);
  expect(dirty(null, true)).toBe(true);
});

test('what somebody said is inside; of a dry or unknown system nothing is known', () => {
  const inside = (inSystem: 'DOT 5.1' | 'unknown' | 'empty') =>
    asked(read(null, { inSystem })).inSystem;
  expect(inside('DOT 5.1')).toBe('DOT 5.1');
  expect(inside('unknown')).toBeNull();
  expect(inside('empty')).toBeNull();
});

test('what the vehicle owes is taken over', () => {
  const before = [{ kind: 'air possible', weight: 'holds', where: 'right-front' }] as OpenItem[];
  const request = planRequestOf({ ...CHOICES, work: flush(CAR) }, { ...KNOWN, before });
  expect(request.work!.owed!.airAt).toEqual(['right-front']);
});
