import { layoutParts, type Layout, type LayoutNode, type Stretch } from '../vehicle/circuit';

const {
  bleeder,
  reservoir,
  caliper,
  chamber,
  cylinder,
  hose,
  joint,
  line,
  LINE_6_35_INSIDE_MM,
  master,
  port,
  slave,
  tee,
  valve,
} = layoutParts;

/**
 * A layout typed in from a pencil drawing, with what somebody who follows the
 * drawing with a finger says of it. None of them is a template.
 */
export interface Drawing {
  readonly name: string;
  readonly layout: Layout;
  /** Bleeder ids from the farthest to the nearest, with the metres added up by hand. */
  readonly farthestFirst: readonly (readonly [bleederId: string, metres: number])[];
  /** One bleeder whose way was worked out with a pocket calculator: π/4 · d² · length of each piece, and the cavity at its end. */
  readonly way: { readonly bleederId: string; readonly volumeMl: number };
}

type Parts = Pick<Layout, 'reservoirs' | 'masters' | 'nodes' | 'stretches' | 'bleeders'>;
const drawn = (
  of: Pick<Layout, 'name' | 'vehicleKind' | 'driverSide'> & Partial<Pick<Layout, 'abs'>>,
  parts: Parts,
): Layout => ({ version: 2, abs: 'none', ...of, ...parts });
const outlet = { airDrawnMl: 20, belowMaxMm: 40 };
const small = { airDrawnMl: 6, belowMaxMm: 18 };
const wide = (id: string, from: string, to: string, lengthMm: number): Stretch =>
  line(`way-${id}`, `Line ${id}`, from, to, lengthMm, LINE_6_35_INSIDE_MM);
const pipe = (id: string, from: string, to: string, lengthMm: number): Stretch =>
  line(`way-${id}`, `Line ${id}`, from, to, lengthMm);
const flex = (id: string, from: string, to: string, lengthMm: number): Stretch =>
  hose(`way-${id}`, `Hose ${id}`, from, to, lengthMm);

/** Two masters on a balance bar, a reservoir each; two bleeders on each front caliper. */
const track: Layout = drawn(
  { name: 'Track car', vehicleKind: 'car', driverSide: 'left' },
  {
    reservoirs: [
      reservoir('front-reservoir', 'Front reservoir', 700, 180, 60),
      reservoir('rear-reservoir', 'Rear reservoir', 700, 180, 60),
    ],
    masters: [
      master('front', 'Front master', 'brake pedal', 560, 4.8, [
        chamber(
          'f',
          'Front chamber',
          17.8,
          { full: 26, bleed: 18 },
          'front-reservoir',
          'front-port',
          outlet,
        ),
      ]),
      master('rear', 'Rear master', 'brake pedal', 560, 4.8, [
        chamber(
          'r',
          'Rear chamber',
          19.05,
          { full: 26, bleed: 18 },
          'rear-reservoir',
          'rear-port',
          outlet,
        ),
      ]),
    ].map((m) => ({ ...m, servo: false })),
    nodes: [
      port('front-port', 'Front port', 550),
      tee('front-tee', 'Front tee', 480),
      caliper('lf', 'Caliper left front', 380, 45, 38, 4),
      caliper('rf', 'Caliper right front', 380, 45, 38, 4),
      port('rear-port', 'Rear port', 550),
      tee('rear-tee', 'Rear tee', 400),
      caliper('lr', 'Caliper left rear', 370, 25, 38, 2),
      caliper('rr', 'Caliper right rear', 370, 25, 38, 2),
    ],
    stretches: [
      pipe('a', 'front-port', 'front-tee', 300),
      flex('b', 'front-tee', 'lf', 650),
      flex('c', 'front-tee', 'rf', 1200),
      pipe('d', 'rear-port', 'rear-tee', 2600),
      flex('e', 'rear-tee', 'lr', 640),
      flex('f', 'rear-tee', 'rr', 700),
    ],
    bleeders: [
      bleeder('lf-inner-screw', 'lf', 'left front', 11, { which: 'inner' }),
      bleeder('lf-outer-screw', 'lf', 'left front', 11, { which: 'outer' }),
      bleeder('rf-inner-screw', 'rf', 'right front', 11, { which: 'inner' }),
      bleeder('rf-outer-screw', 'rf', 'right front', 11, { which: 'outer' }),
      bleeder('lr-screw', 'lr', 'left rear', 11),
      bleeder('rr-screw', 'rr', 'right rear', 11),
    ],
  },
);

