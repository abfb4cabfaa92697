import fc from 'fast-check';
import { paths, type Layout, behind } from '../../vehicle/circuit';
import { arbitraryLayout, carefulMaster, layoutOf } from '../../testing';
import {
  adviceWords,
  bleederWords,
  changeableParts,
  findScope,
  nameOf,
  partnerAdvice,
  PURPOSE_WORDS,
  PURPOSES,
  routineFlush,
  UNMET_WORDS,
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
const CARE = carefulMaster();

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

  // Nor does anybody know at which outlet of that reservoir it stopped: not knowing is never the smaller scope.
  test('a level that nobody kept or saw counts as dry, at every outlet of its reservoir', () => {
    expect(
      opened(hatchback, {
        parts: [{ partId: 'left-front-caliper', cappedAtOnce: true, keptFull: false }],
      }),
    ).toEqual(['left-front', 'left-rear', 'right-front', 'right-rear']);
    const van = layoutOf('clutch-concentric');
    const slave = { partId: 'slave', cappedAtOnce: true, keptFull: false };
    expect(opened(van, { masterIds: ['clutch-master'], parts: [slave] })).toHaveLength(5);
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
          lowest: [{ reservoirId: 'reservoir', belowMaxMm }],
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

  test('a smaller reservoir that ran dry opens its own end alone', () => {
    expect(
      opened(layoutOf('estate-front-rear'), {
        lowest: [{ reservoirId: 'rear-reservoir', belowMaxMm: 60 }],
      }),
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

// What follows from each cause: common practice, no source.
describe('why', () => {
  const findingOf = (layout: Layout, more: Partial<WorkDone>) =>
    findScope(layout, work(layout, more));
  const whyOf = (layout: Layout, bleederId: string, more: Partial<WorkDone>) =>
    findingOf(layout, more).bleeders.find((b) => b.bleederId === bleederId)!;
  const open = (partId: string) => ({ partId, cappedAtOnce: false, keptFull: true });

  test('each bleeder names the first element on its way that may hold air, from the master on', () => {
    expect(whyOf(hatchback, 'left-front', { parts: [capped('left-front-hose')] })).toEqual({
      bleederId: 'left-front',
      open: true,
      why: { code: 'air', cause: 'opened', elementId: 'left-front-hose' },
    });
    expect(whyOf(hatchback, 'right-rear', { parts: [open('left-front-hose')] }).why).toEqual({
      code: 'air',
      cause: 'climbed from the open joint',
      elementId: 'secondary-port',
    });
    expect(whyOf(hatchback, 'left-front', { purpose: 'new or dry' }).why).toEqual({
      code: 'air',
      cause: 'new or dry',
      elementId: 'secondary',
    });
  });

  test('what stays shut says for which reason', () => {
    expect(whyOf(hatchback, 'right-rear', { parts: [capped('left-front-hose')] })).toMatchObject({
      open: false,
      why: { code: 'behind a capped joint' },
    });
    expect(whyOf(hatchback, 'right-rear', { master: CARE })).toMatchObject({
      open: false,
      why: { code: 'master changed with care' },
    });
    // A part beside the master speaks for its own joint.
    expect(
      whyOf(hatchback, 'right-rear', { master: CARE, parts: [capped('left-front-hose')] }).why,
    ).toEqual({ code: 'behind a capped joint' });
    const van = layoutOf('clutch-concentric');
    expect(whyOf(van, 'left-rear', { masterIds: ['clutch-master'] })).toMatchObject({
      open: false,
      why: { code: 'not in hand' },
    });
    expect(whyOf(van, 'left-rear', { purpose: 'routine flush' }).why).toEqual({ code: 'flush' });
  });

  test('a cause that is known is not hidden by one that is guessed', () => {
    const { air } = findingOf(hatchback, {
      purpose: 'soft pedal',
      parts: [capped('left-front-hose')],
    });
    expect(air.get('left-front-hose')).toBe('opened');
    expect(air.get('left-front-caliper')).toBe('behind what was opened');
    expect(air.get('right-rear-sill')).toBe('soft pedal');
    expect(air.get('primary')).toBe('soft pedal');
  });

  test('what is done on one system says nothing of another', () => {
    const van = layoutOf('clutch-concentric');
    for (const purpose of ['soft pedal', 'new or dry'] as const) {
      const { air } = findingOf(van, { purpose, masterIds: ['clutch-master'] });
      expect(air.get('slave')).toBe(purpose);
      expect(air.has('modulator-front')).toBe(false);
    }
    // A master that is not in hand was not changed.
    const { air, unmet } = findingOf(van, {
      masterIds: ['master'],
      master: { ...CARE, masterId: 'clutch-master', heldDown: false },
    });
    expect([air.size, unmet]).toEqual([0, []]);
  });

  test('a changed master opens its own circuits, and names each condition that does not hold', () => {
    const van = layoutOf('clutch-concentric');
    const { air, unmet } = findingOf(van, {
      master: { ...CARE, masterId: 'clutch-master', linesStayedFull: false, bench: 'not done' },
    });
    expect(air.get('slave')).toBe('master changed');
    expect(air.has('front-port')).toBe(false);
    expect(unmet).toEqual([
      { partId: 'clutch-master', condition: 'linesStayedFull' },
      { partId: 'clutch-master', condition: 'bench' },
    ]);
  });

  // The outlet lies 48 mm below MAX; a level by eye is good to 5 mm [M].
  test('an outlet draws air at its own height, and where the eye cannot tell', () => {
    const at = (belowMaxMm: number) =>
      findingOf(hatchback, { lowest: [{ reservoirId: 'reservoir', belowMaxMm }] }).drewAir;
    expect([at(42), at(43), at(48)]).toEqual([[], ['master'], ['master']]);
    const estate = layoutOf('estate-front-rear');
    const { air } = findingOf(estate, {
      lowest: [{ reservoirId: 'rear-reservoir', belowMaxMm: 42 }],
    });
    expect(air.get('rear-chamber')).toBe('drew air at its outlet');
    expect(air.has('front-chamber')).toBe(false);
  });

  test('a level that somebody saw is not guessed, and one seen elsewhere does not count', () => {
    const lost = { partId: 'rear-hose', cappedAtOnce: true, keptFull: false };
    const estate = layoutOf('estate-front-rear');
    const seen = findingOf(estate, {
      parts: [lost],
      lowest: [{ reservoirId: 'rear-reservoir', belowMaxMm: 20 }],
    });
    expect([seen.unmet, seen.air.has('rear-chamber')]).toEqual([[], false]);
    const elsewhere = findingOf(estate, {
      parts: [lost],
      lowest: [{ reservoirId: 'front-reservoir', belowMaxMm: 20 }],
    });
    expect(elsewhere.unmet).toEqual([{ partId: 'rear-hose', condition: 'keptFull' }]);
    expect(elsewhere.air.get('rear-chamber')).toBe('drew air at its outlet');
    expect(elsewhere.air.has('front-chamber')).toBe(false);
  });

  test('whether air may sit inside the modulator goes by whether it ran empty', () => {
    const inside = (more: Partial<WorkDone>) => findingOf(hatchback, more).airInModulator;
    expect(inside({ modulatorOpened: true })).toBe(true);
    expect(inside({ airInModulator: true })).toBe(true);
    expect(inside({ purpose: 'new or dry' })).toBe(true);
    expect(inside({ master: { ...CARE, heldDown: false } })).toBe(false);
    expect(inside({ master: { ...CARE, modulatorLostNothing: false } })).toBe(true);
    // A bubble that passed on its way up leaves it full.
    expect(inside({ parts: [open('left-front-caliper')] })).toBe(false);
    expect(inside({ parts: [capped('left-front-caliper')] })).toBe(false);
    expect(inside({ parts: [capped('secondary-feed')] })).toBe(true);
    expect(inside({ purpose: 'soft pedal' })).toBe(false);
    // Without a modulator there is nothing to sit in.
    expect(
      findingOf(layoutOf('estate-front-rear'), { modulatorOpened: true, purpose: 'new or dry' })
        .airInModulator,
    ).toBe(false);
  });

  test('a modulator without its lines opens the circuit that it sits in, and no other', () => {
    const { air } = findingOf(hatchback, { parts: [capped('modulator-primary')] });
    expect(air.get('modulator-primary')).toBe('opened');
    expect(air.get('primary-feed')).toBe('modulator opened');
    expect(air.has('modulator-secondary')).toBe(false);
    const pockets = findingOf(hatchback, { airInModulator: true }).air;
    expect(pockets.get('secondary')).toBe('air in the modulator');
  });

  test('only a master that is new, dry or was not bled on the bench goes there', () => {
    const bench = (more: Partial<WorkDone>) => findingOf(hatchback, more).bench;
    expect(bench({})).toEqual([]);
    expect(bench({ master: CARE })).toEqual([]);
    expect(bench({ master: { ...CARE, bench: 'a few tiny bubbles' } })).toEqual([]);
    expect(bench({ master: { ...CARE, bench: 'not done' } })).toEqual(['master']);
    expect(bench({ purpose: 'new or dry' })).toEqual(['master']);
  });

  test('said aloud: the element by its name and what happened to it', () => {
    const say = (layout: Layout, bleederId: string, more: Partial<WorkDone>) =>
      bleederWords(layout, whyOf(layout, bleederId, more));
    expect(say(hatchback, 'left-front', { parts: [capped('left-front-hose')] })).toBe(
      'Hose left front was opened.',
    );
    expect(say(hatchback, 'left-front', { purpose: 'new or dry' })).toBe(
      'Secondary chamber is new or dry.',
    );
    expect(say(hatchback, 'left-front', { purpose: 'routine flush' })).toContain('Old fluid');
    expect(say(hatchback, 'left-front', { master: CARE })).toContain('bled on the bench');
    expect(say(hatchback, 'right-rear', { parts: [capped('left-front-hose')] })).toContain(
      'the joint was capped',
    );
    expect(
      say(layoutOf('clutch-concentric'), 'left-rear', { masterIds: ['clutch-master'] }),
    ).toContain('left rear belongs to a system that is not in hand');
  });

  test('every element has its own name, one that is not there its id', () => {
    expect(
      ['master', 'secondary', 'left-front-caliper', 'left-front-hose', 'reservoir', 'gone'].map(
        (id) => nameOf(hatchback, id),
      ),
    ).toEqual([
      'Master',
      'Secondary chamber',
      'Caliper left front',
      'Hose left front',
      'Reservoir',
      'gone',
    ]);
  });

  test('parts to change are brakes, slaves, modulators, valves and lines, not joints and ports', () => {
    const ids = changeableParts(layoutOf('estate-front-rear')).map((p) => p.id);
    for (const id of ['metering', 'left-rear-cylinder', 'rear-hose', 'left-front-caliper'])
      expect(ids).toContain(id);
    for (const id of ['front-tee', 'frame-front', 'front-port', 'master'])
      expect(ids).not.toContain(id);
    const modulator = changeableParts(hatchback).find((p) => p.id === 'modulator-primary');
    expect(modulator).toEqual({ id: 'modulator-primary', name: 'Modulator, primary circuit' });
    expect(changeableParts(layoutOf('clutch-external')).map((p) => p.id)).toContain('slave');
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
    // Of no known age nothing is advised: it is asked.
    const [asked] = partnerAdvice(outside, ['clutch-master'], []);
    expect(asked).toMatchObject({
      partnerId: 'slave',
      advise: 'ask its age',
      why: 'age not known',
    });
    expect(adviceWords(asked!)).toMatch(
      /ask its age or mileage, because nobody said how old it is/,
    );
    expect(
      partnerAdvice(outside, ['clutch-master'], [{ partId: 'slave', months: 24 }]),
    ).toMatchObject([{ advise: 'same job', why: 'old and outside' }]);
    expect(
      partnerAdvice(outside, ['clutch-master'], [{ partId: 'slave', months: 6 }]),
    ).toMatchObject([{ advise: 'leave it', why: 'lately renewed' }]);
    expect(partnerAdvice(layoutOf('clutch-concentric'), ['clutch-master'], [])).toMatchObject([
      { advise: 'next clutch job', why: 'inside the gearbox' },
    ]);
    expect(partnerAdvice(outside, ['slave'], [])).toMatchObject([
      { partnerId: 'clutch-master', advise: 'ask its age' },
    ]);
  });

  test.each([
    [23, 'leave it'],
    [24, 'same job'],
    [null, 'same job'],
  ])('renewed %p months ago: %s', (months, advise) => {
    const ages = [{ partId: 'right-front-caliper', months }];
    expect(partnerAdvice(hatchback, ['left-front-caliper'], ages)).toMatchObject([{ advise }]);
  });

  test('pairs are those of one axle, and nobody’s partner is himself or the other end', () => {
    const partners = (layout: Layout, id: string) =>
      partnerAdvice(layout, [id], []).map((a) => a.partnerId);
    expect(partners(hatchback, 'left-rear-caliper')).toEqual(['right-rear-caliper']);
    expect(partners(hatchback, 'right-front-caliper')).toEqual(['left-front-caliper']);
    expect(partners(layoutOf('motorcycle-front-disc'), 'caliper')).toEqual([]);
    // A brake master has no partner, nor has a hose.
    expect(partners(hatchback, 'master')).toEqual([]);
    expect(partners(hatchback, 'left-front-hose')).toEqual([]);
    // Only the clutch’s own master, though both draw from one reservoir.
    expect(partners(layoutOf('clutch-concentric'), 'slave')).toEqual(['clutch-master']);
  });

  test('advice names the partner, what to do and why', () => {
    const say = (...args: Parameters<typeof partnerAdvice>) =>
      partnerAdvice(...args).map(adviceWords);
    expect(say(hatchback, ['left-front-caliper'], [])).toEqual([
      'Caliper right front: renew it in this job, because brakes are renewed in axle pairs.',
    ]);
    expect(
      say(layoutOf('clutch-external'), ['clutch-master'], [{ partId: 'slave', months: 6 }]),
    ).toEqual(['Clutch slave: leave it, because it was renewed lately.']);
    expect(say(layoutOf('clutch-concentric'), ['clutch-master'], [])[0]).toContain(
      'Concentric slave: leave it for now',
    );
  });
});

// Common practice, no source.
test('a routine flush leaves the modulator and every part as they are', () => {
  expect(routineFlush(['master'])).toMatchObject({
    purpose: 'routine flush',
    masterIds: ['master'],
    parts: [],
    lowest: [],
    master: null,
  });
});

test('every purpose and every condition has its words', () => {
  expect(new Set(PURPOSES.map((p) => PURPOSE_WORDS[p].title)).size).toBe(PURPOSES.length);
  expect(new Set(Object.values(UNMET_WORDS)).size).toBe(Object.keys(UNMET_WORDS).length);
});
