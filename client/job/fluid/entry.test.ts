import type { FluidRead } from '@brook/core/job/events';
import { fluidEntry } from '@brook/contract';
import {
  ambientHpaOf,
  asBefore,
  demandsOf,
  draftOf,
  airHere,
  emptySample,
  entryOf,
  openPoints,
  partsOf,
  readingEntryFault,
  readingsOf,
  sampleFaults,
  unanswered,
  verdictSoFar,
  type FluidDraft,
  type Known,
  type SampleDraft,
} from './entry';

const NOTHING: Known = {
  maker: null,
  lastDye: null,
  lastGrade: null,
  before: null,
  hasModulator: true,
};
const LOOKED: SampleDraft = {
  ...emptySample('reservoir'),
  colour: 'amber',
  clarity: 'clear',
  foreign: 'none',
};
const FULL: FluidDraft = {
  ...draftOf(null, NOTHING),
  cap: ['DOT 4'],
  samples: [LOOKED],
  fill: { grade: 'DOT 4', isoClass: null },
  newColour: 'clear',
};
const sampled = (more: Partial<SampleDraft>): FluidDraft => ({
  ...FULL,
  samples: [{ ...LOOKED, ...more }],
});

test('asks in the order in which a technician meets it: the cap, the look, what goes in, its colour', () => {
  const asked: (string | null)[] = [];
  let draft = draftOf(null, NOTHING);
  for (const part of [
    { cap: ['DOT 4'] },
    { samples: [LOOKED] },
    { fill: FULL.fill },
    { newColour: 'clear' },
  ] as const) {
    asked.push(unanswered(draft, NOTHING));
    draft = { ...draft, ...part } as FluidDraft;
  }
  expect(asked).toEqual([
    'Read the cap',
    'Look at the reservoir first',
    'Choose what goes in',
    'Look at the new fluid first',
  ]);
  expect(unanswered(draft, NOTHING)).toBeNull();
});

test('a layout without a modulator says nothing of stability control: it is asked', () => {
  expect(
    unanswered(
      { ...FULL, control: draftOf(null, { ...NOTHING, hasModulator: false }).control },
      NOTHING,
    ),
  ).toBe('Say whether it has ABS first');
});

test('a full draft is an entry that the contract takes, and comes back the same', () => {
  const entry = entryOf(
    {
      ...sampled({ water: '2,5', boiling: '178', air: '980', copper: '150', pH: '8' }),
      newDye: 'blue',
    },
    NOTHING,
  )!;
  expect(fluidEntry.parse(entry)).toEqual(entry);
  expect(entry.samples[0]).toMatchObject({
    water: { percent: 2.5, meterGrade: 'DOT 4' },
    boiling: { observedC: 178, ambientHpa: 980 },
  });
  expect(entryOf(draftOf({ ...entry, ...JUDGED }, NOTHING), NOTHING)).toEqual(entry);
});

/** What the server adds when it keeps an entry; the draft takes nothing from it. */
const JUDGED = { version: 3, lastDye: null, verdict: {}, rules: {} } as unknown as Pick<
  FluidRead,
  'version' | 'lastDye' | 'verdict' | 'rules'
>;

test.each<[Partial<SampleDraft>, string, RegExp]>([
  [{ water: '12' }, 'water', /between 0 and 10 %/],
  [{ water: 'wet' }, 'water', /not a number/],
  [{ water: '-1' }, 'water', /between 0 and 10 %/],
  [{ boiling: '80' }, 'boiling', /between 100 and 350/],
  [{ boiling: '180', air: '' }, 'air', /pressure, or the altitude/],
  [{ boiling: '180', air: '30' }, 'air', /between 500 and 1100 hPa/],
  [{ boiling: '180', air: '9000', airBy: 'altitude' }, 'air', /between -400 and 5000 m/],
  [{ copper: '2000' }, 'copper', /between 0 and 1000/],
  [{ pH: '15' }, 'pH', /between 0 and 14/],
])('%j is refused at its field and holds the entry back', (more, field, words) => {
  expect(sampleFaults({ ...LOOKED, ...more })).toEqual({ [field]: expect.stringMatching(words) });
  expect(unanswered(sampled(more), NOTHING)).toBe('Put the readings right first');
  expect(entryOf(sampled(more), NOTHING)).toBeNull();
});
test.each(['', ' ', '0', '3,2', '10'])('water "%s" is taken', (water) =>
  expect(readingEntryFault('waterPercent', water)).toBeNull(),
);

