import fc from 'fast-check';
import {
  PLACES,
  WHICH,
  type Bleeder,
  type Layout,
  type LayoutNode,
  type Stretch,
} from '../vehicle/circuit';

interface Drawn {
  readonly parents: readonly number[];
  readonly kinds: readonly number[];
  readonly heightsMm: readonly number[];
  /** Beyond what the climb takes. */
  readonly lengthsMm: readonly number[];
  readonly wideBore: readonly boolean[];
  readonly cavitiesMl: readonly number[];
  readonly maxMl: number;
  readonly boreMm: number;
  readonly bleedStrokeMm: number;
}

/**
 * Any layout without faults: one or two circuits, each a random tree of
 * joints, tees and modulators in the flow, ending in calipers with bleeders;
 * two circuits have a reservoir each or share one.
 */
export const arbitraryLayout: fc.Arbitrary<Layout> = fc
  .record({
    circuits: fc.array(
      fc.integer({ min: 1, max: 6 }).chain((size) =>
        fc.record<Drawn>({
          parents: fc.tuple(
            ...Array.from({ length: size }, (_, i) => fc.integer({ min: 0, max: i })),
          ),
          kinds: fc.array(fc.integer({ min: 0, max: 2 }), { minLength: size, maxLength: size }),
          heightsMm: fc.array(fc.integer({ min: 200, max: 1000 }), {
            minLength: size,
            maxLength: size,
          }),
          lengthsMm: fc.array(fc.integer({ min: 50, max: 3500 }), {
            minLength: size,
            maxLength: size,
          }),
          wideBore: fc.array(fc.boolean(), { minLength: size, maxLength: size }),
          cavitiesMl: fc.array(fc.integer({ min: 2, max: 45 }), {
            minLength: size,
            maxLength: size,
          }),
          maxMl: fc.integer({ min: 60, max: 300 }),
          boreMm: fc.integer({ min: 12, max: 28 }),
          bleedStrokeMm: fc.integer({ min: 8, max: 24 }),
        }),
      ),
      { minLength: 1, maxLength: 2 },
    ),
    sharedReservoir: fc.boolean(),
    driverSide: fc.constantFrom('left' as const, 'right' as const),
  })
  .map(({ circuits, sharedReservoir, driverSide }) => {
    const reservoirOf = (c: number) => `c${sharedReservoir ? 0 : c}-reservoir`;
    const nodes: LayoutNode[] = [];
    const stretches: Stretch[] = [];
    const bleeders: Bleeder[] = [];
    circuits.forEach((drawn, c) => drawCircuit(`c${c}`, drawn, nodes, stretches, bleeders));
    return {
      version: 2,
      name: 'Drawn at random',
      vehicleKind: 'car',
      driverSide,
      abs: nodes.some((n) => n.kind === 'modulator') ? 'in the open path' : 'none',
      reservoirs: circuits.slice(0, sharedReservoir ? 1 : 2).map((d, c) => ({
        id: `c${c}-reservoir`,
        name: `Reservoir ${c + 1}`,
        heightMm: 900,
        maxMl: d.maxMl,
        minMl: Math.round(d.maxMl / 3),
        makerPressureKpa: null,
      })),
      masters: [
        {
          id: 'master',
          name: 'Master',
          system: 'brakes',
          control: 'brake pedal',
          heightMm: 800,
          ratio: 4,
          attitude: 'level',
          chambers: circuits.map((d, c) => ({
            id: `c${c}-chamber`,
            name: `Chamber ${c + 1}`,
            boreMm: d.boreMm,
            fullStrokeMm: 20,
            bleedStrokeMm: d.bleedStrokeMm,
            fedBy: reservoirOf(c),
            outlet: {
              airDrawnMl: Math.round(circuits[sharedReservoir ? 0 : c]!.maxMl / 8),
              belowMaxMm: 45,
            },
            port: `c${c}-0`,
          })),
        },
      ],
      nodes,
      stretches,
      bleeders,
    };
  });

/** Node 0 is the port; node i + 1 hangs on `parents[i]`. */
function drawCircuit(
  prefix: string,
  drawn: Drawn,
  nodes: LayoutNode[],
  stretches: Stretch[],
  bleeders: Bleeder[],
): void {
  const id = (i: number) => `${prefix}-${i}`;
  const children = (i: number) => drawn.parents.filter((p) => p === i).length;
  nodes.push({ kind: 'port', id: id(0), name: `Port ${prefix}`, heightMm: 800 });
  drawn.parents.forEach((parent, i) => {
    const at = { id: id(i + 1), name: `Point ${prefix} ${i + 1}`, heightMm: drawn.heightsMm[i]! };
    const cavityMl = drawn.cavitiesMl[i]!;
    if (children(i + 1) === 0) {
      nodes.push({
        kind: drawn.kinds[i] === 0 ? 'wheel cylinder' : 'caliper',
        ...at,
        cavityMl,
        pistonMm: 40,
        pistons: 1,
        retractionMm: 0.2,
      });
      bleeders.push(drawnBleeder(`${prefix}-bleeder-${i + 1}`, at.id, bleeders.length));
    } else if (drawn.kinds[i] === 2) {
      nodes.push({ kind: 'modulator', ...at, openPathMl: cavityMl, pocketsMl: 4 });
    } else {
      nodes.push({ kind: children(i + 1) > 1 ? 'tee' : 'joint', ...at });
    }
    const climbMm = Math.abs(at.heightMm - (parent === 0 ? 800 : drawn.heightsMm[parent - 1]!));
    stretches.push({
      id: `${prefix}-line-${i + 1}`,
      name: `Line ${prefix} ${i + 1}`,
      kind: 'line',
      from: id(parent),
      to: at.id,
      lengthMm: climbMm + drawn.lengthsMm[i]!,
      insideMm: drawn.wideBore[i] ? 4.75 : 3.35,
      wideningMlPerM: null,
      nut: null,
    });
  });
}

const drawnBleeder = (id: string, at: string, n: number): Bleeder => ({
  id,
  at,
  place: PLACES[n % 7]!,
  which: n < 7 ? null : WHICH[Math.floor(n / 7) - 1]!,
  type: 'screw',
  atTop: true,
  seat: 'not tried',
  fitting: { listed: { wrenchMm: 10, thread: null, torqueNm: null }, found: null },
});
