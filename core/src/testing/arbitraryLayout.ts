import fc from 'fast-check';
import type { Layout, LayoutNode, Place, Stretch } from '../circuit';

const PLACES: readonly Place[] = ['left rear', 'right rear', 'left front', 'right front', 'rear', 'front'];

interface Drawn {
  readonly parents: readonly number[];
  readonly kinds: readonly number[];
  readonly lengthsMm: readonly number[];
  readonly wideBore: readonly boolean[];
  readonly cavitiesMl: readonly number[];
  readonly maxMl: number;
  readonly boreMm: number;
  readonly bleedStrokeMm: number;
}

/**
 * Any layout without faults: one or two circuits, each a random tree of
 * joints, tees and modulators in the flow, ending in calipers with bleeders.
 */
export const arbitraryLayout: fc.Arbitrary<Layout> = fc
  .record({
    circuits: fc.array(
      fc.integer({ min: 1, max: 6 }).chain((size) =>
        fc.record<Drawn>({
          parents: fc.tuple(...Array.from({ length: size }, (_, i) => fc.integer({ min: 0, max: i }))),
          kinds: fc.array(fc.integer({ min: 0, max: 2 }), { minLength: size, maxLength: size }),
          lengthsMm: fc.array(fc.integer({ min: 50, max: 3500 }), { minLength: size, maxLength: size }),
          wideBore: fc.array(fc.boolean(), { minLength: size, maxLength: size }),
          cavitiesMl: fc.array(fc.integer({ min: 2, max: 45 }), { minLength: size, maxLength: size }),
          maxMl: fc.integer({ min: 60, max: 300 }),
          boreMm: fc.integer({ min: 12, max: 28 }),
          bleedStrokeMm: fc.integer({ min: 8, max: 24 }),
        }),
      ),
      { minLength: 1, maxLength: 2 },
    ),
    driverSide: fc.constantFrom('left' as const, 'right' as const),
  })
  .map(({ circuits, driverSide }) => {
    const nodes: LayoutNode[] = [];
    const stretches: Stretch[] = [];
    const bleeders: Layout['bleeders'][number][] = [];
    circuits.forEach((drawn, c) => drawCircuit(`c${c}`, drawn, nodes, stretches, bleeders));
    return {
      version: 1,
      name: 'Drawn at random',
      vehicleKind: 'car',
      driverSide,
      reservoir: {
        heightMm: 900,
        chambers: circuits.map((d, c) => ({ id: `c${c}-bowl`, name: `Reservoir ${c + 1}`, maxMl: d.maxMl, minMl: Math.round(d.maxMl / 3), airDrawnMl: Math.round(d.maxMl / 8) })),
      },
      master: {
        name: 'Master',
        control: 'brake pedal',
        heightMm: 800,
        ratio: 4,
        chambers: circuits.map((d, c) => ({
          id: `c${c}-chamber`, name: `Chamber ${c + 1}`, boreMm: d.boreMm, fullStrokeMm: 20, bleedStrokeMm: d.bleedStrokeMm, fedBy: `c${c}-bowl`, port: `c${c}-0`,
        })),
      },
      nodes,
      stretches,
      bleeders,
    };
  });

/** Node 0 is the port; node i + 1 hangs on `parents[i]`. */
function drawCircuit(prefix: string, drawn: Drawn, nodes: LayoutNode[], stretches: Stretch[], bleeders: Layout['bleeders'][number][]): void {
  const id = (i: number) => `${prefix}-${i}`;
  const children = (i: number) => drawn.parents.filter((p) => p === i).length;
  nodes.push({ kind: 'port', id: id(0), name: `Port ${prefix}`, heightMm: 800 });
  drawn.parents.forEach((parent, i) => {
    const at = { id: id(i + 1), name: `Point ${prefix} ${i + 1}`, heightMm: 400 };
    const cavityMl = drawn.cavitiesMl[i]!;
    if (children(i + 1) === 0) {
      nodes.push({ kind: drawn.kinds[i] === 0 ? 'wheel cylinder' : 'caliper', ...at, cavityMl });
      bleeders.push({ id: `${prefix}-bleeder-${i + 1}`, at: at.id, place: PLACES[(bleeders.length) % PLACES.length]!, wrenchMm: 10, type: 'screw' });
    } else if (drawn.kinds[i] === 2) {
      nodes.push({ kind: 'modulator', ...at, openPathMl: cavityMl, pocketsMl: 4 });
    } else {
      nodes.push({ kind: children(i + 1) > 1 ? 'tee' : 'joint', ...at });
    }
    stretches.push({
      id: `${prefix}-line-${i + 1}`, name: `Line ${prefix} ${i + 1}`, kind: 'line', from: id(parent), to: at.id, lengthMm: drawn.lengthsMm[i]!, insideMm: drawn.wideBore[i] ? 4.75 : 3.35,
    });
  });
}
