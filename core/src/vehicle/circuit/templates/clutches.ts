import type { DriverSide, Layout } from '../layout';
import { vanFourChannel } from './frontRear';
import {
  bleeder,
  reservoir,
  car,
  chamber,
  hose,
  joint,
  line,
  LINE_6_35_INSIDE_MM,
  master,
  motorcycle,
  port,
  slave,
} from '../usualParts';

/** Hatchback clutch: small reservoir of its own, master at the pedal, slave outside on the gearbox. All sizes [M]. */
export function clutchExternalSlave(driverSide: DriverSide): Layout {
  return car('Hatchback clutch, slave outside', driverSide, 'none', {
    reservoirs: [reservoir('reservoir', 'Clutch reservoir', 920, 70, 30)],
    masters: [
      master('clutch-master', 'Clutch master', 'clutch pedal', 820, 5.5, [
        chamber(
          'clutch-chamber',
          'Clutch chamber',
          15.9,
          { full: 32, bleed: 28 },
          'reservoir',
          'outlet',
          { airDrawnMl: 10, belowMaxMm: 36 },
        ),
      ]),
    ],
    nodes: [
      port('outlet', 'Master outlet', 800),
      joint('bulkhead', 'Clip at the bulkhead', 640),
      joint('bracket', 'Bracket at the gearbox', 480),
      slave('slave', 'Clutch slave', 430, 10, 19, { inGearbox: false, holdable: true }),
    ],
    stretches: [
      line('upper', 'Clutch line, master to bulkhead', 'outlet', 'bulkhead', 420),
      line('lower', 'Clutch line to the gearbox', 'bulkhead', 'bracket', 680),
      hose('hose', 'Clutch hose', 'bracket', 'slave', 300),
    ],
    bleeders: [bleeder('slave-bleeder', 'slave', 'slave', 8)],
  });
}

/** Van brakes and a clutch on one reservoir: slave inside the gearbox, a quarter-turn bleeder outside; the clutch's outlet lies above those of the brakes. All sizes [M]. */
export function clutchConcentricShared(driverSide: DriverSide): Layout {
  const van = vanFourChannel(driverSide);
  return {
    ...van,
    name: 'Van, four-channel ABS, clutch on the same reservoir',
    masters: [
      ...van.masters,
      master('clutch-master', 'Clutch master', 'clutch pedal', 1000, 5.5, [
        chamber(
          'clutch-chamber',
          'Clutch chamber',
          19.05,
          { full: 30, bleed: 28 },
          'reservoir',
          'clutch-port',
          { airDrawnMl: 62, belowMaxMm: 38 },
        ),
      ]),
    ],
    nodes: [
      ...van.nodes,
      port('clutch-port', 'Clutch outlet', 990),
      joint('clutch-clip', 'Clip at the bulkhead', 700),
      joint('clutch-elbow', 'Elbow at the gearbox', 560),
      slave('slave', 'Concentric slave', 520, 12, 30, { inGearbox: true, holdable: false }),
    ],
    stretches: [
      ...van.stretches,
      hose('clutch-feed', 'Clutch hose, master to bulkhead', 'clutch-port', 'clutch-clip', 520),
      line(
        'clutch-line',
        'Clutch line to the gearbox',
        'clutch-clip',
        'clutch-elbow',
        650,
        LINE_6_35_INSIDE_MM,
      ),
      line('clutch-quill', 'Line into the bell housing', 'clutch-elbow', 'slave', 220),
    ],
    bleeders: [
      ...van.bleeders,
      bleeder('slave-bleeder', 'slave', 'slave', 11, { type: 'quarter turn' }),
    ],
  };
}

