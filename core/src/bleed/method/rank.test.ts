import { paths, type Layout } from '../../vehicle/circuit';
import { layoutTemplates } from '../../vehicle/circuit/templates';
import { fluidViscosity } from '../../fluid/verdict';
import { strokeVolume } from '../../hydraulics/order';
import { EVERYTHING, layoutOf } from '../../testing';
import { METHODS, USUAL_DAY, type Means, type Method } from '../../hydraulics/flow';
import { rankMethods, type MethodQuestion, type MethodRow, type MethodVerdict } from '.';

const hatchback = layoutOf('hatchback-diagonal');
const bike = layoutOf('motorcycle-front-disc');
const everywhere = (layout: Layout) =>
  new Set([...layout.nodes, ...layout.stretches].map((e) => e.id));
const rank = (layout: Layout, more: Partial<MethodQuestion> = {}) =>
  rankMethods({
    layout,
    bleederIds: layout.bleeders.map((b) => b.id),
    air: new Set(),
    empty: new Set(),
    means: EVERYTHING,
    circumstances: USUAL_DAY,
    viscosity: fluidViscosity('DOT 4', null, 20),
    strokeMl: (p) => strokeVolume(p.chamber).value,
    ...more,
  });
const row = (rows: readonly MethodRow[], method: Method) => rows.find((r) => r.method === method)!;
const SIGNS = { for: '+', mind: '!', against: '−', stops: '×' } as const;
/** What is said of a method, short: verdict, and every reason with its sign. */
const said = ({ verdict, reasons }: MethodRow) => [
  verdict,
  ...reasons.map((r) => `${SIGNS[r.weight]} ${r.code}`),
];
const saidOf = (method: Method, layout: Layout, more: Partial<MethodQuestion> = {}) =>
  said(row(rank(layout, more), method));

// A caution is nothing that speaks for a method.
test('no caution stands under a plus sign', () => {
  const CAUTIONS = [
    'loose threads',
    'bubbles mislead',
    'look at the level',
    'flow not laminar',
    'flow not known',
  ];
  for (const t of layoutTemplates)
    for (const r of rank(layoutOf(t.id), { means: { ...EVERYTHING, helper: false } }))
      for (const reason of r.reasons)
        if (CAUTIONS.includes(reason.code)) expect(['mind', 'against']).toContain(reason.weight);
});

// What each method is good and bad at: common practice, no source.
describe('every reason, on a car', () => {
  test.each<[Method, string[]]>([
    ['two people', ['feasible', '+ most velocity']],
    ['alone, bottle', ['feasible', '+ one person', '! loose threads']],
    ['pressure', ['feasible', '+ one person']],
    ['vacuum', ['feasible', '+ one person', '! bubbles mislead']],
    ['gravity', ['feasible', '+ clean and slow']],
    [
      'reverse',
      ['second best', '+ air goes the way it rises', '− dirty fluid', '− through a modulator'],
    ],
    ['alone at the lever', ['hopeless', '× not a motorcycle', '+ one person']],
    ['injection', ['hopeless', '× only for an air lock', '+ frees a port']],
  ])('fluid alone: %s', (method, expected) => {
    expect(saidOf(method, hatchback)).toEqual(expected);
  });

  test.each<[Method, string[]]>([
    ['two people', ['feasible', '+ carries', '+ most velocity']],
    ['pressure', ['feasible', '+ carries', '+ one person']],
    ['alone, bottle', ['second best', '+ carries', '+ one person', '− loose threads']],
    ['vacuum', ['second best', '+ carries', '+ one person', '− bubbles mislead']],
    ['gravity', ['second best', '+ carries', '+ clean and slow', '− too slow to carry']],
    [
      'reverse',
      ['second best', '+ carries', '+ air goes the way it rises', '− through a modulator'],
    ],
  ])('with air: %s', (method, expected) => {
    expect(saidOf(method, hatchback, { air: everywhere(hatchback) })).toEqual(expected);
  });
});

