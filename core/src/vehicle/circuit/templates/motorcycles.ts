import type { Reservoir, Layout, LayoutNode, Master, Stretch } from '../layout';
import {
  bleeder,
  reservoir,
  caliper,
  chamber,
  hose,
  joint,
  line,
  master,
  modulator,
  motorcycle,
  port,
  tee,
  valve,
} from '../usualParts';

const leverReservoir: Reservoir = reservoir('reservoir', 'Front reservoir', 1060, 32, 12);
const lever = (boreMm = 14): Master =>
  master('front-master', 'Front master', 'brake lever', 1030, 6, [
    chamber(
      'front-chamber',
      'Front chamber',
      boreMm,
      { full: 14, bleed: 10 },
      'reservoir',
      'outlet',
      {
        airDrawnMl: 5,
        belowMaxMm: 18,
      },
    ),
  ]);
const pedalReservoir: Reservoir = reservoir('rear-reservoir', 'Rear reservoir', 620, 30, 12);
const pedal = (boreMm = 14): Master =>
  master(
    'rear-master',
    'Rear master',
    'brake pedal',
    420,
    3.5,
    [
      chamber(
        'rear-chamber',
        'Rear chamber',
        boreMm,
        { full: 13, bleed: 9 },
        'rear-reservoir',
        'rear-outlet',
        { airDrawnMl: 6, belowMaxMm: 20 },
      ),
    ],
    'nose up',
  );
const rearHose = (from: string, lengthMm: number): Stretch =>
  hose('rear-hose', 'Rear hose', from, 'rear-caliper', lengthMm);
const rearCaliper = caliper('rear-caliper', 'Caliper rear', 340, 12, 27, 2);
const frontCaliper = (side: string): LayoutNode =>
  caliper(`${side}-front-caliper`, `Caliper ${side} front`, 380, 16, 30, 4);

/** Motorcycle with one front disc: lever master on the bar, one hose over the fork, one caliper. All sizes [M]. */
export function frontDisc(): Layout {
  return motorcycle('Motorcycle, one front disc', 'none', {
    reservoirs: [reservoir('reservoir', 'Reservoir', 1060, 32, 12)],
    masters: [
      master('master', 'Lever master', 'brake lever', 1030, 6, [
        chamber('single', 'Single chamber', 14, { full: 14, bleed: 10 }, 'reservoir', 'outlet', {
          airDrawnMl: 5,
          belowMaxMm: 18,
        }),
      ]),
    ],
    nodes: [
      port('outlet', 'Master outlet', 1020),
      joint('yoke', 'Clip at the yoke', 840),
      caliper('front-caliper', 'Caliper front', 380, 15, 30, 2),
    ],
    stretches: [
      hose('upper-hose', 'Hose, bar to yoke', 'outlet', 'yoke', 480),
      hose('lower-hose', 'Hose, yoke to caliper', 'yoke', 'front-caliper', 620),
    ],
    bleeders: [bleeder('front', 'front-caliper', 'front', 8)],
  });
}

/** Motorcycle with twin front discs: one hose to a tee at the yoke, one to each caliper, the left the longer. All sizes [M]. */
export function twinFrontDiscs(): Layout {
  return motorcycle('Motorcycle, twin front discs', 'none', {
    reservoirs: [leverReservoir],
    masters: [lever(16)],
    nodes: [
      port('outlet', 'Master outlet', 1020),
      tee('yoke', 'Tee at the yoke', 840),
      frontCaliper('left'),
      frontCaliper('right'),
    ],
    stretches: [
      hose('upper-hose', 'Hose, bar to yoke', 'outlet', 'yoke', 480),
      hose('left-hose', 'Hose, yoke to left caliper', 'yoke', 'left-front-caliper', 700),
      hose('right-hose', 'Hose, yoke to right caliper', 'yoke', 'right-front-caliper', 620),
    ],
    bleeders: [
      bleeder('left-front', 'left-front-caliper', 'left front', 8),
      bleeder('right-front', 'right-front-caliper', 'right front', 8),
    ],
  });
}

/** The same with a bleeder on the master, where its air gathers. All sizes [M]. */
export function twinFrontDiscsMasterBleeder(): Layout {
  const twin = twinFrontDiscs();
  return {
    ...twin,
    name: 'Motorcycle, twin front discs, bleeder on the master',
    bleeders: [...twin.bleeders, bleeder('master-bleeder', 'outlet', 'master', 8)],
  };
}

/** Motorcycle rear disc: master at the footrest, short hose. All sizes [M]. */
export function rearDisc(): Layout {
  return motorcycle('Motorcycle, rear disc', 'none', {
    reservoirs: [pedalReservoir],
    masters: [pedal()],
    nodes: [
      port('rear-outlet', 'Rear master outlet', 460),
      joint('swingarm', 'Clip on the swingarm', 400),
      rearCaliper,
    ],
    stretches: [
      hose('rear-upper', 'Hose, master to swingarm', 'rear-outlet', 'swingarm', 280),
      rearHose('swingarm', 420),
    ],
    bleeders: [bleeder('rear', 'rear-caliper', 'rear', 8)],
  });
}

