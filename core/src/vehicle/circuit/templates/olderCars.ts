import type { DriverSide, Layout, LayoutNode, Stretch } from '../layout';
import {
  bleeder,
  reservoir,
  caliper,
  car,
  chamber,
  cylinder,
  hose,
  joint,
  line,
  LINE_6_35_INSIDE_MM,
  master,
  otherSide,
  port,
  slave,
  tee,
  threeWheeled,
  valve,
  type Side,
} from '../usualParts';

/**
 * Veteran with one circuit and drums all round. The master sits low, under the
 * floor on the driver's side; a residual valve holds the lines under a little
 * pressure. All sizes [M].
 */
export function veteranSingleCircuit(driverSide: DriverSide): Layout {
  const near = driverSide === 'left' ? 'left' : 'right';
  const far = otherSide(near);
  const wide = (id: string, name: string, from: string, to: string, lengthMm: number): Stretch =>
    line(id, name, from, to, lengthMm, LINE_6_35_INSIDE_MM);
  const front = (s: Side): LayoutNode[] => [
    joint(`${s}-front-bracket`, `Bracket ${s} front`, 520),
    cylinder(`${s}-front-cylinder`, `Wheel cylinder ${s} front`, 400, 8),
  ];
  return car('Veteran, single circuit, drums', near, 'none', {
    reservoirs: [reservoir('reservoir', 'Reservoir', 640, 240, 90)],
    masters: [
      {
        ...master('master', 'Master', 'brake pedal', 430, 4.5, [
          chamber(
            'single',
            'Single chamber',
            25.4,
            { full: 34, bleed: 20 },
            'reservoir',
            'outlet',
            {
              airDrawnMl: 30,
              belowMaxMm: 70,
            },
          ),
        ]),
        // Drums all round were worked by the leg alone [C].
        servo: false,
      },
    ],
    nodes: [
      port('outlet', 'Master outlet', 430),
      valve('residual', 'Residual valve', 430, 'residual'),
      tee('master-tee', 'Tee at the master', 420),
      tee('front-tee', 'Front tee', 480),
      ...front(near),
      ...front(far),
      joint('rear-crossmember', 'Rear crossmember', 560),
      tee('axle-tee', 'Axle tee', 430),
      cylinder('left-rear-cylinder', 'Wheel cylinder left rear', 400, 6),
      cylinder('right-rear-cylinder', 'Wheel cylinder right rear', 400, 6),
    ],
    stretches: [
      wide('short-feed', 'Outlet of the master', 'outlet', 'residual', 40),
      wide('feed', 'Line residual valve to tee', 'residual', 'master-tee', 120),
      wide('front-feed', 'Line to the front tee', 'master-tee', 'front-tee', 700),
      wide(`${near}-front-line`, `Line ${near} front`, 'front-tee', `${near}-front-bracket`, 420),
      wide(
        `${far}-front-line`,
        `Line ${far} front, along the front axle`,
        'front-tee',
        `${far}-front-bracket`,
        1150,
      ),
      hose(
        `${near}-front-hose`,
        `Hose ${near} front`,
        `${near}-front-bracket`,
        `${near}-front-cylinder`,
        420,
      ),
      hose(
        `${far}-front-hose`,
        `Hose ${far} front`,
        `${far}-front-bracket`,
        `${far}-front-cylinder`,
        420,
      ),
      wide('rear-feed', 'Line along the chassis', 'master-tee', 'rear-crossmember', 1780),
      hose('rear-hose', 'Rear hose', 'rear-crossmember', 'axle-tee', 400),
      wide(`${near}-rear-line`, `Axle line ${near}`, 'axle-tee', `${near}-rear-cylinder`, 420),
      wide(`${far}-rear-line`, `Axle line ${far}`, 'axle-tee', `${far}-rear-cylinder`, 980),
    ],
    bleeders: [
      bleeder('left-front', 'left-front-cylinder', 'left front', 11),
      bleeder('right-front', 'right-front-cylinder', 'right front', 11),
      bleeder('left-rear', 'left-rear-cylinder', 'left rear', 11),
      bleeder('right-rear', 'right-rear-cylinder', 'right rear', 11),
    ],
  });
}

