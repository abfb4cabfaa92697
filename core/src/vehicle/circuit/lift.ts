import type { AbsKind, Bleeder, Layout, LayoutNode, Stretch } from './layout';

/** A node as the first version stored it. */
interface FirstNode {
  readonly kind: LayoutNode['kind'];
  readonly id: string;
  readonly name: string;
  readonly heightMm: number;
  readonly cavityMl?: number;
}

type FirstMaster = Pick<Layout['masters'][number], 'name' | 'control' | 'heightMm' | 'ratio'> & {
  readonly chambers: readonly Omit<Layout['masters'][number]['chambers'][number], 'outlet'>[];
};

/** A layout as the first version stored it: one master, one reservoir. */
export interface FirstLayout
  extends Omit<
    Layout,
    'version' | 'abs' | 'bowls' | 'masters' | 'nodes' | 'stretches' | 'bleeders'
  > {
  readonly version: 1;
  readonly reservoir: {
    readonly heightMm: number;
    readonly chambers: readonly {
      readonly id: string;
      readonly name: string;
      readonly maxMl: number;
      readonly minMl: number;
      readonly airDrawnMl: number;
    }[];
  };
  readonly master: FirstMaster;
  readonly nodes: readonly FirstNode[];
  readonly stretches: readonly Omit<Stretch, 'wideningMlPerM' | 'nut'>[];
  readonly bleeders: readonly (Pick<Bleeder, 'id' | 'at' | 'place' | 'type'> & {
    readonly wrenchMm: number;
  })[];
}

/** Outlet of a bowl of the first version, which did not say how deep it lies: a starting value [M]. */
const OUTLET_BELOW_MAX_MM = 45;

/**
 * A layout as it was stored, in the shape of today. What an older version did
 * not say gets the starting values of the templates.
 */
export function liftLayout(stored: Layout | FirstLayout): Layout {
  return stored.version === 1 ? fromFirst(stored) : stored;
}

function fromFirst(first: FirstLayout): Layout {
  const modulators = first.nodes.filter((n) => n.kind === 'modulator').map((n) => n.id);
  const own = first.bleeders.some((b) => modulators.includes(b.at));
  const abs: AbsKind =
    modulators.length === 0 ? 'none' : own ? 'rear only, own bleeder' : 'in the open path';
  const { reservoir, master, nodes, stretches, bleeders, ...rest } = first;
  const air = new Map(reservoir.chambers.map((c) => [c.id, c.airDrawnMl]));
  return {
    ...rest,
    version: 2,
    abs,
    bowls: reservoir.chambers.map(({ airDrawnMl: _, ...c }) => ({
      ...c,
      heightMm: reservoir.heightMm,
      makerPressureKpa: null,
    })),
    masters: [
      {
        ...master,
        id: 'master',
        system: 'brakes',
        attitude: 'level',
        chambers: master.chambers.map((c) => ({
          ...c,
          outlet: { airDrawnMl: air.get(c.fedBy) ?? 0, belowMaxMm: OUTLET_BELOW_MAX_MM },
        })),
      },
    ],
    nodes: nodes.map(nodeFromFirst),
    stretches: stretches.map((s) => ({ ...s, wideningMlPerM: null, nut: null })),
    bleeders: bleeders.map(({ wrenchMm, ...b }) => ({
      ...b,
      which: null,
      atTop: true,
      seat: 'not tried',
      fitting: { listed: { wrenchMm, thread: null, torqueNm: null }, found: null },
    })),
  };
}

function nodeFromFirst(node: FirstNode): LayoutNode {
  if (node.kind === 'caliper')
    return { ...node, pistonMm: 48, pistons: 1, retractionMm: 0.15 } as LayoutNode;
  if (node.kind === 'wheel cylinder')
    return { ...node, pistonMm: 19, pistons: 2, retractionMm: 1 } as LayoutNode;
  return node as LayoutNode;
}
