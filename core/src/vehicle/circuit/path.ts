import { ARITHMETIC, figure, type Figure } from '../../base/figure';
import { howKnown, sizeFigure } from './known';
import type { Bleeder, Layout, LayoutNode, Master, MasterChamber, Stretch } from './layout';
import { bleederName, chambersOf, isActuator } from './names';
import { tubeVolumeMl } from './tubeVolume';

/** One point that the fluid passes on its way to a bleeder. */
export interface PathPoint {
  readonly node: LayoutNode;
  /** Metres run from the master's port. */
  readonly alongM: number;
}

/** The way from the master's port to one bleeder. */
export interface Path {
  readonly bleeder: Bleeder;
  readonly master: Master;
  readonly chamber: MasterChamber;
  readonly points: readonly PathPoint[];
  readonly stretches: readonly Stretch[];
  readonly lengthM: Figure;
  readonly volumeMl: Figure;
}

/**
 * The path to every bleeder, in the layout's own order.
 *
 * @param layout a layout without faults
 * @throws RangeError when a bleeder cannot be reached: call `validateLayout` first
 */
export function paths(layout: Layout): Path[] {
  const nodes = new Map(layout.nodes.map((n) => [n.id, n]));
  const feeding = new Map(layout.stretches.map((s) => [s.to, s]));
  return layout.bleeders.map((bleeder) => {
    const stretches: Stretch[] = [];
    let at = bleeder.at;
    while (feeding.has(at)) {
      const stretch = feeding.get(at)!;
      stretches.unshift(stretch);
      at = stretch.from;
      if (stretches.length > layout.stretches.length)
        throw new RangeError(
          `the way to ${bleederName(bleeder)} runs in a loop; validate the layout first`,
        );
    }
    const fed = chambersOf(layout).find((c) => c.chamber.port === at);
    if (!fed)
      throw new RangeError(
        `${bleederName(bleeder)} is not joined to the master; validate the layout first`,
      );
    let alongM = 0;
    const points: PathPoint[] = [{ node: nodes.get(at)!, alongM }];
    for (const s of stretches) {
      alongM += s.lengthMm / 1000;
      points.push({ node: nodes.get(s.to)!, alongM });
    }
    return {
      bleeder,
      ...fed,
      points,
      stretches,
      lengthM: pathLength(stretches, alongM),
      volumeMl: pathVolume(stretches, points),
    };
  });
}

function pathLength(stretches: readonly Stretch[], alongM: number): Figure {
  return figure({
    label: 'Path from the master’s port',
    value: alongM,
    unit: 'm',
    rule: 'sum of the lengths of the stretches on the way',
    source: ARITHMETIC,
    from: stretches.map((s) => sizeFigure(s.name, s.lengthMm / 1000, 'm', howKnown(s, 'lengthMm'))),
  });
}

function pathVolume(stretches: readonly Stretch[], points: readonly PathPoint[]): Figure {
  const parts = [
    ...stretches.map((s) =>
      figure({
        label: s.name,
        value: tubeVolumeMl(s.insideMm, s.lengthMm),
        unit: 'mL',
        rule: `πd²/4 · length, with d = ${s.insideMm} mm and length = ${s.lengthMm} mm`,
        source: ARITHMETIC,
        from: [
          sizeFigure('Inside diameter', s.insideMm, 'mm', howKnown(s, 'insideMm')),
          sizeFigure('Length', s.lengthMm, 'mm', howKnown(s, 'lengthMm')),
        ],
      }),
    ),
    ...points.flatMap(({ node }) => {
      const held = nodeVolumeMl(node);
      return held > 0
        ? [
            sizeFigure(
              node.name,
              held,
              'mL',
              howKnown(node, node.kind === 'modulator' ? 'openPathMl' : 'cavityMl'),
            ),
          ]
        : [];
    }),
  ];
  return figure({
    label: 'Volume of the path',
    value: parts.reduce((sum, p) => sum + p.value, 0),
    unit: 'mL',
    rule: 'sum of the stretches and of the parts that fluid passes, from the master’s port to the bleeder',
    source: ARITHMETIC,
    from: parts,
  });
}

/** What a node holds in the way of the fluid, mL; the closed pockets of a modulator are not in the way. */
export function nodeVolumeMl(node: LayoutNode): number {
  if (node.kind === 'modulator') return node.openPathMl;
  return isActuator(node) ? node.cavityMl : 0;
}