describe('what is at hand', () => {
  test.each<[keyof Means, Method, string]>([
    ['helper', 'two people', '× no helper'],
    ['bottle', 'alone, bottle', '× no bottle'],
    ['vacuumPump', 'vacuum', '× no pump'],
    ['pressurePot', 'pressure', '× no pot'],
    ['syringe', 'reverse', '× no syringe'],
  ])('without %s there is no %s, and another method is named', (mean, method, code) => {
    const rows = rank(hatchback, { means: { ...EVERYTHING, [mean]: false } });
    const left = row(rows, method);
    expect(said(left)).toEqual(expect.arrayContaining(['hopeless', code]));
    const best = rows[0]!;
    expect(best.method).not.toBe(method);
    // From below there is a cure of its own: what is dirty goes out downwards first.
    if (method !== 'reverse')
      expect(left.cures).toEqual([
        { kind: 'another method', elementId: best.method, byMm: null, becomes: best.verdict },
      ]);
    const without = said(row(rank(hatchback), method));
    expect(without).not.toContain(code);
  });

  test('fluid is injected only at a master that takes none, and only with a syringe', () => {
    const locked = { ...USUAL_DAY, takesNoFluid: true };
    expect(saidOf('injection', hatchback, { circumstances: locked })[0]).toBe('feasible');
    const means = { ...EVERYTHING, syringe: false };
    expect(saidOf('injection', hatchback, { circumstances: locked, means })).toContain(
      '× no syringe',
    );
  });

  // Until the port is free nothing else fills it: common practice, no source.
  test('a master that takes no fluid has its port freed first, whatever the workshop likes', () => {
    const locked = { ...USUAL_DAY, takesNoFluid: true, preferred: 'vacuum' as const };
    expect(rank(hatchback, { circumstances: locked })[0]!.method).toBe('injection');
    const none = rank(hatchback, {
      circumstances: locked,
      means: { ...EVERYTHING, syringe: false },
    });
    expect(none[0]!.method).not.toBe('injection');
  });

  // 0.05 mL/s: a model choice.
  test('gravity that hardly flows is hopeless, with the flow; a little faster it is not', () => {
    const narrow = (insideMm: number): Layout => ({
      ...hatchback,
      stretches: hatchback.stretches.map((s) => (s.kind === 'line' ? { ...s, insideMm } : s)),
    });
    const at = (insideMm: number) => row(rank(narrow(insideMm)), 'gravity');
    const slowest = (insideMm: number) =>
      Math.min(...at(insideMm).flows.map((f) => f.flowMlS!.value));
    const [shut, open] = [1.9, 2.4];
    expect(slowest(shut)).toBeLessThan(0.05);
    expect(slowest(open)).toBeGreaterThan(0.05);
    expect(at(shut)).toMatchObject({ verdict: 'hopeless' });
    expect(said(at(shut))).toContain('× hardly flows');
    expect(said(at(open))).not.toContain('× hardly flows');
    expect(at(open).verdict).not.toBe('hopeless');
  });

  test('where nothing can work there is no other method to name', () => {
    const layout = layoutOf('three-wheeler');
    const rows = rank(layout, { circumstances: { ...USUAL_DAY, axleHanging: true } });
    expect(rows.every((r) => r.verdict === 'hopeless')).toBe(true);
    expect(rows.flatMap((r) => r.cures.map((c) => c.kind))).not.toContain('another method');
  });

  test('a level that nobody watches is asked about: nobody beside, no bottle that refills', () => {
    const alone = { ...EVERYTHING, helper: false, selfRefilling: false };
    const asks = (means: Means) =>
      rank(hatchback, { means, circumstances: { ...USUAL_DAY, takesNoFluid: true } })
        .filter((r) => r.reasons.some((x) => x.code === 'look at the level'))
        .map((r) => r.method)
        .sort();
    expect(asks(alone)).toEqual(['gravity', 'pressure', 'vacuum']);
    expect(asks({ ...alone, helper: true })).toEqual([]);
    expect(asks({ ...alone, selfRefilling: true })).toEqual([]);
  });
});

