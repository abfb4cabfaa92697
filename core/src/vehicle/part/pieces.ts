import { CONTROL_TRAITS, isActuator, partElements, type Layout, hasServo } from '../circuit';
import type { Range } from '../../base/units';
import type { Piece } from './compare';

/** How many of one piece may go with a part [M]. */
export const PIECE_COUNT: Range = {
  what: 'Number of a piece',
  unit: '',
  least: 1,
  most: 40,
  whole: true,
};

/**
 * The pieces that usually go with a part of this kind, to be counted before
 * fluid is poured. A starting list: what lies in the box and on the old part
 * wins, and a person adds and takes away.
 */
export function usualPieces(layout: Layout, partId: string): Piece[] {
  const master = layout.masters.find((m) => m.id === partId);
  if (master) {
    const reservoirs = new Set(master.chambers.map((c) => c.fedBy)).size;
    return [
      {
        what: 'Seal between the reservoir and the master',
        count: master.chambers.length,
        comes: 'new',
      },
      ...(hasServo(master, layout.vehicleKind)
        ? [{ what: 'Seal between the master and the servo', count: 1, comes: 'new' as const }]
        : []),
      { what: 'Reservoir with its cap and diaphragm', count: reservoirs, comes: 'moves across' },
      {
        what: CONTROL_TRAITS[master.control].held === 'lever' ? 'Lamp switch' : 'Level switch',
        count: 1,
        comes: 'moves across',
      },
    ];
  }
  const elements = partElements(layout, partId);
  const stretch = layout.stretches.find((s) => s.id === elements[0]);
  if (stretch)
    return stretch.kind === 'hose'
      ? [
          { what: 'Sealing washer at the banjo or end', count: 2, comes: 'new' },
          {
            what: 'Clip that holds the hose',
            count: Math.max(1, elements.length - 1),
            comes: 'moves across',
          },
        ]
      : [{ what: 'Nut on each end', count: 2, comes: 'new' }];
  const node = layout.nodes.find((n) => n.id === partId);
  if (!node) return [];
  if (!isActuator(node))
    return [
      {
        what: 'Plug out of each port',
        count: layout.stretches.filter((s) => s.from === partId || s.to === partId).length,
        comes: 'new',
      },
    ];
  const bleeders = {
    what: 'Bleeder with its cap',
    count: layout.bleeders.filter((b) => b.at === partId).length,
    comes: 'new' as const,
  };
  switch (node.kind) {
    case 'caliper':
      return [
        { what: 'Sealing washer at the hose', count: 2, comes: 'new' },
        bleeders,
        { what: 'Pad, with its plate or spring', count: 2, comes: 'moves across' },
      ];
    case 'wheel cylinder':
      return [bleeders, { what: 'Boot', count: node.pistons, comes: 'new' }];
    case 'slave':
      return [bleeders, { what: 'Rod with its boot', count: 1, comes: 'moves across' }];
  }
}
