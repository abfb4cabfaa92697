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