describe('pressure on a reservoir', () => {
  const bears = (layout: Layout, makerPressureKpa: number | null): Layout => ({
    ...layout,
    reservoirs: layout.reservoirs.map((b) => ({ ...b, makerPressureKpa })),
  });

  // 70 kPa at the pot: common practice, no source.
  test.each<[string, Layout, number | null, MethodVerdict, number | null]>([
    ['a car, unsaid', hatchback, null, 'feasible', null],
    ['a car, the maker allows just as much', hatchback, 70, 'feasible', null],
    ['a car, the maker allows less', hatchback, 69, 'hopeless', 69],
    ['a motorcycle, unsaid', bike, null, 'hopeless', 0],
    ['a motorcycle, the maker allows just as much', bike, 70, 'feasible', null],
    ['a motorcycle, the maker allows less', bike, 69, 'hopeless', 69],
  ])('%s', (_, layout, kpa, verdict, bearsKpa) => {
    const pressure = row(rank(bears(layout, kpa)), 'pressure');
    expect(pressure.verdict).toBe(verdict);
    const weak = pressure.reasons.find((r) => r.code === 'no maker’s word');
    expect(weak?.figure?.value ?? null).toBe(bearsKpa);
    if (weak) {
      expect(weak.elementId).toBe(layout.reservoirs[0]!.id);
      expect(weak.figure!.rule).toMatch(kpa === null ? /^none without/ : /^by the maker$/);
    }
  });

  test('only the reservoir of what is opened counts', () => {
    const outfit = layoutOf('sidecar-outfit');
    const [first, ...others] = outfit.reservoirs;
    const one: Layout = {
      ...outfit,
      reservoirs: [
        { ...first!, makerPressureKpa: 80 },
        ...others.map((b) => ({ ...b, makerPressureKpa: 0 })),
      ],
    };
    const works = outfit.bleeders
      .map((b) => b.id)
      .filter((id) => row(rank(one, { bleederIds: [id] }), 'pressure').verdict !== 'hopeless');
    const fed = paths(outfit).filter((p) => p.chamber.fedBy === first!.id);
    expect(works.sort()).toEqual(fed.map((p) => p.bleeder.id).sort());
    expect(works.length).toBeLessThan(outfit.bleeders.length);
  });
});

describe('the day', () => {
  test('a worn master speaks against strokes, not against what leaves it at rest', () => {
    const rows = rank(hatchback, { circumstances: { ...USUAL_DAY, masterWorn: true } });
    const worn = rows.filter((r) => r.reasons.some((x) => x.code === 'worn master'));
    expect(worn.map((r) => r.method).sort()).toEqual([
      'alone at the lever',
      'alone, bottle',
      'two people',
    ]);
    const [master] = hatchback.masters;
    expect(master!.chambers.map((c) => c.id)).toContain(
      worn[0]!.reasons.find((x) => x.code === 'worn master')!.elementId,
    );
    expect(rows[0]!.method).toBe('pressure');
  });

  test('dirty fluid is not pushed up into the master; flushed downwards first, it may be', () => {
    const dirty = { circumstances: { ...USUAL_DAY, dirty: true }, air: everywhere(bike) };
    const reverse = row(rank(bike, dirty), 'reverse');
    expect(said(reverse)).toContain('− dirty fluid');
    expect(reverse.cures).toContainEqual({
      kind: 'flush downwards first',
      elementId: null,
      byMm: null,
      becomes: 'feasible',
    });
    expect(saidOf('reverse', bike, { air: everywhere(bike) })).toEqual([
      'feasible',
      '+ air goes the way it rises',
    ]);
  });

  test('what the workshop likes comes first among equals, and never before what works better', () => {
    const order = (preferred: Method) =>
      rank(hatchback, { circumstances: { ...USUAL_DAY, preferred } }).map((r) => r.method);
    expect(order('gravity')[0]).toBe('gravity');
    expect(order('reverse').indexOf('reverse')).toBe(5);
    expect(order('injection')[0]).toBe('two people');
    const liked = rank(hatchback, { circumstances: { ...USUAL_DAY, preferred: 'vacuum' } });
    expect(said(row(liked, 'vacuum'))).toContain('+ workshop likes it');
    expect(said(row(liked, 'gravity'))).not.toContain('+ workshop likes it');
  });

  test('among equals they stand in the order in which they are usually best', () => {
    const feasible = rank(hatchback)
      .filter((r) => r.verdict === 'feasible')
      .map((r) => r.method);
    expect(feasible).toEqual(METHODS.filter((m) => feasible.includes(m)));
    expect(rank(bike)[0]!.method).toBe('alone at the lever');
  });
});

