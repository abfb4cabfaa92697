import type { DriverSide, Layout, LayoutNode, Stretch } from '../layout';
import {
  bleeder,
  reservoir,
  caliper,
  car,
  chamber,
  hose,
  joint,
  line,
  master,
  modulator,
  otherSide,
  port,
  type Side,
} from '../usualParts';

/**
 * Hatchback with a diagonal split and a four-channel modulator with stability
 * control. Master and modulator sit on the driver's side, so the wheels on the
 * other side are the far ones. All sizes [M].
 */
export function hatchbackDiagonal(driverSide: DriverSide): Layout {
  const near = driverSide === 'left' ? 'left' : 'right';
  const far = otherSide(near);
  const wheelHose = (side: Side, end: string, lengthMm: number): Stretch =>
    hose(
      `${side}-${end}-hose`,
      `Hose ${side} ${end}`,
      `${side}-${end}-bracket`,
      `${side}-${end}-caliper`,
      lengthMm,
    );
  const corner = (side: Side, end: 'front' | 'rear', bracketMm: number): LayoutNode[] => [
    joint(`${side}-${end}-bracket`, `Bracket ${side} ${end}`, bracketMm),
    end === 'front'
      ? caliper(`${side}-front-caliper`, `Caliper ${side} front`, 330, 38, 54)
      : caliper(`${side}-rear-caliper`, `Caliper ${side} rear`, 310, 20, 34),
  ];
  const rearRun = (side: Side, across: number): Stretch[] => [
    line(
      `${side}-rear-down`,
      `Line ${side} rear, down the bulkhead`,
      modulatorOf(side, 'rear', near),
      `${side}-rear-sill`,
      650,
    ),
    line(
      `${side}-rear-floor`,
      `Line ${side} rear, under the floor`,
      `${side}-rear-sill`,
      `${side}-rear-axle`,
      2450,
    ),
    line(
      `${side}-rear-across`,
      `Line ${side} rear, over the axle`,
      `${side}-rear-axle`,
      `${side}-rear-bracket`,
      across,
    ),
    wheelHose(side, 'rear', 290),
  ];
  const rearPoints = (side: Side): LayoutNode[] => [
    joint(`${side}-rear-sill`, `Sill ${side} rear line`, side === near ? 250 : 280),
    joint(`${side}-rear-axle`, `Axle ${side} rear line`, side === near ? 270 : 300),
  ];
  const outlet = { airDrawnMl: 20, belowMaxMm: 48 };
  return car('Hatchback, diagonal split, ABS', near, 'four-channel', {
    reservoirs: [reservoir('reservoir', 'Reservoir', 900, 220, 65)],
    masters: [
      master('master', 'Master', 'brake pedal', 820, 4, [
        chamber(
          'primary',
          'Primary chamber',
          20.6,
          { full: 18, bleed: 24 },
          'reservoir',
          'primary-port',
          outlet,
        ),
        chamber(
          'secondary',
          'Secondary chamber',
          20.6,
          { full: 16, bleed: 24 },
          'reservoir',
          'secondary-port',
          outlet,
        ),
      ]),
    ],
    nodes: [
      port('primary-port', 'Primary port', 800),
      port('secondary-port', 'Secondary port', 800),
      modulator('modulator-primary', 'Modulator, primary circuit', 680, 7, 5),
      modulator('modulator-secondary', 'Modulator, secondary circuit', 680, 7, 5),
      ...corner(near, 'front', 560),
      ...corner(far, 'front', 560),
      ...rearPoints(near),
      ...corner(near, 'rear', 400),
      ...rearPoints(far),
      ...corner(far, 'rear', 420),
    ],
    stretches: [
      line(
        'primary-feed',
        'Line master to modulator, primary',
        'primary-port',
        'modulator-primary',
        320,
      ),
      line(
        'secondary-feed',
        'Line master to modulator, secondary',
        'secondary-port',
        'modulator-secondary',
        280,
      ),
      line(
        `${near}-front-line`,
        `Line ${near} front`,
        modulatorOf(near, 'front', near),
        `${near}-front-bracket`,
        520,
      ),
      wheelHose(near, 'front', 400),
      line(
        `${far}-front-line`,
        `Line ${far} front, across the bulkhead`,
        modulatorOf(far, 'front', near),
        `${far}-front-bracket`,
        1580,
      ),
      wheelHose(far, 'front', 400),
      ...rearRun(near, 260),
      ...rearRun(far, 1060),
    ],
    bleeders: [
      bleeder('left-front', 'left-front-caliper', 'left front', 10),
      bleeder('right-front', 'right-front-caliper', 'right front', 10),
      bleeder('left-rear', 'left-rear-caliper', 'left rear', 8),
      bleeder('right-rear', 'right-rear-caliper', 'right rear', 8),
    ],
  });
}

/** Diagonal: the primary circuit feeds the near front and the far rear, the secondary the other two. */
function modulatorOf(side: Side, end: 'front' | 'rear', near: Side): string {
  return (side === near) === (end === 'front') ? 'modulator-primary' : 'modulator-secondary';
}