/**
 * Rear-engined sports coupe: reservoir and both masters in the nose, brakes
 * front/rear, the clutch line the length of the tunnel in wide bore, dropping
 * to the gearbox and falling again to the slave. All sizes [M].
 */
export function sportsCoupe(driverSide: DriverSide): Layout {
  const near = driverSide === 'left' ? 'left' : 'right';
  const far = otherSide(near);
  const both = [near, far] as const;
  const outlet = { airDrawnMl: 26, belowMaxMm: 50 };
  return car('Sports coupe, engine behind, clutch through the tunnel', near, 'none', {
    reservoirs: [reservoir('reservoir', 'Reservoir', 760, 230, 80)],
    masters: [
      master('master', 'Brake master', 'brake pedal', 640, 5, [
        chamber(
          'front-chamber',
          'Front chamber',
          19.05,
          { full: 18, bleed: 24 },
          'reservoir',
          'front-port',
          outlet,
        ),
        chamber(
          'rear-chamber',
          'Rear chamber',
          19.05,
          { full: 16, bleed: 24 },
          'reservoir',
          'rear-port',
          outlet,
        ),
      ]),
      master('clutch-master', 'Clutch master', 'clutch pedal', 600, 5.5, [
        chamber(
          'clutch-chamber',
          'Clutch chamber',
          19.05,
          { full: 30, bleed: 30 },
          'reservoir',
          'clutch-port',
          { airDrawnMl: 60, belowMaxMm: 38 },
        ),
      ]),
    ],
    nodes: [
      port('front-port', 'Front port', 620),
      port('rear-port', 'Rear port', 620),
      tee('front-tee', 'Front tee', 520),
      ...both.flatMap((s) => [
        joint(`${s}-front-bracket`, `Bracket ${s} front`, 480),
        caliper(`${s}-front-caliper`, `Caliper ${s} front`, 340, 40, 48, 2),
      ]),
      joint('brake-tunnel-front', 'Tunnel, front end, brake line', 380),
      joint('brake-tunnel-rear', 'Tunnel, rear end, brake line', 420),
      tee('axle-tee', 'Rear tee', 480),
      ...both.flatMap((s) => [
        joint(`${s}-rear-bracket`, `Bracket ${s} rear`, 460),
        caliper(`${s}-rear-caliper`, `Caliper ${s} rear`, 340, 22, 38, 2),
      ]),
      port('clutch-port', 'Clutch outlet', 590),
      joint('tunnel-front', 'Tunnel, front end, clutch line', 340),
      joint('tunnel-crest', 'Clutch line over the crossmember', 470),
      joint('tunnel-rear', 'Clutch line behind the crossmember', 330),
      slave('slave', 'Clutch slave', 380, 12, 22.2, { inGearbox: false, holdable: true }),
    ],
    stretches: [
      line('front-feed', 'Line master to front tee', 'front-port', 'front-tee', 350),
      line(`${near}-front-line`, `Line ${near} front`, 'front-tee', `${near}-front-bracket`, 420),
      line(`${far}-front-line`, `Line ${far} front`, 'front-tee', `${far}-front-bracket`, 1150),
      ...both.map((s) =>
        hose(`${s}-front-hose`, `Hose ${s} front`, `${s}-front-bracket`, `${s}-front-caliper`, 340),
      ),
      line('rear-down', 'Line master to tunnel', 'rear-port', 'brake-tunnel-front', 700),
      line(
        'rear-tunnel',
        'Brake line through the tunnel',
        'brake-tunnel-front',
        'brake-tunnel-rear',
        1800,
      ),
      line('rear-out', 'Line tunnel to rear tee', 'brake-tunnel-rear', 'axle-tee', 600),
      line(`${near}-rear-line`, `Line ${near} rear`, 'axle-tee', `${near}-rear-bracket`, 500),
      line(`${far}-rear-line`, `Line ${far} rear`, 'axle-tee', `${far}-rear-bracket`, 720),
      ...both.map((s) =>
        hose(`${s}-rear-hose`, `Hose ${s} rear`, `${s}-rear-bracket`, `${s}-rear-caliper`, 300),
      ),
      line(
        'clutch-down',
        'Clutch line down to the tunnel',
        'clutch-port',
        'tunnel-front',
        820,
        LINE_6_35_INSIDE_MM,
      ),
      line(
        'clutch-tunnel',
        'Clutch line through the tunnel',
        'tunnel-front',
        'tunnel-crest',
        1900,
        LINE_6_35_INSIDE_MM,
      ),
      line(
        'clutch-fall',
        'Clutch line, falling behind the crossmember',
        'tunnel-crest',
        'tunnel-rear',
        420,
        LINE_6_35_INSIDE_MM,
      ),
      hose('clutch-hose', 'Clutch hose', 'tunnel-rear', 'slave', 380),
    ],
    bleeders: [
      bleeder('left-front', 'left-front-caliper', 'left front', 11),
      bleeder('right-front', 'right-front-caliper', 'right front', 11),
      bleeder('left-rear', 'left-rear-caliper', 'left rear', 11),
      bleeder('right-rear', 'right-rear-caliper', 'right rear', 11),
      bleeder('slave-bleeder', 'slave', 'slave', 9),
    ],
  });
}