const quad: Layout = drawn(
  { name: 'Farm quad', vehicleKind: 'quad', driverSide: 'middle' },
  {
    reservoirs: [
      reservoir('hand', 'Reservoir on the bar', 980, 35, 12),
      reservoir('foot', 'Rear reservoir', 560, 40, 14),
    ],
    masters: [
      master('lever', 'Lever master', 'brake lever', 960, 6, [
        chamber(
          'hand-chamber',
          'Lever chamber',
          14,
          { full: 14, bleed: 10 },
          'hand',
          'lever-port',
          small,
        ),
      ]),
      master('pedal', 'Foot master', 'foot brake', 420, 4, [
        chamber(
          'foot-chamber',
          'Foot chamber',
          15.9,
          { full: 14, bleed: 10 },
          'foot',
          'foot-port',
          small,
        ),
      ]),
    ],
    nodes: [
      port('lever-port', 'Outlet at the lever', 960),
      tee('tee', 'Tee under the headstock', 700),
      caliper('lf', 'Caliper left front', 300, 12, 30, 2),
      caliper('rf', 'Caliper right front', 300, 12, 30, 2),
      port('foot-port', 'Outlet at the foot', 420),
      joint('swingarm', 'Swingarm clip', 380),
      caliper('rear', 'Caliper rear', 330, 14, 32, 2),
    ],
    stretches: [
      flex('a', 'lever-port', 'tee', 500),
      flex('b', 'tee', 'lf', 450),
      flex('c', 'tee', 'rf', 520),
      pipe('d', 'foot-port', 'swingarm', 700),
      flex('e', 'swingarm', 'rear', 350),
    ],
    bleeders: [
      bleeder('lf-screw', 'lf', 'left front', 8),
      bleeder('rf-screw', 'rf', 'right front', 8),
      bleeder('rear-screw', 'rear', 'rear', 8),
    ],
  },
);

/** Two axles of discs behind an overrun coupling. */
const boatTrailer: Layout = drawn(
  { name: 'Boat trailer, two axles', vehicleKind: 'trailer', driverSide: 'middle' },
  {
    reservoirs: [reservoir('reservoir', 'Reservoir in the coupling', 600, 220, 80)],
    masters: [
      master('coupling', 'Coupling master', 'overrun coupling', 520, 1, [
        chamber('chamber', 'Chamber', 22.2, { full: 35, bleed: 28 }, 'reservoir', 'port', outlet),
      ]),
    ],
    nodes: [
      port('port', 'Outlet of the coupling', 520),
      joint('frame', 'Frame', 480),
      tee('front-tee', 'Front axle tee', 420),
      tee('rear-tee', 'Rear axle tee', 420),
      ...(['lf', 'rf', 'lr', 'rr'] as const).map((id) => caliper(id, `Caliper ${id}`, 330, 30, 48)),
    ],
    stretches: [
      pipe('a', 'port', 'frame', 2200),
      pipe('b', 'frame', 'front-tee', 1400),
      pipe('c', 'front-tee', 'rear-tee', 800),
      flex('d', 'front-tee', 'lf', 500),
      flex('e', 'front-tee', 'rf', 1400),
      flex('f', 'rear-tee', 'lr', 480),
      flex('g', 'rear-tee', 'rr', 1380),
    ],
    bleeders: [
      bleeder('lf-screw', 'lf', 'left front', 11),
      bleeder('rf-screw', 'rf', 'right front', 11),
      bleeder('lr-screw', 'lr', 'left rear', 11),
      bleeder('rr-screw', 'rr', 'right rear', 11),
    ],
  },
);

