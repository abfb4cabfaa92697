import type { Layout } from '../layout';
import { HOSE_INSIDE_MM } from './sizes';

/** Motorcycle with one front disc: lever master on the bar, one hose over the fork, one caliper. All sizes [M]. */
export function motorcycleFrontDisc(): Layout {
  return {
    version: 1,
    name: 'Motorcycle, one front disc',
    vehicleKind: 'motorcycle',
    driverSide: 'middle',
    reservoir: { heightMm: 1060, chambers: [{ id: 'bowl', name: 'Reservoir', maxMl: 32, minMl: 12, airDrawnMl: 5 }] },
    master: {
      name: 'Lever master', control: 'brake lever', heightMm: 1030, ratio: 6,
      chambers: [{ id: 'single', name: 'Single chamber', boreMm: 14, fullStrokeMm: 14, bleedStrokeMm: 10, fedBy: 'bowl', port: 'outlet' }],
    },
    nodes: [
      { kind: 'port', id: 'outlet', name: 'Master outlet', heightMm: 1020 },
      { kind: 'joint', id: 'yoke', name: 'Clip at the yoke', heightMm: 840 },
      { kind: 'caliper', id: 'front-caliper', name: 'Caliper front', heightMm: 380, cavityMl: 15 },
    ],
    stretches: [
      { id: 'upper-hose', name: 'Hose, bar to yoke', kind: 'hose', from: 'outlet', to: 'yoke', lengthMm: 480, insideMm: HOSE_INSIDE_MM },
      { id: 'lower-hose', name: 'Hose, yoke to caliper', kind: 'hose', from: 'yoke', to: 'front-caliper', lengthMm: 620, insideMm: HOSE_INSIDE_MM },
    ],
    bleeders: [{ id: 'front', at: 'front-caliper', place: 'front', wrenchMm: 8, type: 'screw' }],
  };
}
