import fc from 'fast-check';
import { paths, type Layout } from '../circuit';
import { arbitraryLayout, layoutOf } from '../testing';
import {
  adviceWords,
  behind,
  bleederWords,
  changeableParts,
  findScope,
  partnerAdvice,
  PURPOSE_WORDS,
  PURPOSES,
  routineFlush,
  UNMET_WORDS,
  type MasterChanged,
  type WorkDone,
} from '.';

const all = (layout: Layout) => layout.masters.map((m) => m.id);
const work = (layout: Layout, more: Partial<WorkDone>): WorkDone => ({
  ...routineFlush(all(layout)),
  purpose: 'after work',
  ...more,
});
const opened = (layout: Layout, more: Partial<WorkDone>) =>
  findScope(layout, work(layout, more))
    .bleeders.filter((b) => b.open)
    .map((b) => b.bleederId)
    .sort();
const capped = (partId: string) => ({ partId, cappedAtOnce: true, keptFull: true });
const hatchback = layoutOf('hatchback-diagonal');
const CARE: MasterChanged = {
  masterId: 'master',
  linesStayedFull: true,
  linesAboveWheels: true,
  nothingElseOpened: true,
  modulatorLostNothing: true,
  heldDown: true,
  bench: 'clean',
};

// Which bleeders each kind of work asks for: common practice, no source.
describe('what must be opened', () => {
  test('a flush and a soft pedal open every bleeder in hand', () => {
    for (const purpose of ['routine flush', 'soft pedal'] as const)
      expect(opened(hatchback, { purpose })).toHaveLength(4);
    const van = layoutOf('clutch-concentric');
    expect(opened(van, { purpose: 'routine flush', masterIds: ['clutch-master'] })).toEqual([
      'slave-bleeder',
    ]);
  });

  test('a caliper changed with the joint capped and the master full: that corner and no other', () => {
    expect(opened(hatchback, { parts: [capped('left-front-caliper')] })).toEqual(['left-front']);
    expect(opened(hatchback, { parts: [capped('left-front-hose')] })).toEqual(['left-front']);
  });

  test('the hose of a drum axle opens both its wheels', () => {
    expect(opened(layoutOf('estate-front-rear'), { parts: [capped('rear-hose')] })).toEqual([
      'left-rear',
      'right-rear',
    ]);
  });

  test('a joint left open lets air climb: whatever rises from it joins in', () => {
    // From the front bracket the line rises to the modulator, and from there to the master: the whole circuit.
    expect(
      opened(hatchback, {
        parts: [{ partId: 'left-front-caliper', cappedAtOnce: false, keptFull: true }],
      }),
    ).toEqual(['left-front', 'right-rear']);
    const finding = findScope(
      hatchback,
      work(hatchback, {
        parts: [{ partId: 'left-front-caliper', cappedAtOnce: false, keptFull: true }],
      }),
    );
    expect(finding.unmet).toEqual([{ partId: 'left-front-caliper', condition: 'cappedAtOnce' }]);
  });

  test('a stretch that falls away from the open joint holds the air up', () => {
    // Behind the hump of the sidecar line the air cannot come back down to the tee, so the rear wheel may stay shut.
    const outfit = layoutOf('sidecar-outfit');
    expect(
      opened(outfit, {
        parts: [{ partId: 'sidecar-caliper', cappedAtOnce: false, keptFull: true }],
      }),
    ).toEqual(['sidecar']);
  });

  test('a level that nobody kept or saw counts as dry', () => {
    expect(
      opened(hatchback, {
        parts: [{ partId: 'left-front-caliper', cappedAtOnce: true, keptFull: false }],
      }),
    ).toEqual(['left-front', 'right-rear']);
  });

  test('a master changed with every care leaves the wheels shut; any condition that fails opens all of them', () => {
    expect(opened(hatchback, { master: CARE })).toEqual([]);
    for (const key of [
      'linesStayedFull',
      'linesAboveWheels',
      'nothingElseOpened',
      'modulatorLostNothing',
      'heldDown',
    ] as const) {
      expect(opened(hatchback, { master: { ...CARE, [key]: false } })).toHaveLength(4);
    }
    for (const bench of ['a few tiny bubbles', 'not done'] as const)
      expect(opened(hatchback, { master: { ...CARE, bench } })).toHaveLength(4);
    expect(
      findScope(hatchback, work(hatchback, { master: { ...CARE, bench: 'not done' } })).bench,
    ).toEqual(['master']);
  });

  test('the lowest level decides between clutch and brakes on a shared reservoir', () => {
    // The clutch's outlet lies 38 mm below MAX, those of the brakes 52 mm.
    const van = layoutOf('clutch-concentric');
    const seen = (belowMaxMm: number) =>
      findScope(
        van,
        work(van, {
          masterIds: ['clutch-master'],
          parts: [capped('slave')],
          lowest: [{ bowlId: 'bowl', belowMaxMm }],
        }),
      );
    expect(seen(30).drewAir).toEqual([]);
    expect(seen(40).drewAir).toEqual(['clutch-master']);
    expect(
      seen(40)
        .bleeders.filter((b) => b.open)
        .map((b) => b.bleederId),
    ).toEqual(['slave-bleeder']);
    expect(seen(55).drewAir).toEqual(['master', 'clutch-master']);
    expect(seen(55).bleeders.every((b) => b.open)).toBe(true);
    expect(seen(55).airInModulator).toBe(true);
  });

  test('a smaller bowl that ran dry opens its own end alone', () => {
    expect(
      opened(layoutOf('estate-front-rear'), { lowest: [{ bowlId: 'rear-bowl', belowMaxMm: 60 }] }),
    ).toEqual(['left-rear', 'right-rear']);
  });

  test('a modulator that was opened asks for both its circuits and may hold air inside; a soft pedal does not say so', () => {
    const finding = findScope(hatchback, work(hatchback, { modulatorOpened: true }));
    expect(finding.bleeders.every((b) => b.open)).toBe(true);
    expect(finding.airInModulator).toBe(true);
    expect(findScope(hatchback, work(hatchback, { purpose: 'soft pedal' })).airInModulator).toBe(
      false,
    );
    expect(
      findScope(hatchback, work(hatchback, { parts: [capped('modulator-primary')] }))
        .airInModulator,
    ).toBe(true);
  });

  test('a new or dry system opens everything, every master on the bench first', () => {
    const coupe = layoutOf('sports-coupe');
    expect(opened(coupe, { purpose: 'new or dry' })).toHaveLength(5);
    expect(findScope(coupe, work(coupe, { purpose: 'new or dry' })).bench).toEqual([
      'master',
      'clutch-master',
    ]);
  });
});

