import { CAR, FERRY_VAN } from '../../testing/yard';
import { layoutOf } from '../../testing';
import { OPEN_ITEM_KINDS, type OpenItem } from './openItem';
import { joined, settles } from './vehicle';
import type { JobFacts } from './jobSays';

/** The place in the vehicle's order at which an open item stands. */
const STANDS = 5;
const BLEEDERS = CAR.bleeders.map((b) => b.id);
const item = (kind: OpenItem['kind'], where: string | null, more: Partial<OpenItem> = {}) => ({
  id: `job-1 ${kind}`,
  kind,
  weight: 'holds' as const,
  where,
  place: where,
  because: 'x',
  sinceMs: 0,
  order: { position: STANDS, receivedMs: 0 },
  by: 'Una',
  jobId: 'job-1',
  jobNumber: 1,
  ...more,
});

/** A job that was taken in after it and did nothing. */
const IDLE: JobFacts = {
  jobId: 'job-2',
  openedPosition: STANDS + 1,
  released: false,
  open: [],
  bled: {},
  renewed: [],
  cycled: [],
  stripped: {},
  mended: [],
  tightened: [],
  byFeel: [],
  proves: [],
  provedHeard: {},
  fluidPasses: false,
  afterClose: [],
};
/** Released, with its one control proved. */
const PROVED: JobFacts = { ...IDLE, released: true, proves: ['master'] };
/** In hand already when it came up. */
const IN_HAND = { openedPosition: STANDS - 1 };
const bled = (ids: readonly string[], heard = 0) =>
  Object.fromEntries(ids.map((id) => [id, heard]));
/** Whether a job like that settles it. */
const by = (m: OpenItem, job: Partial<JobFacts>, from = IDLE) =>
  settles({ ...from, ...job }, m, CAR);

test('a job that did nothing settles nothing', () => {
  for (const kind of OPEN_ITEM_KINDS)
    expect([kind, by(item(kind, 'left-rear'), {})]).toEqual([kind, false]);
});

// Each by what safety demands of its kind: pedal, joints, fluid. Facts of the trade, common practice, no source.
describe('by the proof of its control and a release', () => {
  test.each([
    'control not proved',
    'control soft',
    'part off',
    'drive failed',
    'marked',
    'done after close',
  ] as const)('%s', (kind) => {
    const m = item(kind, 'master');
    expect(by(m, PROVED)).toBe(true);
    expect(by(m, { ...PROVED, released: false })).toBe(false);
    expect(by(m, { ...PROVED, proves: [] })).toBe(false);
  });
  test('of the whole vehicle every control is proved', () => {
    const m = item('marked', null);
    const van = (proves: string[]) => settles({ ...PROVED, proves }, m, FERRY_VAN);
    expect(van(['master', 'clutch-master'])).toBe(true);
    expect(van(['master'])).toBe(false);
  });
  test('in hand when it came up: by who had heard of it, at its control and on the whole vehicle', () => {
    const m = item('control soft', 'master');
    const heard = (master: number, vehicle: number) =>
      by(m, { ...IN_HAND, provedHeard: { master, vehicle } }, PROVED);
    expect(heard(STANDS, STANDS)).toBe(true);
    expect(heard(STANDS - 1, STANDS)).toBe(false);
    expect(heard(STANDS, STANDS - 1)).toBe(false);
    expect(by(m, { ...IN_HAND, provedHeard: { master: STANDS } }, PROVED)).toBe(false);
    // Taken in at its very place it did not know of it.
    expect(by(m, { openedPosition: STANDS }, PROVED)).toBe(false);
  });
});

