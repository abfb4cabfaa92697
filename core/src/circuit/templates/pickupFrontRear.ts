import type { DriverSide, Layout, Stretch } from '../layout';
import { HOSE_INSIDE_MM, LINE_4_75_INSIDE_MM, otherSide } from './sizes';

/**
 * Pickup with a front/rear split, a divided reservoir and no ABS. One line
 * runs along the frame on the driver's side to a hose at the rear axle. All sizes [M].
 */
export function pickupFrontRear(driverSide: DriverSide): Layout {
  const near = driverSide === 'left' ? 'left' : 'right';
  const far = otherSide(near);
  const line = (id: string, name: string, from: string, to: string, lengthMm: number): Stretch =>
    ({ id, name, kind: 'line', from, to, lengthMm, insideMm: LINE_4_75_INSIDE_MM });
  const hose = (id: string, name: string, from: string, to: string, lengthMm: number): Stretch =>
    ({ id, name, kind: 'hose', from, to, lengthMm, insideMm: HOSE_INSIDE_MM });
  return {
    version: 1,
    name: 'Pickup, front/rear split, no ABS',
    vehicleKind: 'car',
    driverSide: near,
    reservoir: {
      heightMm: 1120,
      chambers: [
        { id: 'front-bowl', name: 'Front bowl', maxMl: 150, minMl: 60, airDrawnMl: 22 },
        { id: 'rear-bowl', name: 'Rear bowl', maxMl: 90, minMl: 40, airDrawnMl: 15 },
      ],
    },
    master: {
      name: 'Master', control: 'brake pedal', heightMm: 1040, ratio: 4.2,
      chambers: [
        { id: 'front-chamber', name: 'Front chamber', boreMm: 23.8, fullStrokeMm: 19, bleedStrokeMm: 25, fedBy: 'front-bowl', port: 'front-port' },
        { id: 'rear-chamber', name: 'Rear chamber', boreMm: 23.8, fullStrokeMm: 16, bleedStrokeMm: 25, fedBy: 'rear-bowl', port: 'rear-port' },
      ],
    },
    nodes: [
      { kind: 'port', id: 'front-port', name: 'Front port', heightMm: 1020 },
      { kind: 'port', id: 'rear-port', name: 'Rear port', heightMm: 1020 },
      { kind: 'tee', id: 'front-tee', name: 'Front tee', heightMm: 720 },
      { kind: 'joint', id: `${near}-front-bracket`, name: `Bracket ${near} front`, heightMm: 680 },
      { kind: 'joint', id: `${far}-front-bracket`, name: `Bracket ${far} front`, heightMm: 680 },
      { kind: 'caliper', id: `${near}-front-caliper`, name: `Caliper ${near} front`, heightMm: 430, cavityMl: 44 },
      { kind: 'caliper', id: `${far}-front-caliper`, name: `Caliper ${far} front`, heightMm: 430, cavityMl: 44 },
      { kind: 'joint', id: 'frame-front', name: 'Frame rail', heightMm: 520 },
      { kind: 'joint', id: 'frame-rear', name: 'Frame over the axle', heightMm: 640 },
      { kind: 'tee', id: 'axle-tee', name: 'Axle tee', heightMm: 460 },
      { kind: 'wheel cylinder', id: `${near}-rear-cylinder`, name: `Wheel cylinder ${near} rear`, heightMm: 430, cavityMl: 6 },
      { kind: 'wheel cylinder', id: `${far}-rear-cylinder`, name: `Wheel cylinder ${far} rear`, heightMm: 430, cavityMl: 6 },
    ],
    stretches: [
      line('front-feed', 'Line master to front tee', 'front-port', 'front-tee', 560),
      line(`${near}-front-line`, `Line ${near} front`, 'front-tee', `${near}-front-bracket`, 330),
      line(`${far}-front-line`, `Line ${far} front, across the frame`, 'front-tee', `${far}-front-bracket`, 1420),
      hose(`${near}-front-hose`, `Hose ${near} front`, `${near}-front-bracket`, `${near}-front-caliper`, 430),
      hose(`${far}-front-hose`, `Hose ${far} front`, `${far}-front-bracket`, `${far}-front-caliper`, 430),
      line('rear-feed', 'Line master to frame rail', 'rear-port', 'frame-front', 780),
      line('rear-frame', 'Line along the frame', 'frame-front', 'frame-rear', 2650),
      hose('rear-hose', 'Rear hose', 'frame-rear', 'axle-tee', 380),
      line(`${near}-rear-line`, `Axle line ${near}`, 'axle-tee', `${near}-rear-cylinder`, 560),
      line(`${far}-rear-line`, `Axle line ${far}`, 'axle-tee', `${far}-rear-cylinder`, 980),
    ],
    bleeders: [
      { id: 'left-front', at: 'left-front-caliper', place: 'left front', wrenchMm: 10, type: 'screw' },
      { id: 'right-front', at: 'right-front-caliper', place: 'right front', wrenchMm: 10, type: 'screw' },
      { id: 'left-rear', at: 'left-rear-cylinder', place: 'left rear', wrenchMm: 9, type: 'screw' },
      { id: 'right-rear', at: 'right-rear-cylinder', place: 'right rear', wrenchMm: 9, type: 'screw' },
    ],
  };
}