describe('air that the flow leaves behind', () => {
  /** One vertical line of this bore that falls from the master to the brake. */
  const falling = (insideMm: number): Layout => ({
    ...bike,
    stretches: bike.stretches.map((s) => ({ ...s, insideMm })),
  });
  const slow = { strokeMl: () => 0.4 };

  test('a method that leaves air is ranked below every one that carries it', () => {
    const wide = falling(8);
    const rows = rank(wide, { air: everywhere(wide), ...slow });
    const leaves = rows.filter((r) =>
      r.reasons.some((x) => x.code === 'rises back' || x.code === 'too slow to carry'),
    );
    expect(leaves.map((r) => r.method)).toContain('alone at the lever');
    for (const r of leaves) expect(r.verdict).not.toBe('feasible');
    const carries = rows.findIndex((r) => r.method === 'reverse');
    expect(rows[carries]!.verdict).toBe('feasible');
    for (const r of leaves) expect(rows.indexOf(r)).toBeGreaterThan(carries);
  });

  test('where it rises back the method stops, and its end is raised by what the stretch falls', () => {
    const wide = falling(8);
    const lever = row(rank(wide, { air: everywhere(wide), ...slow }), 'alone at the lever');
    expect(lever.verdict).toBe('hopeless');
    const back = lever.reasons.find((r) => r.code === 'rises back')!;
    expect(back.figure!.label).toBe('Rise of a bubble here');
    const stretch = lever.deciding!;
    expect(stretch.verdict).toBe('rises back');
    expect(lever.cures).toContainEqual({
      kind: 'raise the bleeder’s end',
      elementId: back.elementId,
      byMm: Math.ceil(stretch.fallsMm),
      becomes: 'feasible',
    });
    // Tapping helps a bubble along and promises nothing.
    expect(lever.cures).toContainEqual({
      kind: 'tap',
      elementId: back.elementId,
      byMm: null,
      becomes: 'hopeless',
    });
  });

  test('it counts only where air may be', () => {
    const wide = falling(8);
    expect(saidOf('alone at the lever', wide, slow)).toEqual(['feasible', '+ one person']);
    const top = new Set([wide.stretches[0]!.id]);
    const air = row(rank(wide, { air: top, ...slow }), 'alone at the lever');
    expect(air.reasons.find((r) => r.code === 'rises back')?.elementId).toBe([...top][0]);
  });

  test('in a narrow line no bubble climbs, and the same strokes carry it', () => {
    const narrow = falling(2);
    expect(saidOf('alone at the lever', narrow, { air: everywhere(narrow), ...slow })).toEqual([
      'feasible',
      '+ carries',
      '+ one person',
    ]);
  });
});