/** One hose the length of a scooter, from the left lever to a drum. */
const scooter: Layout = drawn(
  { name: 'Scooter, rear drum', vehicleKind: 'motorcycle', driverSide: 'middle' },
  {
    reservoirs: [reservoir('reservoir', 'Reservoir', 1000, 30, 10)],
    masters: [
      master('lever', 'Left lever', 'brake lever', 980, 6, [
        chamber(
          'hand-chamber',
          'Chamber',
          12.7,
          { full: 14, bleed: 10 },
          'reservoir',
          'port',
          small,
        ),
      ]),
    ],
    nodes: [port('port', 'Outlet', 980), cylinder('drum', 'Wheel cylinder rear', 260, 7)],
    stretches: [flex('a', 'port', 'drum', 1900)],
    bleeders: [bleeder('drum-screw', 'drum', 'rear', 8)],
  },
);

/** A clutch whose slave lies above the lowest bend. */
const cruiserClutch: Layout = drawn(
  { name: 'Cruiser, clutch', vehicleKind: 'motorcycle', driverSide: 'middle' },
  {
    reservoirs: [reservoir('reservoir', 'Reservoir', 1020, 30, 10)],
    masters: [
      master('lever', 'Clutch lever', 'clutch lever', 1000, 6, [
        chamber('hand-chamber', 'Chamber', 14, { full: 14, bleed: 10 }, 'reservoir', 'port', small),
      ]),
    ],
    nodes: [
      port('port', 'Outlet', 1000),
      joint('low', 'Under the frame', 300),
      slave('slave', 'Slave', 420, 10, 35, { inGearbox: false, holdable: true }),
    ],
    stretches: [flex('a', 'port', 'low', 900), pipe('b', 'low', 'slave', 500)],
    bleeders: [bleeder('slave-screw', 'slave', 'slave', 8)],
  },
);

/** A comb: four tees along one wide pipe, a cylinder on each. */
const wagon: Layout = drawn(
  { name: 'Timber wagon', vehicleKind: 'car', driverSide: 'right' },
  {
    reservoirs: [reservoir('reservoir', 'Reservoir', 900, 260, 90)],
    masters: [
      {
        ...master('m', 'Master', 'brake pedal', 620, 5, [
          chamber('chamber', 'Chamber', 25.4, { full: 34, bleed: 22 }, 'reservoir', 'port', outlet),
        ]),
        servo: false,
      },
    ],
    nodes: [
      port('port', 'Outlet', 620),
      ...[1, 2, 3, 4].flatMap((n): LayoutNode[] => [
        tee(`tee-${n}`, `Tee ${n}`, 520),
        cylinder(`cyl-${n}`, `Wheel cylinder ${n}`, 420, 8),
      ]),
    ],
    stretches: [
      wide('a', 'port', 'tee-1', 500),
      wide('b', 'tee-1', 'tee-2', 700),
      wide('c', 'tee-2', 'tee-3', 700),
      wide('d', 'tee-3', 'tee-4', 700),
      ...[1, 2, 3, 4].map((n) => pipe(`spur-${n}`, `tee-${n}`, `cyl-${n}`, 300)),
    ],
    bleeders: [
      bleeder('b1-screw', 'cyl-1', 'right front', 10),
      bleeder('b2-screw', 'cyl-2', 'left front', 10),
      bleeder('b3-screw', 'cyl-3', 'right rear', 10),
      bleeder('b4-screw', 'cyl-4', 'left rear', 10),
    ],
  },
);

/** A divided pair of reservoirs, a load valve and nearly eight metres to the rear axle. */
const bus: Layout = drawn(
  { name: 'Island bus', vehicleKind: 'car', driverSide: 'left' },
  {
    reservoirs: [
      reservoir('front-reservoir', 'Front chamber', 1100, 200, 70),
      reservoir('rear-reservoir', 'Rear chamber', 1100, 200, 70),
    ],
    masters: [
      master('m', 'Master', 'brake pedal', 960, 4.5, [
        chamber(
          'f',
          'Front chamber',
          28.6,
          { full: 18, bleed: 20 },
          'front-reservoir',
          'front-port',
          outlet,
        ),
        chamber(
          'r',
          'Rear chamber',
          28.6,
          { full: 18, bleed: 20 },
          'rear-reservoir',
          'rear-port',
          outlet,
        ),
      ]),
    ],
    nodes: [
      port('front-port', 'Front port', 950),
      tee('front-tee', 'Front tee', 700),
      caliper('lf', 'Caliper left front', 480, 50, 60, 2),
      caliper('rf', 'Caliper right front', 480, 50, 60, 2),
      port('rear-port', 'Rear port', 950),
      valve('load', 'Load valve', 620, 'load'),
      tee('rear-tee', 'Rear tee', 560),
      cylinder('lr', 'Wheel cylinder left rear', 480, 10),
      cylinder('rr', 'Wheel cylinder right rear', 480, 10),
    ],
    stretches: [
      pipe('a', 'front-port', 'front-tee', 900),
      flex('b', 'front-tee', 'lf', 600),
      flex('c', 'front-tee', 'rf', 1500),
      pipe('d', 'rear-port', 'load', 6800),
      flex('e', 'load', 'rear-tee', 500),
      pipe('f', 'rear-tee', 'lr', 450),
      pipe('g', 'rear-tee', 'rr', 1250),
    ],
    bleeders: [
      bleeder('lf-screw', 'lf', 'left front', 11),
      bleeder('rf-screw', 'rf', 'right front', 11),
      bleeder('lr-screw', 'lr', 'left rear', 10),
      bleeder('rr-screw', 'rr', 'right rear', 10),
    ],
  },
);

