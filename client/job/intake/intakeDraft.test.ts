import { newJob } from '@brook/contract';
import { freshIntake, intakeWaits, newJobOf, odometerFault, type IntakeDraft } from './intakeDraft';

const VEHICLE = { masters: [{ id: 'master' }, { id: 'clutch-master' }] } as never;
const ID = '5d1d3b74-6b0f-4d0e-9f0b-0c8a5c1e7a10';
const draft = (more: Partial<IntakeDraft> = {}): IntakeDraft => ({
  ...freshIntake(VEHICLE),
  asks: ['renew'],
  hands: 'alone',
  ...more,
});
const PART = {
  partId: 'slave',
  done: 'no',
  newPart: 'yes',
  cappedAtOnce: null,
  keptFull: null,
} as const;

test.each<[string, Partial<IntakeDraft>, RegExp | null]>([
  ['one answer is enough', {}, null],
  ['nothing asked', { asks: [] }, /why it is here/],
  ['nothing in hand', { masterIds: [] }, /in hand/],
  ['nobody said who is there', { hands: null }, /who is at hand/],
  ['a part that nobody names yet', { asks: ['part'] }, null],
  [
    'a part with an open question',
    { asks: ['part'], parts: [{ ...PART, done: null }] },
    /every part/,
  ],
  ['the same, but no part is asked for', { parts: [{ ...PART, done: null }] }, null],
  ['a part still to do', { asks: ['part'], parts: [PART] }, null],
  ['wet, nobody said where', { found: { 'wet joint': ' ' } }, /where it is wet/],
  ['wet at the bracket', { found: { 'wet joint': 'bracket' } }, null],
  ['sinks, which is nowhere', { found: { sinks: '' } }, null],
  ['an odometer that cannot be', { odometer: '2000001' }, /odometer/],
  ['an odometer in words', { odometer: 'much' }, /odometer/],
  ['an odometer as read', { odometer: '84200' }, null],
  ['half a name', { hands: 'helper', helperName: 'O' }, /whole name/],
  ['no name', { hands: 'helper' }, null],
])('%s', (_, more, waits) => {
  if (waits === null) expect(intakeWaits(draft(more))).toBeNull();
  else expect(intakeWaits(draft(more))).toMatch(waits);
});

test('an empty odometer is nobody looked, not nought', () => {
  expect(odometerFault(draft())).toBeNull();
  expect(newJobOf(ID, ID, draft()).odometerKm).toBeNull();
  expect(newJobOf(ID, ID, draft({ odometer: '0' })).odometerKm).toBe(0);
});

test('everything that was said goes along, as the contract takes it', () => {
  const job = newJobOf(
    ID,
    ID,
    draft({
      asks: ['soft', 'part', 'renew'],
      parts: [PART],
      found: { 'lamp lit': ' ABS ', 'wet joint': 'left rear bracket' },
      odometer: '84200',
      hands: 'helper',
      helperName: ' Ode ',
    }),
  );
  expect(job).toMatchObject({
    purpose: 'after work',
    also: ['soft', 'renew'],
    parts: [{ partId: 'slave', notYet: true, cappedAtOnce: true, keptFull: true, newPart: true }],
    found: [
      { what: 'wet joint', where: 'left rear bracket' },
      { what: 'lamp lit', where: 'ABS' },
    ],
    odometerKm: 84200,
    helper: true,
    helperName: 'Ode',
  });
  expect(newJob.safeParse(job).success).toBe(true);
  // What belongs to an answer that was taken back is not sent.
  expect(newJobOf(ID, ID, draft({ parts: [PART], helperName: 'Ode' }))).toMatchObject({
    parts: [],
    helper: false,
    helperName: null,
  });
});