// ISO 2533:1975: 898.7 hPa at 1000 m.
test('an altitude stands for the pressure of its air', () => {
  expect(ambientHpaOf({ air: '1000', airBy: 'altitude' })).toBeCloseTo(898.7, 0);
  expect(ambientHpaOf({ air: '987', airBy: 'pressure' })).toBe(987);
  // A workshop that lies high says its own air: ISO 2533:1975, 898.7 hPa at 1,000 m.
  expect(ambientHpaOf(airHere(1000))).toBeCloseTo(898.7, 0);
  expect(ambientHpaOf(airHere(0))).toBe(1013);
});

test('the maker’s entry stands first and what is missing on the cap is no question then', () => {
  const known = {
    ...NOTHING,
    maker: { grades: ['DOT 4' as const], lowViscosity: true, order: null, intervalMonths: null },
  };
  expect(demandsOf({ ...FULL, cap: [] }, known)).toEqual([
    { source: 'maker', grades: ['DOT 4'], lowViscosity: true },
  ]);
  expect(unanswered({ ...FULL, cap: [] }, known)).toBe('Not this one');
  expect(
    unanswered({ ...FULL, cap: [], fill: { grade: 'DOT 4', isoClass: 'class 6' } }, known),
  ).toBeNull();
});

test('what the last fill was stands in the draft', () => {
  expect(draftOf(null, { ...NOTHING, lastGrade: 'DOT 5.1' }).inSystem).toBe('DOT 5.1');
});

test('the name trap asks for a second look, and another reading of the label is no yes', () => {
  const draft: FluidDraft = {
    ...FULL,
    cap: ['DOT 5.1'],
    fill: { grade: 'DOT 5.1', isoClass: null },
  };
  expect(unanswered(draft, NOTHING)).toBe('Read the label once more');
  expect(unanswered({ ...draft, labelRead: 'DOT 5' }, NOTHING)).toBe(
    'That is another fluid: choose again',
  );
  expect(unanswered({ ...draft, labelRead: 'DOT 5.1' }, NOTHING)).toBeNull();
});

test('a stop needs nothing more; a colour that nobody can explain waits for drops in water', () => {
  expect(
    unanswered({ ...sampled({ foreign: 'layers' }), fill: null, newColour: null }, NOTHING),
  ).toBeNull();
  expect(unanswered(sampled({ colour: null, dye: 'green' }), NOTHING)).toBe(
    'Put a few drops in water',
  );
  expect(
    unanswered(sampled({ colour: null, dye: 'green', dropsInWater: 'dissolve' }), NOTHING),
  ).toBeNull();
  expect(
    unanswered(sampled({ colour: null, dye: 'blue' }), { ...NOTHING, lastDye: 'blue' }),
  ).toBeNull();
});

test('what was only looked at is kept without a fluid, unless a question is open', () => {
  expect(readingsOf(sampled({ water: '0.8' }), NOTHING)).toMatchObject({
    fill: null,
    newColour: null,
    samples: [{ water: { percent: 0.8 } }],
  });
  expect(readingsOf(sampled({ water: '80' }), NOTHING)).toBeNull();
  expect(readingsOf({ ...FULL, cap: [] }, NOTHING)).toBeNull();
});

test('whom to follow counts only with a reason', () => {
  const conflict: FluidDraft = { ...FULL, cap: ['DOT 5'], part: ['DOT 4'], follow: 'part' };
  expect(verdictSoFar(conflict, NOTHING).hold).toBe('demands conflict');
  expect(verdictSoFar({ ...conflict, followWhy: 'Converted last year' }, NOTHING).verdict).toBe(
    'fill',
  );
});

