import type { Layout, Stretch } from '../layout';
import { HOSE_INSIDE_MM, LINE_6_35_INSIDE_MM } from './sizes';

/**
 * Veteran with one circuit, drums all round and the driver on the right. The
 * master sits low, under the floor on the driver's side. All sizes [M].
 */
export function veteranSingleCircuit(): Layout {
  const line = (id: string, name: string, from: string, to: string, lengthMm: number): Stretch =>
    ({ id, name, kind: 'line', from, to, lengthMm, insideMm: LINE_6_35_INSIDE_MM });
  const hose = (id: string, name: string, from: string, to: string, lengthMm: number): Stretch =>
    ({ id, name, kind: 'hose', from, to, lengthMm, insideMm: HOSE_INSIDE_MM });
  return {
    version: 1,
    name: 'Veteran, single circuit, drums',
    vehicleKind: 'car',
    driverSide: 'right',
    reservoir: { heightMm: 640, chambers: [{ id: 'bowl', name: 'Reservoir', maxMl: 240, minMl: 90, airDrawnMl: 30 }] },
    master: {
      name: 'Master', control: 'brake pedal', heightMm: 430, ratio: 4.5,
      chambers: [{ id: 'single', name: 'Single chamber', boreMm: 25.4, fullStrokeMm: 34, bleedStrokeMm: 20, fedBy: 'bowl', port: 'outlet' }],
    },
    nodes: [
      { kind: 'port', id: 'outlet', name: 'Master outlet', heightMm: 430 },
      { kind: 'tee', id: 'master-tee', name: 'Tee at the master', heightMm: 420 },
      { kind: 'tee', id: 'front-tee', name: 'Front tee', heightMm: 480 },
      { kind: 'joint', id: 'left-front-bracket', name: 'Bracket left front', heightMm: 520 },
      { kind: 'joint', id: 'right-front-bracket', name: 'Bracket right front', heightMm: 520 },
      { kind: 'wheel cylinder', id: 'left-front-cylinder', name: 'Wheel cylinder left front', heightMm: 400, cavityMl: 8 },
      { kind: 'wheel cylinder', id: 'right-front-cylinder', name: 'Wheel cylinder right front', heightMm: 400, cavityMl: 8 },
      { kind: 'joint', id: 'rear-crossmember', name: 'Rear crossmember', heightMm: 560 },
      { kind: 'tee', id: 'axle-tee', name: 'Axle tee', heightMm: 430 },
      { kind: 'wheel cylinder', id: 'left-rear-cylinder', name: 'Wheel cylinder left rear', heightMm: 400, cavityMl: 6 },
      { kind: 'wheel cylinder', id: 'right-rear-cylinder', name: 'Wheel cylinder right rear', heightMm: 400, cavityMl: 6 },
    ],
    stretches: [
      line('feed', 'Line master to tee', 'outlet', 'master-tee', 180),
      line('front-feed', 'Line to the front tee', 'master-tee', 'front-tee', 900),
      line('left-front-line', 'Line left front', 'front-tee', 'left-front-bracket', 1050),
      line('right-front-line', 'Line right front', 'front-tee', 'right-front-bracket', 260),
      hose('left-front-hose', 'Hose left front', 'left-front-bracket', 'left-front-cylinder', 380),
      hose('right-front-hose', 'Hose right front', 'right-front-bracket', 'right-front-cylinder', 380),
      line('rear-feed', 'Line along the chassis', 'master-tee', 'rear-crossmember', 1850),
      hose('rear-hose', 'Rear hose', 'rear-crossmember', 'axle-tee', 350),
      line('left-rear-line', 'Axle line left', 'axle-tee', 'left-rear-cylinder', 760),
      line('right-rear-line', 'Axle line right', 'axle-tee', 'right-rear-cylinder', 620),
    ],
    bleeders: [
      { id: 'left-front', at: 'left-front-cylinder', place: 'left front', wrenchMm: 11, type: 'screw' },
      { id: 'right-front', at: 'right-front-cylinder', place: 'right front', wrenchMm: 11, type: 'screw' },
      { id: 'left-rear', at: 'left-rear-cylinder', place: 'left rear', wrenchMm: 11, type: 'screw' },
      { id: 'right-rear', at: 'right-rear-cylinder', place: 'right rear', wrenchMm: 11, type: 'screw' },
    ],
  };
}
