import { foldJob } from '../../job/log';
import type { WorkDone } from '../../bleed/scope';
import {
  afterWork,
  cappedPart,
  carefulMaster,
  jobOf,
  loggedEvent,
  planned,
  type LooseEvent,
} from '../../testing';
import type { CameOff } from '../../job/events';
import { FERRY_VAN as VAN, flush, run } from '../../testing/yard';
import { controlsConcerned, type OpenItem } from '.';
import { mastersAt, partsInHand } from './controlsConcerned';

const BRAKES = 'master';
const CLUTCH = 'clutch-master';
const BOTH = [BRAKES, CLUTCH];

describe('whose control works a place', () => {
  test.each([
    ['a bleeder', 'left-rear', [BRAKES]],
    ['the bleeder of a clutch', 'slave-bleeder', [CLUTCH]],
    ['a master', CLUTCH, [CLUTCH]],
    ['a caliper', 'right-rear-caliper', [BRAKES]],
    ['a slave', 'slave', [CLUTCH]],
    ['a hose of one end alone', 'left-front-hose', [BRAKES]],
    // Whom nobody can name, every one: what is not known counts as bad.
    ['a bowl that both share', 'reservoir', BOTH],
    ['a place that is not there', 'nowhere', BOTH],
    ['the whole vehicle', null, BOTH],
  ])('%s', (_, where, ids) => expect(mastersAt(VAN, where).map((m) => m.id)).toEqual(ids));
});

const said = (work: WorkDone) => foldJob([loggedEvent({ kind: 'work said', work })]);
const of = (job: ReturnType<typeof said>, before: readonly OpenItem[] = []) =>
  controlsConcerned(job, VAN, before).map((m) => m.id);

describe('by what was said, before there is a plan', () => {
  const part = (partId: string) => afterWork(VAN, { masterIds: BOTH, parts: [cappedPart(partId)] });
  test.each<[string, WorkDone, string[]]>([
    ['a flush opens nothing yet', flush(VAN), []],
    ['a soft clutch', { ...flush(VAN, CLUTCH), purpose: 'soft pedal' }, [CLUTCH]],
    ['a soft brake beside a part of the clutch', { ...part('slave'), also: ['soft'] }, BOTH],
    ['a look at the brakes', { ...flush(VAN, BRAKES), purpose: 'look and prove' }, [BRAKES]],
    ['a dry clutch', { ...flush(VAN, CLUTCH), purpose: 'new or dry' }, [CLUTCH]],
    ['a slave that was off', part('slave'), [CLUTCH]],
    ['a caliper that was off', part('left-rear-caliper'), [BRAKES]],
    [
      'a clutch master that was changed',
      afterWork(VAN, { masterIds: BOTH, master: carefulMaster(CLUTCH) }),
      [CLUTCH],
    ],
    [
      // 55 mm below MAX both outlets are bare, at 40 mm that of the clutch alone.
      'a bowl that ran low',
      afterWork(VAN, { masterIds: BOTH, lowest: [{ reservoirId: 'reservoir', belowMaxMm: 55 }] }),
      BOTH,
    ],
  ])('%s', (_, work, ids) => expect(of(said(work))).toEqual(ids));

  test('nothing said, nothing concerned', () => expect(of(foldJob([]))).toEqual([]));
});

describe('by what is done', () => {
  const PLAN = planned(VAN, { work: flush(VAN, BRAKES) });
  const after = (...events: readonly LooseEvent[]) => of(jobOf(PLAN, events));
  test('what the plan opens', () => {
    expect(after()).toEqual([BRAKES]);
  });
  test('what it was brought for, in the words of the plan', () => {
    const work: WorkDone = { ...flush(VAN, CLUTCH), purpose: 'look and prove' };
    expect(of(jobOf(planned(VAN, { work }), []))).toEqual([CLUTCH]);
  });
  test('a clutch that nobody asked about and that does not pass, until it is taken back', () => {
    const takesUp = (takeUp: 'middle' | 'near the end'): LooseEvent => ({
      id: 'low',
      kind: 'take-up judged',
      masterId: CLUTCH,
      takeUp,
    });
    const low = takesUp('near the end');
    expect(after(takesUp('middle'))).toEqual([BRAKES]);
    expect(after(low)).toEqual(BOTH);
    expect(after(low, { kind: 'undone', eventId: 'low' })).toEqual([BRAKES]);
  });
  test('what came off at it, if the control is to be proved by that', () => {
    const off = (what: CameOff): LooseEvent => ({ kind: 'came off', what, elementId: 'slave' });
    expect(after(off('Caliper or slave, hose joined'))).toEqual(BOTH);
    expect(after(off('Cover, trim or mat'))).toEqual([BRAKES]);
  });
  test('what is open there from before, if it holds', () => {
    const leak = (weight: OpenItem['weight']) =>
      [{ kind: 'leak', weight, where: 'slave' }] as OpenItem[];
    expect(of(jobOf(PLAN, []), leak('holds'))).toEqual(BOTH);
    expect(of(jobOf(PLAN, []), leak('owed'))).toEqual([BRAKES]);
  });
});

describe('parts that nobody knows to be fitted', () => {
  const notYet = { ...cappedPart('slave'), notYet: true };
  test('as they were said, and the master with them; not what is still to be done', () => {
    const work = afterWork(VAN, {
      masterIds: BOTH,
      parts: [cappedPart('left-rear-caliper'), notYet],
      master: carefulMaster(CLUTCH),
    });
    expect(partsInHand(said(work))).toEqual(['left-rear-caliper', CLUTCH]);
    const later = { ...work, master: { ...carefulMaster(CLUTCH), notYet: true } };
    expect(partsInHand(said(later))).toEqual(['left-rear-caliper']);
    expect(partsInHand(foldJob([]))).toEqual([]);
  });
  test('once the run opened anything, what is still to be done is off too', () => {
    const work = afterWork(VAN, {
      masterIds: BOTH,
      parts: [notYet],
      master: { ...carefulMaster(CLUTCH), notYet: true },
    });
    const plan = planned(VAN, { work });
    expect(partsInHand(jobOf(plan, []))).toEqual([]);
    const prepared = run(plan).filter((e) => e.kind === 'prepared');
    expect(partsInHand(jobOf(plan, prepared))).toEqual(['slave', CLUTCH]);
  });
  test('a part that the run took off is named once', () => {
    const plan = planned(VAN, { work: flush(VAN) });
    const off: LooseEvent = { id: 'off', kind: 'taken off', elementId: 'slave' };
    expect(partsInHand(jobOf(plan, [off, { ...off, id: 'again' }]))).toEqual(['slave']);
  });
});
