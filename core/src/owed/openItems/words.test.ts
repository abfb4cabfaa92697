import { groupOpenItems, openItemClearsWhen, openItemTitle, owesCount, type OpenItem } from '.';

// What is read aloud across the bench: of one place, and of the whole vehicle.
test.each<[OpenItem['kind'], string, string]>([
  ['leak', 'Leak: left rear', 'Leak'],
  ['wrong fluid', 'Wrong fluid inside, left rear', 'Wrong fluid inside'],
  ['wrong grade', 'A wrong grade inside, left rear', 'A wrong grade inside'],
  [
    'product not known',
    'Nobody knows what was poured in, left rear',
    'Nobody knows what was poured in',
  ],
  ['look again', 'Left rear: look at it again', 'Look at it again'],
])('%s: “%s” at a place, “%s” of the whole vehicle', (kind, there, whole) => {
  expect(openItemTitle({ kind, place: 'Left rear' })).toBe(there);
  expect(openItemTitle({ kind, place: null })).toBe(whole);
});

// Each kind as it is said of one place, what clears it, and whether any begun job leaves it.
const SAID: Readonly<Record<OpenItem['kind'], readonly [string, RegExp, boolean]>> = {
  'control not proved': ['Left rear not proved', /proof of the left rear and a release/, true],
  'control soft': ['Left rear not right', /proof of the left rear and a release/, false],
  'air possible': ['Air may be behind the left rear', /bleeding the left rear/, true],
  'part off': ['Left rear: off, or not proved since', /fitting it, bleeding what hangs/, false],
  'not back on': ['Left rear, not back on', /when it is back on/, false],
  'tool cycle owed': ['Tool cycle owed, left rear', /cycle and the bleed after it/, false],
  'base bleed owed': ['Base bleed owed, left rear', /every bleeder behind it/, true],
  'bleeder left': ['Left rear left unbled', /bleeding the left rear/, false],
  seized: ['Left rear seized', /bleeding the left rear/, false],
  snapped: ['Left rear snapped', /renewing it and bleeding the left rear/, false],
  leak: ['Leak: left rear', /a mend that was looked at, and a release/, false],
  'stop verdict': ['The fluid stopped the job', /every bleeder bled, and a release/, false],
  'wrong fluid': ['Wrong fluid inside, left rear', /renews every rubber part/, false],
  'wrong grade': ['A wrong grade inside, left rear', /renewing the fluid at every bleeder/, false],
  'product not known': [
    'Nobody knows what was poured in, left rear',
    /renews every rubber part/,
    false,
  ],
  'drive failed': ['The test drive failed', /a proof after it, and a release/, false],
  marked: ['Marked by hand', /proves every control, or when somebody says/, false],
  'done after close': [
    'Something was said or done after its job was closed',
    /looks at it and proves every control/,
    false,
  ],
  'look again': ['Left rear: look at it again', /put right, and somebody says/, false],
  tightness: ['Left rear: look at its tightness', /tightening it to the manual’s value/, false],
  'by feel': [
    'Left rear: no torque written',
    /torque is noted, or a later job finds it dry/,
    false,
  ],
  'lamp lit': ['A lamp was lit', /proof that the lamps are out/, false],
  'old fluid': ['Old fluid left at the left rear', /renewing it there/, false],
};
const SAID_KINDS = Object.keys(SAID) as OpenItem['kind'][];

test.each(SAID_KINDS)('%s in its words, and after what it is named', (kind) => {
  const [title, clears, asAnyJob] = SAID[kind];
  expect(openItemTitle({ kind, place: 'left rear' })).toBe(title);
  expect(openItemClearsWhen({ kind, place: 'left rear' })).toMatch(clears);
  // What any begun job leaves comes behind what went wrong, whichever was there first.
  const m = (k: OpenItem['kind'], because: string) =>
    ({ kind: k, weight: 'holds', place: null, jobId: 'j', because }) as OpenItem;
  const [first] = groupOpenItems([m(kind, 'asked about'), m('leak', 'went wrong')]);
  expect(first!.openItems[0].because).toBe(asAnyJob ? 'went wrong' : 'asked about');
});

test('what clears it names its place; what was left behind ends by a look as well', () => {
  const m = { kind: 'air possible' as const, place: 'left rear' };
  expect(openItemClearsWhen(m)).toBe('Clears by bleeding the left rear.');
  expect(openItemClearsWhen({ ...m, place: null })).toBe('Clears by bleeding the vehicle.');
  expect(openItemClearsWhen({ ...m, leftBehind: true })).toBe(
    'Clears when somebody says what they looked at here, or else: clears by bleeding the left rear.',
  );
});

describe('what is said in one go', () => {
  const at = (kind: OpenItem['kind'], place: string, more: Partial<OpenItem> = {}): OpenItem => ({
    id: `${kind} ${place}`,
    kind,
    weight: 'holds',
    where: place,
    place,
    because: 'Begun',
    sinceMs: 0,
    by: 'Una',
    jobId: 'job-1',
    jobNumber: 1,
    ...more,
  });
  const titles = (...m: readonly OpenItem[]) => groupOpenItems(m).map((g) => g.title);
  test('places of one kind, cause, job and weight', () => {
    const one = at('air possible', 'left rear');
    const two = at('air possible', 'right rear');
    const three = at('air possible', 'left front');
    expect(titles(one)).toEqual(['Air may be behind the left rear']);
    expect(titles(one, two)).toEqual(['Air may be behind the left rear and right rear']);
    expect(titles(one, two, three)).toEqual([
      'Air may be behind the left rear, right rear and left front',
    ]);
    for (const apart of [
      { because: 'Seen' },
      { jobId: 'job-2' },
      { weight: 'owed' },
      { kind: 'leak' },
    ] as const)
      expect(titles(one, { ...two, ...apart })).toHaveLength(2);
  });
  test('what went wrong first, then what any begun job leaves, then what is owed', () => {
    const begun = at('control not proved', 'brake pedal');
    const wrong = at('leak', 'left rear');
    const owed = at('old fluid', 'left rear', { weight: 'owed' });
    expect(titles(owed, begun, wrong)).toEqual([
      'Leak: left rear',
      'Brake pedal not proved',
      'Old fluid left at the left rear',
    ]);
  });
  test('by feel is on the list and not counted', () => {
    expect(owesCount([at('by feel', 'left rear'), at('leak', 'left rear')])).toBe(1);
  });
});
