import type { DriverSide, Layout, LayoutNode, Stretch } from '../layout';
import { HOSE_INSIDE_MM, LINE_4_75_INSIDE_MM, otherSide } from './sizes';

/**
 * Hatchback with a diagonal split and ABS whose modulator lies in the
 * always-open path. Master and modulator sit on the driver's side, so the
 * wheels on the other side are the far ones. All sizes [M].
 */
export function hatchbackDiagonal(driverSide: DriverSide): Layout {
  const near = driverSide === 'left' ? 'left' : 'right';
  const far = otherSide(near);
  const line = (id: string, name: string, from: string, to: string, lengthMm: number): Stretch =>
    ({ id, name, kind: 'line', from, to, lengthMm, insideMm: LINE_4_75_INSIDE_MM });
  const hose = (side: string, end: string, lengthMm: number): Stretch => ({
    id: `${side}-${end}-hose`, name: `Hose ${side} ${end}`, kind: 'hose',
    from: `${side}-${end}-bracket`, to: `${side}-${end}-caliper`, lengthMm, insideMm: HOSE_INSIDE_MM,
  });
  const corner = (side: string, end: 'front' | 'rear', bracketMm: number): LayoutNode[] => [
    { kind: 'joint', id: `${side}-${end}-bracket`, name: `Bracket ${side} ${end}`, heightMm: bracketMm },
    { kind: 'caliper', id: `${side}-${end}-caliper`, name: `Caliper ${side} ${end}`, heightMm: end === 'front' ? 330 : 310, cavityMl: end === 'front' ? 38 : 20 },
  ];
  const rearRun = (side: string, across: number): Stretch[] => [
    line(`${side}-rear-down`, `Line ${side} rear, down the bulkhead`, modulatorOf(side, 'rear', near), `${side}-rear-sill`, 650),
    line(`${side}-rear-floor`, `Line ${side} rear, under the floor`, `${side}-rear-sill`, `${side}-rear-axle`, 2450),
    line(`${side}-rear-across`, `Line ${side} rear, over the axle`, `${side}-rear-axle`, `${side}-rear-bracket`, across),
    hose(side, 'rear', 290),
  ];
  const rearPoints = (side: string): LayoutNode[] => [
    { kind: 'joint', id: `${side}-rear-sill`, name: `Sill ${side} rear line`, heightMm: side === near ? 250 : 280 },
    { kind: 'joint', id: `${side}-rear-axle`, name: `Axle ${side} rear line`, heightMm: side === near ? 270 : 300 },
  ];
  return {
    version: 1,
    name: 'Hatchback, diagonal split, ABS',
    vehicleKind: 'car',
    driverSide: near,
    reservoir: { heightMm: 900, chambers: [{ id: 'bowl', name: 'Reservoir', maxMl: 220, minMl: 65, airDrawnMl: 20 }] },
    master: {
      name: 'Master', control: 'brake pedal', heightMm: 820, ratio: 4,
      chambers: [
        { id: 'primary', name: 'Primary chamber', boreMm: 20.6, fullStrokeMm: 18, bleedStrokeMm: 24, fedBy: 'bowl', port: 'primary-port' },
        { id: 'secondary', name: 'Secondary chamber', boreMm: 20.6, fullStrokeMm: 16, bleedStrokeMm: 24, fedBy: 'bowl', port: 'secondary-port' },
      ],
    },
    nodes: [
      { kind: 'port', id: 'primary-port', name: 'Primary port', heightMm: 800 },
      { kind: 'port', id: 'secondary-port', name: 'Secondary port', heightMm: 800 },
      { kind: 'modulator', id: 'modulator-primary', name: 'Modulator, primary circuit', heightMm: 680, openPathMl: 7, pocketsMl: 5 },
      { kind: 'modulator', id: 'modulator-secondary', name: 'Modulator, secondary circuit', heightMm: 680, openPathMl: 7, pocketsMl: 5 },
      ...corner(near, 'front', 560), ...corner(far, 'front', 560),
      ...rearPoints(near), ...corner(near, 'rear', 400),
      ...rearPoints(far), ...corner(far, 'rear', 420),
    ],
    stretches: [
      line('primary-feed', 'Line master to modulator, primary', 'primary-port', 'modulator-primary', 320),
      line('secondary-feed', 'Line master to modulator, secondary', 'secondary-port', 'modulator-secondary', 280),
      line(`${near}-front-line`, `Line ${near} front`, modulatorOf(near, 'front', near), `${near}-front-bracket`, 520),
      hose(near, 'front', 400),
      line(`${far}-front-line`, `Line ${far} front, across the bulkhead`, modulatorOf(far, 'front', near), `${far}-front-bracket`, 1580),
      hose(far, 'front', 400),
      ...rearRun(near, 260), ...rearRun(far, 1060),
    ],
    bleeders: [
      { id: 'left-front', at: 'left-front-caliper', place: 'left front', wrenchMm: 10, type: 'screw' },
      { id: 'right-front', at: 'right-front-caliper', place: 'right front', wrenchMm: 10, type: 'screw' },
      { id: 'left-rear', at: 'left-rear-caliper', place: 'left rear', wrenchMm: 8, type: 'screw' },
      { id: 'right-rear', at: 'right-rear-caliper', place: 'right rear', wrenchMm: 8, type: 'screw' },
    ],
  };
}

/** Diagonal: the primary circuit feeds the near front and the far rear, the secondary the other two. */
function modulatorOf(side: string, end: 'front' | 'rear', near: string): string {
  return (side === near) === (end === 'front') ? 'modulator-primary' : 'modulator-secondary';
}