/** A cargo three-wheeler: one disc in front, two drums behind, all on one chamber. */
const cargo: Layout = drawn(
  { name: 'Cargo three-wheeler', vehicleKind: 'three-wheeler', driverSide: 'middle' },
  {
    reservoirs: [reservoir('reservoir', 'Reservoir', 760, 120, 45)],
    masters: [
      master('m', 'Master', 'brake pedal', 640, 4.5, [
        chamber('chamber', 'Chamber', 17.5, { full: 30, bleed: 20 }, 'reservoir', 'port', outlet),
      ]),
    ],
    nodes: [
      port('port', 'Outlet', 640),
      tee('tee', 'Tee', 560),
      caliper('front', 'Caliper front', 360, 18, 34, 2),
      tee('axle', 'Axle tee', 380),
      cylinder('lr', 'Wheel cylinder left rear', 300, 6),
      cylinder('rr', 'Wheel cylinder right rear', 300, 6),
    ],
    stretches: [
      pipe('a', 'port', 'tee', 200),
      flex('b', 'tee', 'front', 1100),
      pipe('c', 'tee', 'axle', 2100),
      pipe('d', 'axle', 'lr', 500),
      pipe('e', 'axle', 'rr', 620),
    ],
    bleeders: [
      bleeder('front-screw', 'front', 'front', 8),
      bleeder('lr-screw', 'lr', 'left rear', 9),
      bleeder('rr-screw', 'rr', 'right rear', 9),
    ],
  },
);

/** Clutch alone, a wide pipe down to the slave and the bleeder at its foot. */
const tractorClutch: Layout = drawn(
  { name: 'Tractor, clutch', vehicleKind: 'car', driverSide: 'middle' },
  {
    reservoirs: [reservoir('reservoir', 'Reservoir', 1300, 150, 60)],
    masters: [
      master('m', 'Clutch master', 'clutch pedal', 1150, 5.5, [
        chamber('chamber', 'Chamber', 19.05, { full: 30, bleed: 24 }, 'reservoir', 'port', outlet),
      ]),
    ],
    nodes: [
      port('port', 'Outlet', 1150),
      slave('slave', 'Slave', 700, 14, 25.4, { inGearbox: false, holdable: false }),
    ],
    stretches: [wide('a', 'port', 'slave', 1800)],
    bleeders: [bleeder('slave-screw', 'slave', 'slave', 10, { type: 'quarter turn' })],
  },
);

/** A trials bike whose rear caliper hangs with its bleeder at the side: it must be turned to be bled. */
const trials: Layout = drawn(
  { name: 'Trials bike, rear', vehicleKind: 'motorcycle', driverSide: 'middle' },
  {
    reservoirs: [reservoir('reservoir', 'Reservoir', 520, 22, 8)],
    masters: [
      master('m', 'Foot master', 'foot brake', 380, 4, [
        chamber('chamber', 'Chamber', 11, { full: 12, bleed: 9 }, 'reservoir', 'port', {
          airDrawnMl: 4,
          belowMaxMm: 14,
        }),
      ]),
    ],
    nodes: [port('port', 'Outlet', 380), caliper('rear', 'Caliper rear', 320, 9, 22, 2)],
    stretches: [flex('a', 'port', 'rear', 620)],
    bleeders: [bleeder('rear-screw', 'rear', 'rear', 8, { atTop: false })],
  },
);