describe('by a bleed', () => {
  test.each(['air possible', 'bleeder left', 'seized', 'snapped'] as const)('%s', (kind) => {
    const m = item(kind, 'left-rear');
    expect(by(m, { bled: bled(['left-rear']) })).toBe(true);
    expect(by(m, { bled: bled(['right-rear']) })).toBe(false);
    // In hand when it came up: by who had heard of it.
    expect(by(m, { ...IN_HAND, bled: bled(['left-rear'], STANDS) })).toBe(true);
    expect(by(m, { ...IN_HAND, bled: bled(['left-rear'], STANDS - 1) })).toBe(false);
  });
  test.each([null, 'a bleeder that was there once'])(
    'a place that nobody can name, %s, is every bleeder',
    (where) => {
      const m = item('air possible', where);
      expect(by(m, { bled: bled(BLEEDERS) })).toBe(true);
      for (const left of BLEEDERS)
        expect(by(m, { bled: bled(BLEEDERS.filter((id) => id !== left)) })).toBe(false);
    },
  );
  test('a base bleed: every bleeder behind that modulator, and none that is not', () => {
    const m = item('base bleed owed', 'modulator-front');
    const van = (ids: readonly string[]) => settles({ ...IDLE, bled: bled(ids) }, m, FERRY_VAN);
    expect(van(['left-front', 'right-front'])).toBe(true);
    expect(van(['left-front'])).toBe(false);
    expect(van(['left-rear', 'right-rear', 'slave-bleeder'])).toBe(false);
  });
  test('a stop by the fluid: fluid that passes, every bleeder, and a release', () => {
    const all = { bled: bled(BLEEDERS), fluidPasses: true, released: true };
    for (const where of [null, 'left-rear']) {
      const m = item('stop verdict', where);
      expect(by(m, all)).toBe(true);
      expect(by(m, { ...all, fluidPasses: false })).toBe(false);
      expect(by(m, { ...all, released: false })).toBe(false);
      expect(by(m, { ...all, bled: {} })).toBe(false);
    }
    expect(by(item('stop verdict', 'left-rear'), { ...all, bled: bled(['left-rear']) })).toBe(true);
    expect(by(item('stop verdict', null), { ...all, bled: bled(['left-rear']) })).toBe(false);
  });
});

describe('by the tool', () => {
  const m = item('tool cycle owed', 'modulator-primary');
  test('the cycle of that modulator, in a job that was taken in after it', () => {
    const cycled = ['modulator-primary'];
    expect(by(m, { cycled })).toBe(true);
    expect(by(m, { ...IN_HAND, cycled })).toBe(false);
    expect(by(m, { cycled: ['modulator-secondary'] })).toBe(false);
    expect(by({ ...m, where: null }, { cycled })).toBe(false);
  });
});

describe('by a mend or a torque', () => {
  test('a leak: mended, and looked at by whoever releases', () => {
    const m = item('leak', 'left-rear');
    const mended = [m.id];
    expect(by(m, { mended }, PROVED)).toBe(true);
    expect(by(m, { mended })).toBe(false);
    expect(by(m, { mended: ['another'] }, PROVED)).toBe(false);
  });
  test.each(['look again', 'not back on'] as const)('%s: when somebody says so', (kind) => {
    const m = item(kind, 'left-rear');
    expect(by(m, { mended: [m.id] })).toBe(true);
    expect(by(m, { tightened: ['left-rear'] }, PROVED)).toBe(false);
  });
  test('a joint off its value: mended, or tightened to it', () => {
    const m = item('tightness', 'left-rear');
    expect(by(m, { mended: [m.id] })).toBe(true);
    expect(by(m, { tightened: ['left-rear'] })).toBe(true);
    expect(by(m, { tightened: ['right-rear'] }, PROVED)).toBe(false);
    expect(by({ ...m, where: null }, { tightened: ['left-rear'] })).toBe(false);
  });
  test('by feel: that too, or found dry by a later release that did not leave it by feel itself', () => {
    const m = item('by feel', 'left-rear');
    expect(by(m, { mended: [m.id] })).toBe(true);
    expect(by(m, { tightened: ['left-rear'] })).toBe(true);
    expect(by(m, {}, PROVED)).toBe(true);
    expect(by(m, { byFeel: ['left-rear'] }, PROVED)).toBe(false);
    expect(by(m, { byFeel: ['right-rear'] }, PROVED)).toBe(true);
    expect(by({ ...m, where: null }, {}, PROVED)).toBe(false);
    expect(by({ ...m, where: null }, { tightened: ['left-rear'] })).toBe(false);
  });
  test('a lamp that was lit: by a release, which asks for it', () => {
    expect(by(item('lamp lit', null), { released: true })).toBe(true);
  });
});