/** Three-wheeler: one master, a tee, two fronts, and a long line over the tunnel and through a load valve to the one rear wheel. All sizes [M]. */
export function threeWheeler(driverSide: DriverSide): Layout {
  const near = driverSide === 'left' ? 'left' : 'right';
  const far = otherSide(near);
  return threeWheeled('Three-wheeler, one circuit', near, 'none', {
    reservoirs: [reservoir('reservoir', 'Reservoir', 720, 160, 65)],
    masters: [
      master('master', 'Master', 'brake pedal', 640, 4.5, [
        chamber('single', 'Single chamber', 19.05, { full: 32, bleed: 22 }, 'reservoir', 'outlet', {
          airDrawnMl: 22,
          belowMaxMm: 44,
        }),
      ]),
    ],
    nodes: [
      port('outlet', 'Master outlet', 620),
      tee('tee', 'Tee', 520),
      ...([near, far] as const).flatMap((s) => [
        joint(`${s}-front-bracket`, `Bracket ${s} front`, 430),
        cylinder(`${s}-front-cylinder`, `Wheel cylinder ${s} front`, 280, 7),
      ]),
      joint('tunnel-front', 'Tunnel, front end', 330),
      joint('tunnel-top', 'Top of the tunnel', 460),
      joint('tunnel-rear', 'Tunnel, rear end', 300),
      valve('load', 'Load valve', 320, 'load'),
      cylinder('rear-cylinder', 'Wheel cylinder rear', 270, 7),
    ],
    stretches: [
      line('feed', 'Line master to tee', 'outlet', 'tee', 260),
      line(`${near}-front-line`, `Line ${near} front`, 'tee', `${near}-front-bracket`, 480),
      line(`${far}-front-line`, `Line ${far} front`, 'tee', `${far}-front-bracket`, 1080),
      hose(
        `${near}-front-hose`,
        `Hose ${near} front`,
        `${near}-front-bracket`,
        `${near}-front-cylinder`,
        320,
      ),
      hose(
        `${far}-front-hose`,
        `Hose ${far} front`,
        `${far}-front-bracket`,
        `${far}-front-cylinder`,
        320,
      ),
      line('rear-down', 'Line tee to tunnel', 'tee', 'tunnel-front', 520),
      line('rear-up', 'Line up the tunnel', 'tunnel-front', 'tunnel-top', 700),
      line('rear-fall', 'Line down behind the tunnel', 'tunnel-top', 'tunnel-rear', 900),
      line('rear-load', 'Line to the load valve', 'tunnel-rear', 'load', 350),
      hose('rear-hose', 'Rear hose', 'load', 'rear-cylinder', 330),
    ],
    bleeders: [
      bleeder('left-front', 'left-front-cylinder', 'left front', 9),
      bleeder('right-front', 'right-front-cylinder', 'right front', 9),
      bleeder('rear', 'rear-cylinder', 'rear', 9),
    ],
  });
}