describe('flow', () => {
  test('of strokes it is one stroke over its push, of a hand a millilitre a second', () => {
    const rows = rank(hatchback, { strokeMl: () => 6 });
    const flow = (method: Method) => row(rows, method).flows[0]!.flowMlS!;
    expect(flow('two people')).toMatchObject({ value: 4, label: 'Flow in the push', unit: 'mL/s' });
    expect(flow('alone at the lever').value).toBe(4);
    expect(flow('alone, bottle').value).toBe(2);
    expect(flow('reverse')).toMatchObject({ value: 1, label: 'Flow' });
    expect(flow('injection').value).toBe(1);
    expect(flow('two people').rule).toContain('1.5 s of push');
    expect(flow('reverse').rule).toBe('by hand, slow and steady');
  });

  test('under pressure it rests on head and viscosity, and more pressure moves more', () => {
    const rows = rank(hatchback);
    const { flowMlS } = row(rows, 'pressure').flows[0]!;
    expect(flowMlS!.from.map((f) => f.label)).toEqual([
      'Head',
      expect.stringMatching(/viscosity/i),
    ]);
    expect(flowMlS!.rule).toContain('70 kPa');
    const of = (method: Method) => row(rows, method).flows[0]!.flowMlS!.value;
    expect(of('pressure')).toBeGreaterThan(of('vacuum'));
    expect(of('vacuum')).toBeGreaterThan(of('gravity'));
  });

  test('without a viscosity it is said to be unknown where fluid flows by itself, and nowhere else', () => {
    const rows = rank(hatchback, { viscosity: null, air: everywhere(hatchback) });
    const unknown = rows.filter((r) => r.reasons.some((x) => x.code === 'flow not known'));
    expect(unknown.map((r) => r.method).sort()).toEqual(['gravity', 'pressure', 'vacuum']);
    for (const r of rows) {
      expect(r.reasons.some((x) => x.code === 'carries')).toBe(false);
      expect(r.flows.every((f) => (f.flowMlS === null) === unknown.includes(r))).toBe(true);
    }
  });

  test('a flow that is not laminar is said, where it is steady', () => {
    // Water-thin fluid, of which there is none: Reynolds numbers beyond 2,300.
    const thin = { ...fluidViscosity('DOT 4', null, 20)!, value: 0.2 };
    const rows = rank(hatchback, { viscosity: thin, strokeMl: () => 6 });
    const turbulent = rows.filter((r) => r.reasons.some((x) => x.code === 'flow not laminar'));
    expect(turbulent.map((r) => r.method)).toEqual(expect.arrayContaining(['pressure', 'vacuum']));
    for (const r of turbulent)
      expect(['two people', 'alone, bottle', 'alone at the lever']).not.toContain(r.method);
    expect(rank(hatchback).flatMap((r) => r.reasons.map((x) => x.code))).not.toContain(
      'flow not laminar',
    );
  });

  // By hand: reservoir less outlet; a leg that rises, or that is full of fluid, costs nothing.
  test('the head opens to reservoir, outlet and the legs that are full of air', () => {
    const [reservoir] = bike.reservoirs;
    const brake = bike.nodes.find((n) => n.id === bike.bleeders[0]!.at)!;
    const head = (empty: ReadonlySet<string>) =>
      row(rank(bike, { empty, air: empty }), 'gravity').flows[0]!.headMm;
    const full = head(new Set());
    expect(full.value).toBe(reservoir!.heightMm - brake.heightMm);
    expect(full.from.map((f) => [f.label, f.value])).toEqual([
      ['Reservoir at MAX', reservoir!.heightMm],
      ['Outlet', brake.heightMm],
    ]);
    const legs = bike.stretches.map((s) => {
      const at = (id: string) => bike.nodes.find((n) => n.id === id)!.heightMm;
      return { ...s, fallsMm: at(s.from) - at(s.to) };
    });
    const dry = head(new Set(legs.map((l) => l.id)));
    const falls = legs.filter((l) => l.fallsMm > 0);
    expect(dry.value).toBe(full.value - falls.reduce((sum, l) => sum + l.fallsMm, 0));
    expect(dry.from.slice(2).map((f) => f.label)).toEqual(falls.map((l) => l.name));
  });
});