describe('by what was renewed', () => {
  test.each(['wrong fluid', 'product not known'] as const)('%s: all rubber, proved', (kind) => {
    const m = item(kind, 'left-rear');
    const stripped = (at: number) => ({ stripped: { reservoir: at } });
    expect(by(m, stripped(0), PROVED)).toBe(true);
    expect(by(m, stripped(0))).toBe(false);
    expect(by(m, {}, PROVED)).toBe(false);
    // In hand when it came up: whoever renewed the rubber had heard of it.
    const inHand = { ...IN_HAND, provedHeard: { master: STANDS, vehicle: STANDS } };
    expect(by(m, { ...inHand, ...stripped(STANDS) }, PROVED)).toBe(true);
    expect(by(m, { ...inHand, ...stripped(STANDS - 1) }, PROVED)).toBe(false);
    expect(by(m, { bled: bled(BLEEDERS), renewed: BLEEDERS, fluidPasses: true }, PROVED)).toBe(
      false,
    );
  });
  test('of two bowls that nobody can tell apart, both', () => {
    const motorcycle = layoutOf('motorcycle-abs');
    const [one, two] = motorcycle.reservoirs.map((r) => r.id);
    const m = item('wrong fluid', null);
    const by = (stripped: Record<string, number>) =>
      settles({ ...PROVED, proves: motorcycle.masters.map((x) => x.id), stripped }, m, motorcycle);
    expect(by({ [one!]: 0, [two!]: 0 })).toBe(true);
    expect(by({ [one!]: 0 })).toBe(false);
  });
  test('a wrong grade: renewed and bled at every bleeder that its bowl feeds', () => {
    const m = item('wrong grade', 'reservoir');
    expect(by(m, { renewed: BLEEDERS, bled: bled(BLEEDERS) })).toBe(true);
    expect(by(m, { renewed: BLEEDERS })).toBe(false);
    expect(by(m, { bled: bled(BLEEDERS) })).toBe(false);
    expect(by(m, { renewed: BLEEDERS.slice(1), bled: bled(BLEEDERS) })).toBe(false);
    // Of a bowl that is none, everything.
    expect(by({ ...m, where: null }, { renewed: BLEEDERS, bled: bled(BLEEDERS) })).toBe(true);
    expect(by({ ...m, where: null }, { renewed: [], bled: {} })).toBe(false);
    const motorcycle = layoutOf('motorcycle-abs');
    const [bowl] = motorcycle.reservoirs;
    const fed = motorcycle.masters
      .filter((x) => x.chambers.some((c) => c.fedBy === bowl!.id))
      .map((x) => x.id);
    const mine = item('wrong grade', bowl!.id);
    const front = motorcycle.bleeders.filter((b) => b.id !== 'rear').map((b) => b.id);
    expect(fed).toEqual(['front-master']);
    expect(settles({ ...IDLE, renewed: front, bled: bled(front) }, mine, motorcycle)).toBe(true);
  });
  test('old fluid: renewed there; where nobody can say, everywhere', () => {
    expect(by(item('old fluid', 'left-rear'), { renewed: ['left-rear'] })).toBe(true);
    expect(by(item('old fluid', 'left-rear'), { bled: bled(BLEEDERS) })).toBe(false);
    expect(by(item('old fluid', null), { renewed: BLEEDERS })).toBe(true);
    expect(by(item('old fluid', null), { renewed: BLEEDERS.slice(1) })).toBe(false);
  });
});

describe('the same thing left twice', () => {
  const first = item('leak', 'left-rear', { weight: 'owed', because: 'wet' });
  const again = item('leak', 'left-rear', {
    id: 'job-2 leak',
    because: 'drips',
    order: { position: STANDS + 3, receivedMs: 0 },
  });
  test('is said once, by whoever said it first, with what is graver and the later place', () => {
    expect(joined([first], [again])).toEqual([
      { ...first, weight: 'holds', because: 'drips', order: again.order },
    ]);
    // What is no graver changes no word of it.
    expect(joined([{ ...first, weight: 'holds' }], [again])).toEqual([
      { ...first, weight: 'holds', order: again.order },
    ]);
    expect(joined([{ ...again }], [first])).toEqual([again]);
  });
  test('another kind, another place, or one that nobody can name is another thing', () => {
    for (const other of [
      { ...again, kind: 'air possible' as const },
      { ...again, where: 'right-rear' },
    ])
      expect(joined([first], [other])).toEqual([first, other]);
    const nowhere = item('marked', null);
    const too = { ...nowhere, id: 'v2' };
    expect(joined([nowhere], [too])).toEqual([nowhere, too]);
  });
});