describe('what must always hold', () => {
  test('a bleeder behind a capped joint is never asked for, one behind the part always', () => {
    fc.assert(
      fc.property(arbitraryLayout, fc.nat(), (layout, pick) => {
        const parts = changeableParts(layout).filter(
          (p) => !layout.nodes.some((n) => n.id === p.id && n.kind === 'modulator'),
        );
        const part = parts[pick % parts.length]!;
        const reached = behind(layout, part.id);
        const finding = findScope(layout, work(layout, { parts: [capped(part.id)] }));
        for (const p of paths(layout)) {
          const found = finding.bleeders.find((b) => b.bleederId === p.bleeder.id)!;
          expect(found.open).toBe(reached.has(p.bleeder.at));
          expect(bleederWords(layout, found)).toMatch(/\.$/);
        }
      }),
    );
  });

  test('less care never asks for fewer bleeders', () => {
    fc.assert(
      fc.property(arbitraryLayout, fc.nat(), (layout, pick) => {
        const parts = changeableParts(layout);
        const partId = parts[pick % parts.length]!.id;
        const careful = opened(layout, { parts: [capped(partId)] });
        for (const [cappedAtOnce, keptFull] of [
          [false, true],
          [true, false],
          [false, false],
        ] as const) {
          expect(opened(layout, { parts: [{ partId, cappedAtOnce, keptFull }] })).toEqual(
            expect.arrayContaining(careful),
          );
        }
      }),
    );
  });
});

// Brakes in axle pairs; master and slave of a clutch wear together: common practice, no source.
describe('parts that wear together', () => {
  test('the other caliper of the axle, in the same job', () => {
    const [advice] = partnerAdvice(hatchback, ['left-front-caliper'], []);
    expect(advice).toMatchObject({
      partnerId: 'right-front-caliper',
      advise: 'same job',
      why: 'axle pair',
    });
    expect(adviceWords(advice!)).toContain('axle pairs');
    expect(partnerAdvice(hatchback, ['left-front-caliper', 'right-front-caliper'], [])).toEqual([]);
  });

  test('a slave outside is advised, one inside the gearbox is put down for later, one lately renewed is left', () => {
    const outside = layoutOf('clutch-external');
    expect(partnerAdvice(outside, ['clutch-master'], [])).toMatchObject([
      { partnerId: 'slave', advise: 'same job' },
    ]);
    expect(
      partnerAdvice(outside, ['clutch-master'], [{ partId: 'slave', months: 6 }]),
    ).toMatchObject([{ advise: 'leave it', why: 'lately renewed' }]);
    expect(partnerAdvice(layoutOf('clutch-concentric'), ['clutch-master'], [])).toMatchObject([
      { advise: 'next clutch job', why: 'inside the gearbox' },
    ]);
    expect(partnerAdvice(outside, ['slave'], [])).toMatchObject([
      { partnerId: 'clutch-master', advise: 'same job' },
    ]);
  });
});

test('every purpose and every condition has its words', () => {
  expect(new Set(PURPOSES.map((p) => PURPOSE_WORDS[p].title)).size).toBe(PURPOSES.length);
  expect(new Set(Object.values(UNMET_WORDS)).size).toBe(Object.keys(UNMET_WORDS).length);
});