// Valves that stop a bleed without being faulty: common practice, no source.
describe('valves', () => {
  const stoppedBy = (layout: Layout, code: string, more: Partial<MethodQuestion> = {}) =>
    rank(layout, more)
      .filter((r) => r.reasons.some((x) => x.code === code))
      .map((r) => r.method)
      .sort();

  test('a metering valve stops what pushes or sucks slowly, where the front is opened', () => {
    const estate = layoutOf('estate-front-rear');
    expect(stoppedBy(estate, 'metering valve')).toEqual(['pressure', 'vacuum']);
    const rear = estate.bleeders.map((b) => b.id).filter((id) => id.includes('rear'));
    expect(rear.length).toBeGreaterThan(0);
    expect(stoppedBy(estate, 'metering valve', { bleederIds: rear })).toEqual([]);
    expect(stoppedBy(estate, 'axle hangs')).toEqual([]);
    expect(stoppedBy(estate, 'residual valve')).toEqual([]);
  });

  test('a residual valve stops gravity alone, a load valve everything while the axle hangs', () => {
    expect(stoppedBy(layoutOf('veteran-single'), 'residual valve')).toEqual(['gravity']);
    const trike = layoutOf('three-wheeler');
    expect(stoppedBy(trike, 'axle hangs')).toEqual([]);
    const hanging = { circumstances: { ...USUAL_DAY, axleHanging: true } };
    expect(stoppedBy(trike, 'axle hangs', hanging)).toEqual([...METHODS].sort());
    // A hanging axle means nothing where no valve feels it.
    expect(stoppedBy(hatchback, 'axle hangs', hanging)).toEqual([]);
  });
});

describe('head', () => {
  /** The motorcycle with its reservoir this much above its bleeder. */
  const above = (mm: number): Layout => {
    const brake = bike.nodes.find((n) => n.id === bike.bleeders[0]!.at)!;
    return {
      ...bike,
      reservoirs: bike.reservoirs.map((b) => ({ ...b, heightMm: brake.heightMm + mm })),
    };
  };

  test('nothing flows by gravity from a reservoir that is not higher, and only gravity minds', () => {
    expect(saidOf('gravity', above(1))).toEqual(
      expect.arrayContaining(['hopeless', '× hardly flows']),
    );
    expect(saidOf('gravity', above(300))[0]).toBe('feasible');
    for (const mm of [0, -30]) {
      const rows = rank(above(mm));
      expect(said(row(rows, 'gravity'))).toEqual(expect.arrayContaining(['hopeless', '× no head']));
      expect(rows.filter((r) => r.reasons.some((x) => x.code === 'no head'))).toHaveLength(1);
    }
  });

  test.each([-30, 1])(
    'from %p mm of head, the millimetres that are named cure it at either end, and one less does not',
    (mm) => {
      const { cures } = row(rank(above(mm)), 'gravity');
      const { byMm } = cures[0]!;
      expect(cures).toEqual([
        { kind: 'raise the master’s end', elementId: 'front', byMm, becomes: 'feasible' },
        { kind: 'lower the bleeder', elementId: 'front', byMm, becomes: 'feasible' },
      ]);
      expect(saidOf('gravity', above(mm + byMm!))[0]).toBe('feasible');
      expect(saidOf('gravity', above(mm + byMm! - 1))[0]).toBe('hopeless');
    },
  );

  test('of a fluid of no known viscosity only the head is known: one millimetre more than is missing', () => {
    const unknown = { viscosity: null };
    const { cures } = row(rank(above(-30), unknown), 'gravity');
    expect(cures.map((c) => c.byMm)).toEqual([31, 31]);
    expect(saidOf('gravity', above(1), unknown)).not.toContain('× hardly flows');
  });

  test('of several bleeders without head the worst decides', () => {
    const low: Layout = {
      ...hatchback,
      reservoirs: hatchback.reservoirs.map((b) => ({ ...b, heightMm: 0 })),
    };
    const gravity = row(rank(low), 'gravity');
    const worst = Math.max(...gravity.flows.map((f) => -f.headMm.value));
    expect(gravity.reasons.filter((r) => r.code === 'no head')).toHaveLength(4);
    expect(gravity.cures[0]!.byMm).toBeGreaterThan(worst);
    const worstAt = gravity.flows.find((f) => -f.headMm.value === worst)!;
    expect(
      gravity.flows.filter((f) => f.bleederId === gravity.cures[0]!.elementId)[0]!.headMm.value,
    ).toBeLessThanOrEqual(worstAt.headMm.value + 200);
  });
});