/** Ten drawings that differ in kind. */
export const DRAWINGS: readonly Drawing[] = [
  {
    name: 'two masters, two bleeders on each front caliper',
    layout: track,
    farthestFirst: [
      ['rr-screw', 3.3],
      ['lr-screw', 3.24],
      ['rf-inner-screw', 1.5],
      ['rf-outer-screw', 1.5],
      ['lf-inner-screw', 0.95],
      ['lf-outer-screw', 0.95],
    ],
    // 2.6 m of 3.35 mm: 22.917; 0.7 m of 3.2 mm: 5.630; the caliper 25.
    way: { bleederId: 'rr-screw', volumeMl: 53.546 },
  },
  {
    name: 'a quad with lever and foot brake',
    layout: quad,
    farthestFirst: [
      ['rear-screw', 1.05],
      ['rf-screw', 1.02],
      ['lf-screw', 0.95],
    ],
    // 1.02 m of 3.2 mm: 8.203; the caliper 12.
    way: { bleederId: 'rf-screw', volumeMl: 20.203 },
  },
  {
    name: 'a trailer with two axles',
    layout: boatTrailer,
    farthestFirst: [
      ['rr-screw', 5.78],
      ['rf-screw', 5],
      ['lr-screw', 4.88],
      ['lf-screw', 4.1],
    ],
    // 3.6 m of 3.35 mm: 31.731; 0.5 m of 3.2 mm: 4.021; the caliper 30.
    way: { bleederId: 'lf-screw', volumeMl: 65.752 },
  },
  {
    name: 'a scooter with one long hose',
    layout: scooter,
    farthestFirst: [['drum-screw', 1.9]],
    // 1.9 m of 3.2 mm: 15.281; the cylinder 7.
    way: { bleederId: 'drum-screw', volumeMl: 22.281 },
  },
  {
    name: 'a clutch that rises to its slave',
    layout: cruiserClutch,
    farthestFirst: [['slave-screw', 1.4]],
    // 0.9 m of 3.2 mm: 7.238; 0.5 m of 3.35 mm: 4.407; the slave 10.
    way: { bleederId: 'slave-screw', volumeMl: 21.645 },
  },
  {
    name: 'a comb of four tees',
    layout: wagon,
    farthestFirst: [
      ['b4-screw', 2.9],
      ['b3-screw', 2.2],
      ['b2-screw', 1.5],
      ['b1-screw', 0.8],
    ],
    // 2.6 m of 4.9 mm: 49.029; 0.3 m of 3.35 mm: 2.644; the cylinder 8.
    way: { bleederId: 'b4-screw', volumeMl: 59.674 },
  },
  {
    name: 'a bus with a load valve',
    layout: bus,
    farthestFirst: [
      ['rr-screw', 8.55],
      ['lr-screw', 7.75],
      ['rf-screw', 2.4],
      ['lf-screw', 1.5],
    ],
    // 8.05 m of 3.35 mm: 70.954; 0.5 m of 3.2 mm: 4.021; the cylinder 10.
    way: { bleederId: 'rr-screw', volumeMl: 84.975 },
  },
  {
    name: 'a cargo three-wheeler',
    layout: cargo,
    farthestFirst: [
      ['rr-screw', 2.92],
      ['lr-screw', 2.8],
      ['front-screw', 1.3],
    ],
    // 0.2 m of 3.35 mm: 1.763; 1.1 m of 3.2 mm: 8.847; the caliper 18.
    way: { bleederId: 'front-screw', volumeMl: 28.61 },
  },
  {
    name: 'a tractor’s clutch',
    layout: tractorClutch,
    farthestFirst: [['slave-screw', 1.8]],
    // 1.8 m of 4.9 mm: 33.943; the slave 14.
    way: { bleederId: 'slave-screw', volumeMl: 47.943 },
  },
  {
    name: 'a rear caliper that must be turned',
    layout: trials,
    farthestFirst: [['rear-screw', 0.62]],
    // 0.62 m of 3.2 mm: 4.986; the caliper 9.
    way: { bleederId: 'rear-screw', volumeMl: 13.986 },
  },
];
