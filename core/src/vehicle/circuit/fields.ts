import type { Layout } from './layout';
import type { Range } from '../../base/units';
import { RANGES } from './ranges';

/** One size of an element: what it is called, in what range, and whether nobody need know it. */
export interface SizeField {
  readonly key: string;
  readonly range: Range;
  readonly optional?: boolean;
}

const field = (key: string, range: Range, optional = false): SizeField => ({
  key,
  range,
  optional,
});
const HEIGHT = field('heightMm', RANGES.heightMm);
const ACTUATOR = [
  HEIGHT,
  field('cavityMl', RANGES.cavityMl),
  field('pistonMm', RANGES.pistonMm),
  field('pistons', RANGES.pistons),
  field('retractionMm', RANGES.retractionMm),
];

/** The sizes that each kind of element has, in the order in which they are asked and checked. */
export const SIZE_FIELDS = {
  reservoir: [
    HEIGHT,
    field('maxMl', RANGES.maxMl),
    field('minMl', RANGES.minMl),
    field('makerPressureKpa', RANGES.makerPressureKpa, true),
  ],
  master: [HEIGHT, field('ratio', RANGES.ratio)],
  chamber: [
    field('boreMm', RANGES.boreMm),
    field('fullStrokeMm', RANGES.fullStrokeMm),
    field('bleedStrokeMm', RANGES.bleedStrokeMm),
  ],
  outlet: [field('airDrawnMl', RANGES.airDrawnMl), field('belowMaxMm', RANGES.belowMaxMm)],
  port: [HEIGHT],
  joint: [HEIGHT],
  tee: [HEIGHT],
  valve: [HEIGHT],
  modulator: [HEIGHT, field('openPathMl', RANGES.openPathMl), field('pocketsMl', RANGES.pocketsMl)],
  caliper: ACTUATOR,
  'wheel cylinder': ACTUATOR,
  slave: ACTUATOR,
  line: [field('lengthMm', RANGES.lengthMm), field('insideMm', RANGES.insideMm)],
  hose: [
    field('lengthMm', RANGES.lengthMm),
    field('insideMm', RANGES.insideMm),
    field('wideningMlPerM', RANGES.wideningMlPerM, true),
  ],
  fitting: [field('wrenchMm', RANGES.wrenchMm, true), field('torqueNm', RANGES.torqueNm, true)],
} as const satisfies Record<string, readonly SizeField[]>;

export type SizedKind = keyof typeof SIZE_FIELDS;

/** One thing with sizes: which kind, whose id a fault names, and what holds the sizes. */
export interface Sized {
  readonly kind: SizedKind;
  readonly element: string;
  readonly name: string;
  readonly holder: object;
}

/** Everything in a layout that has sizes, in its order. */
export function sizedThings(layout: Layout): Sized[] {
  const fittings = (
    element: string,
    name: string,
    fitting: Layout['bleeders'][number]['fitting'] | null,
  ): Sized[] =>
    fitting
      ? [fitting.listed, fitting.found].flatMap((holder) =>
          holder ? [{ kind: 'fitting' as const, element, name, holder }] : [],
        )
      : [];
  return [
    ...layout.reservoirs.map(
      (b): Sized => ({ kind: 'reservoir', element: b.id, name: b.name, holder: b }),
    ),
    ...layout.masters.flatMap((m): Sized[] => [
      { kind: 'master', element: m.id, name: m.name, holder: m },
      ...m.chambers.flatMap((c): Sized[] => [
        { kind: 'chamber', element: c.id, name: c.name, holder: c },
        {
          kind: 'outlet',
          element: c.id,
          name: `Outlet of the ${c.name.toLowerCase()}`,
          holder: c.outlet,
        },
      ]),
    ]),
    ...layout.nodes.map((n): Sized => ({ kind: n.kind, element: n.id, name: n.name, holder: n })),
    ...layout.stretches.flatMap((s): Sized[] => [
      { kind: s.kind, element: s.id, name: s.name, holder: s },
      ...fittings(s.id, `Nut of ${s.name}`, s.nut),
    ]),
    ...layout.bleeders.flatMap((b): Sized[] => fittings(b.id, `Bleeder ${b.place}`, b.fitting)),
  ];
}