/** Light truck clutch whose master sits nose up: its air gathers at the outlet. All sizes [M]. */
export function clutchNoseUp(driverSide: DriverSide): Layout {
  return car('Light truck clutch, master nose up', driverSide, 'none', {
    reservoirs: [reservoir('reservoir', 'Clutch reservoir', 1260, 90, 40)],
    masters: [
      master(
        'clutch-master',
        'Clutch master',
        'clutch pedal',
        1080,
        5.8,
        [
          chamber(
            'clutch-chamber',
            'Clutch chamber',
            19.05,
            { full: 34, bleed: 30 },
            'reservoir',
            'outlet',
            { airDrawnMl: 14, belowMaxMm: 40 },
          ),
        ],
        'nose up',
      ),
    ],
    nodes: [
      port('outlet', 'Master outlet', 1120),
      joint('crest', 'Line over the wheel arch', 1160),
      joint('frame', 'Clip on the frame', 620),
      slave('slave', 'Clutch slave', 560, 13, 22.2, { inGearbox: false, holdable: true }),
    ],
    stretches: [
      line(
        'rise',
        'Clutch line, rising from the master',
        'outlet',
        'crest',
        260,
        LINE_6_35_INSIDE_MM,
      ),
      line('fall', 'Clutch line, falling to the frame', 'crest', 'frame', 980, LINE_6_35_INSIDE_MM),
      hose('hose', 'Clutch hose', 'frame', 'slave', 420),
    ],
    bleeders: [bleeder('slave-bleeder', 'slave', 'slave', 10)],
  });
}

/** Motorcycle clutch with a line of many bends from the bar round the steering head to the slave. All sizes [M]. */
export function motorcycleClutchBends(): Layout {
  return motorcycle('Motorcycle, hydraulic clutch, many bends', 'none', {
    reservoirs: [reservoir('reservoir', 'Clutch reservoir', 1050, 28, 12)],
    masters: [
      master('clutch-master', 'Clutch master', 'clutch lever', 1020, 6, [
        chamber(
          'clutch-chamber',
          'Clutch chamber',
          12.7,
          { full: 14, bleed: 10 },
          'reservoir',
          'outlet',
          { airDrawnMl: 5, belowMaxMm: 16 },
        ),
      ]),
    ],
    nodes: [
      port('outlet', 'Master outlet', 1010),
      joint('banjo', 'Highest bend, at the master', 1040),
      joint('head', 'Round the steering head', 880),
      joint('frame-low', 'Low bend on the frame', 520),
      joint('engine-top', 'Over the engine case', 640),
      slave('slave', 'Clutch slave', 420, 9, 32, { inGearbox: false, holdable: true }),
    ],
    stretches: [
      hose('first', 'Hose, up to the bend', 'outlet', 'banjo', 60),
      hose('second', 'Hose, down to the head', 'banjo', 'head', 340),
      hose('third', 'Hose along the frame', 'head', 'frame-low', 560),
      hose('fourth', 'Hose, up over the engine', 'frame-low', 'engine-top', 320),
      hose('fifth', 'Hose, down to the slave', 'engine-top', 'slave', 420),
    ],
    bleeders: [bleeder('slave-bleeder', 'slave', 'slave', 8)],
  });
}

/** Off-road motorcycle clutch: short hose, bare slave on the engine case, which is filled best from below. All sizes [M]. */
export function motorcycleClutchBare(): Layout {
  return motorcycle('Off-road motorcycle, hydraulic clutch', 'none', {
    reservoirs: [reservoir('reservoir', 'Clutch reservoir', 1120, 25, 12)],
    masters: [
      master('clutch-master', 'Clutch master', 'clutch lever', 1100, 6.5, [
        chamber(
          'clutch-chamber',
          'Clutch chamber',
          9.5,
          { full: 14, bleed: 10 },
          'reservoir',
          'outlet',
          { airDrawnMl: 5, belowMaxMm: 14 },
        ),
      ]),
    ],
    nodes: [
      port('outlet', 'Master outlet', 1090),
      joint('head', 'Clip at the steering head', 900),
      slave('slave', 'Clutch slave', 460, 8, 27, { inGearbox: false, holdable: false }),
    ],
    stretches: [
      hose('upper', 'Hose, bar to head', 'outlet', 'head', 380),
      hose('lower', 'Hose, head to slave', 'head', 'slave', 640),
    ],
    bleeders: [bleeder('slave-bleeder', 'slave', 'slave', 8)],
  });
}