describe('what the job before found', () => {
  const before = {
    cap: ['DOT 4'] as const,
    lowViscosity: true,
    control: 'stability control',
    seals: 'natural rubber',
    at: '2026-03-01T08:00:00Z',
  } as const;
  const known: Known = { ...NOTHING, before: { ...before, cap: [...before.cap] } };

  test('is asked about first, and nothing is taken for granted', () => {
    const draft = draftOf(null, known);
    expect(draft).toMatchObject({ asBefore: null, cap: [] });
    expect(unanswered({ ...FULL, asBefore: null }, known)).toContain('as before');
    expect(draftOf(null, NOTHING).asBefore).toBe('no');
  });

  test('is taken up by one tap, or asked anew', () => {
    const { at: _, lowViscosity, ...rest } = before;
    expect(asBefore('yes', known)).toEqual({
      asBefore: 'yes',
      ...rest,
      capLowViscosity: lowViscosity,
    });
    expect(asBefore('no', known)).toMatchObject({ cap: [], seals: 'ordinary', control: 'ABS' });
  });
});

describe('the parts of the fluid step', () => {
  const before = {
    cap: ['DOT 4' as const],
    lowViscosity: false,
    control: 'ABS' as const,
    seals: 'ordinary' as const,
    at: '2026-01-01T00:00:00Z',
  };

  test('of a dry system nothing is looked at; what is only looked at takes no fluid', () => {
    expect(partsOf({ inSystem: 'DOT 4' }, false)).toEqual(['cap', 'look', 'measure', 'fill']);
    expect(partsOf({ inSystem: 'unknown' }, false)).toEqual(['cap', 'look', 'measure', 'fill']);
    expect(partsOf({ inSystem: 'empty' }, false)).toEqual(['cap', 'fill']);
    expect(partsOf({ inSystem: 'DOT 4' }, true)).toEqual(['cap', 'look', 'measure']);
    // Said to be dry by mistake: whoever only looks can still look.
    expect(partsOf({ inSystem: 'empty' }, true)).toEqual(['cap', 'look', 'measure']);
  });

  test('each question stands in the part in which it is answered', () => {
    const fresh = { ...NOTHING, before, hasModulator: false };
    expect(openPoints(draftOf(null, fresh), fresh).map((p) => p.part)).toEqual([
      'cap',
      'cap',
      'cap',
      'look',
      'fill',
    ]);
    expect(openPoints({ ...FULL, newColour: null }, NOTHING)).toEqual([
      { part: 'fill', say: 'Look at the new fluid first' },
    ]);
    expect(openPoints(sampled({ water: '12' }), NOTHING)[0]).toEqual({
      part: 'measure',
      say: 'Put the readings right first',
    });
    // A colour that nobody can explain is settled where it is looked at.
    const green = sampled({ colour: null, dye: 'green' });
    expect(openPoints(green, NOTHING)).toEqual([{ part: 'look', say: 'Put a few drops in water' }]);
    expect(openPoints(FULL, NOTHING)).toEqual([]);
  });

  test('a stop asks nothing more', () => {
    expect(openPoints(sampled({ foreign: 'layers', colour: null }), NOTHING)).toEqual([]);
  });

  test('a job that goes on is as before only where it says the same as the job before', () => {
    const read = {
      ...entryOf(FULL, NOTHING)!,
      at: '2026-02-01T00:00:00Z',
      by: 'Una',
    } as unknown as FluidRead;
    const said = (known: Partial<NonNullable<Known['before']>>) =>
      draftOf(read, { ...NOTHING, before: { ...before, ...known } }).asBefore;
    expect(said({})).toBe('yes');
    expect(said({ cap: ['DOT 5.1'] })).toBe('no');
    expect(said({ lowViscosity: true })).toBe('no');
    expect(said({ control: 'none' })).toBe('no');
    expect(said({ seals: 'natural rubber' })).toBe('no');
    expect(draftOf(read, NOTHING).asBefore).toBe('no');
  });
});