/** Linked brakes: the pedal works the rear caliper and, behind a delay valve, one piston of the left front caliper; the lever works both fronts. All sizes [M]. */
export function linkedBrakes(): Layout {
  return motorcycle('Motorcycle, linked brakes with a delay valve', 'none', {
    reservoirs: [leverReservoir, pedalReservoir],
    masters: [lever(14), pedal(15.9)],
    nodes: [
      port('outlet', 'Front master outlet', 1020),
      tee('yoke', 'Tee at the yoke', 840),
      frontCaliper('left'),
      frontCaliper('right'),
      port('rear-outlet', 'Rear master outlet', 460),
      tee('pedal-tee', 'Tee behind the pedal', 480),
      rearCaliper,
      joint('frame', 'Line under the tank', 820),
      valve('delay', 'Delay valve', 780, 'delay'),
      caliper('linked-caliper', 'Left front caliper, linked piston', 380, 8, 27, 1),
    ],
    stretches: [
      hose('upper-hose', 'Hose, bar to yoke', 'outlet', 'yoke', 480),
      hose('left-hose', 'Hose, yoke to left caliper', 'yoke', 'left-front-caliper', 700),
      hose('right-hose', 'Hose, yoke to right caliper', 'yoke', 'right-front-caliper', 620),
      hose('pedal-feed', 'Hose, master to tee', 'rear-outlet', 'pedal-tee', 180),
      rearHose('pedal-tee', 520),
      line('linked-line', 'Line under the tank', 'pedal-tee', 'frame', 900),
      line('linked-delay', 'Line to the delay valve', 'frame', 'delay', 420),
      hose('linked-hose', 'Hose, delay valve to linked piston', 'delay', 'linked-caliper', 680),
    ],
    bleeders: [
      bleeder('left-front', 'left-front-caliper', 'left front', 8, { which: 'outer' }),
      bleeder('right-front', 'right-front-caliper', 'right front', 8),
      bleeder('linked', 'linked-caliper', 'left front', 8, { which: 'inner' }),
      bleeder('rear', 'rear-caliper', 'rear', 8),
    ],
  });
}

const throughModulator = (name: string, abs: Layout['abs'], own: Layout['bleeders']): Layout =>
  motorcycle(name, abs, {
    reservoirs: [leverReservoir, pedalReservoir],
    masters: [lever(16), pedal()],
    nodes: [
      port('outlet', 'Front master outlet', 1020),
      modulator('modulator-front', 'Modulator, front circuit', 720, 6, 3),
      tee('yoke', 'Tee at the yoke', 840),
      frontCaliper('left'),
      frontCaliper('right'),
      port('rear-outlet', 'Rear master outlet', 460),
      modulator('modulator-rear', 'Modulator, rear circuit', 720, 6, 3),
      rearCaliper,
    ],
    stretches: [
      hose('lever-line', 'Line, bar to modulator', 'outlet', 'modulator-front', 900),
      line('front-wheel-line', 'Line, modulator to yoke', 'modulator-front', 'yoke', 780),
      hose('left-hose', 'Hose, yoke to left caliper', 'yoke', 'left-front-caliper', 700),
      hose('right-hose', 'Hose, yoke to right caliper', 'yoke', 'right-front-caliper', 620),
      line('pedal-line', 'Line, pedal to modulator', 'rear-outlet', 'modulator-rear', 560),
      rearHose('modulator-rear', 1250),
    ],
    bleeders: [
      bleeder('left-front', 'left-front-caliper', 'left front', 8),
      bleeder('right-front', 'right-front-caliper', 'right front', 8),
      bleeder('rear', 'rear-caliper', 'rear', 8),
      ...own,
    ],
  });

/** ABS in two circuits: lever and pedal each through its half of the modulator under the tank. All sizes [M]. */
export const absTwoCircuits = (): Layout =>
  throughModulator('Motorcycle, ABS in two circuits', 'motorcycle, two circuits', []);

/** Integral ABS: lever and pedal circuits end in the unit, which feeds wheel circuits of its own under high pressure. Not to be opened by a plan. All sizes [M]. */
export const absIntegral = (): Layout =>
  throughModulator('Motorcycle, integral ABS with wheel circuits', 'high pressure', [
    bleeder('front-control', 'modulator-front', 'modulator', 8, { which: 'left' }),
    bleeder('rear-control', 'modulator-rear', 'modulator', 8, { which: 'right' }),
  ]);

/** Sidecar outfit: one front disc at the lever; the pedal works the rear wheel and, over a hump across the frame, the sidecar wheel. All sizes [M]. */
export function sidecarOutfit(): Layout {
  return motorcycle('Sidecar outfit', 'none', {
    reservoirs: [leverReservoir, pedalReservoir],
    masters: [lever(14), pedal(15.9)],
    nodes: [
      port('outlet', 'Front master outlet', 1020),
      joint('fork', 'Clip at the yoke', 840),
      caliper('front-caliper', 'Caliper front', 380, 15, 30, 2),
      port('rear-outlet', 'Rear master outlet', 460),
      tee('pedal-tee', 'Tee behind the pedal', 440),
      rearCaliper,
      joint('hump', 'Line over the frame', 700),
      joint('sidecar-low', 'Line under the sidecar floor', 260),
      caliper('sidecar-caliper', 'Caliper sidecar', 330, 12, 27, 2),
    ],
    stretches: [
      hose('upper-hose', 'Hose, bar to yoke', 'outlet', 'fork', 480),
      hose('lower-hose', 'Hose, yoke to caliper', 'fork', 'front-caliper', 620),
      hose('pedal-feed', 'Hose, master to tee', 'rear-outlet', 'pedal-tee', 120),
      rearHose('pedal-tee', 620),
      line('hump-up', 'Sidecar line, up over the frame', 'pedal-tee', 'hump', 520),
      line('hump-down', 'Sidecar line, down to the floor', 'hump', 'sidecar-low', 700),
      line('sidecar-along', 'Sidecar line, along the floor', 'sidecar-low', 'sidecar-caliper', 620),
    ],
    bleeders: [
      bleeder('front', 'front-caliper', 'front', 8),
      bleeder('rear', 'rear-caliper', 'rear', 8),
      bleeder('sidecar', 'sidecar-caliper', 'sidecar', 8),
    ],
  });
}
