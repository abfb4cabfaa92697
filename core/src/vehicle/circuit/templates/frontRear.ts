import type { Bleeder, DriverSide, Layout, LayoutNode, Stretch } from '../layout';
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
  master,
  modulator,
  otherSide,
  port,
  tee,
  valve,
  type Side,
} from '../usualParts';

const sides = (driverSide: DriverSide): { near: Side; far: Side } => {
  const near = driverSide === 'left' ? 'left' : 'right';
  return { near, far: otherSide(near) };
};

/** Two front calipers behind a tee or modulator: the near one straight down, the far one across. */
function fronts(of: {
  near: Side;
  far: Side;
  from: string;
  nearMm: number;
  farMm: number;
  bracketMm: number;
  caliperMm: number;
  cavityMl: number;
  pistonMm: number;
}): { nodes: LayoutNode[]; stretches: Stretch[]; bleeders: Bleeder[] } {
  const { near, far, from } = of;
  const both = [near, far] as const;
  return {
    nodes: both.flatMap((s) => [
      joint(`${s}-front-bracket`, `Bracket ${s} front`, of.bracketMm),
      caliper(`${s}-front-caliper`, `Caliper ${s} front`, of.caliperMm, of.cavityMl, of.pistonMm),
    ]),
    stretches: [
      line(`${near}-front-line`, `Line ${near} front`, from, `${near}-front-bracket`, of.nearMm),
      line(
        `${far}-front-line`,
        `Line ${far} front, across the bay`,
        from,
        `${far}-front-bracket`,
        of.farMm,
      ),
      ...both.map((s) =>
        hose(`${s}-front-hose`, `Hose ${s} front`, `${s}-front-bracket`, `${s}-front-caliper`, 430),
      ),
    ],
    bleeders: both.map((s) => bleeder(`${s}-front`, `${s}-front-caliper`, `${s} front`, 10)),
  };
}

/** A rear axle with drums behind one hose and a tee. */
function drumAxle(of: {
  near: Side;
  far: Side;
  from: string;
  hoseMm: number;
  teeMm: number;
  cylinderMm: number;
  nearMm: number;
  farMm: number;
}): { nodes: LayoutNode[]; stretches: Stretch[]; bleeders: Bleeder[] } {
  const both = [of.near, of.far] as const;
  return {
    nodes: [
      tee('axle-tee', 'Axle tee', of.teeMm),
      ...both.map((s) =>
        cylinder(`${s}-rear-cylinder`, `Wheel cylinder ${s} rear`, of.cylinderMm, 6),
      ),
    ],
    stretches: [
      hose('rear-hose', 'Rear hose', of.from, 'axle-tee', of.hoseMm),
      line(
        `${of.near}-rear-line`,
        `Axle line ${of.near}`,
        'axle-tee',
        `${of.near}-rear-cylinder`,
        of.nearMm,
      ),
      line(
        `${of.far}-rear-line`,
        `Axle line ${of.far}`,
        'axle-tee',
        `${of.far}-rear-cylinder`,
        of.farMm,
      ),
    ],
    bleeders: both.map((s) => bleeder(`${s}-rear`, `${s}-rear-cylinder`, `${s} rear`, 9)),
  };
}

/**
 * Estate with a front/rear split, discs in front and drums behind, a divided
 * reservoir and a combination block: metering and pressure differential. All sizes [M].
 */
export function estateFrontRear(driverSide: DriverSide): Layout {
  const { near, far } = sides(driverSide);
  const front = fronts({
    near,
    far,
    from: 'front-tee',
    nearMm: 330,
    farMm: 1420,
    bracketMm: 620,
    caliperMm: 360,
    cavityMl: 40,
    pistonMm: 57,
  });
  const rear = drumAxle({
    near,
    far,
    from: 'frame-rear',
    hoseMm: 380,
    teeMm: 400,
    cylinderMm: 330,
    nearMm: 560,
    farMm: 980,
  });
  return car('Estate, front/rear split, drums behind', near, 'none', {
    reservoirs: [
      reservoir('front-reservoir', 'Front reservoir', 980, 150, 60),
      reservoir('rear-reservoir', 'Rear reservoir', 980, 90, 40),
    ],
    masters: [
      master('master', 'Master', 'brake pedal', 900, 4.2, [
        chamber(
          'front-chamber',
          'Front chamber',
          22.2,
          { full: 19, bleed: 25 },
          'front-reservoir',
          'front-port',
          { airDrawnMl: 22, belowMaxMm: 46 },
        ),
        chamber(
          'rear-chamber',
          'Rear chamber',
          22.2,
          { full: 16, bleed: 25 },
          'rear-reservoir',
          'rear-port',
          { airDrawnMl: 15, belowMaxMm: 42 },
        ),
      ]),
    ],
    nodes: [
      port('front-port', 'Front port', 880),
      port('rear-port', 'Rear port', 880),
      valve('differential-front', 'Differential valve, front half', 640, 'differential', 'front'),
      valve('differential-rear', 'Differential valve, rear half', 640, 'differential', 'rear'),
      valve('metering', 'Metering valve', 630, 'metering'),
      tee('front-tee', 'Front tee', 620),
      joint('frame-front', 'Frame rail', 420),
      joint('frame-rear', 'Frame over the axle', 500),
      ...front.nodes,
      ...rear.nodes,
    ],
    stretches: [
      line('front-feed', 'Line master to block, front', 'front-port', 'differential-front', 460),
      line('front-block', 'Passage to the metering valve', 'differential-front', 'metering', 40),
      line('front-out', 'Line block to front tee', 'metering', 'front-tee', 120),
      line('rear-feed', 'Line master to block, rear', 'rear-port', 'differential-rear', 430),
      line('rear-out', 'Line block to frame rail', 'differential-rear', 'frame-front', 420),
      line('rear-frame', 'Line along the frame', 'frame-front', 'frame-rear', 2500),
      ...front.stretches,
      ...rear.stretches,
    ],
    bleeders: [...front.bleeders, ...rear.bleeders],
  });
}

/**
 * Pickup with a front/rear split, drums behind and ABS on the rear axle alone:
 * its modulator sits on the frame and has a bleeder of its own. All sizes [M].
 */
export function pickupRearAbs(driverSide: DriverSide): Layout {
  const { near, far } = sides(driverSide);
  const front = fronts({
    near,
    far,
    from: 'front-tee',
    nearMm: 330,
    farMm: 1420,
    bracketMm: 680,
    caliperMm: 430,
    cavityMl: 44,
    pistonMm: 60,
  });
  const rear = drumAxle({
    near,
    far,
    from: 'frame-rear',
    hoseMm: 380,
    teeMm: 460,
    cylinderMm: 430,
    nearMm: 560,
    farMm: 980,
  });
  return car('Pickup, rear-only ABS with its own bleeder', near, 'rear only, own bleeder', {
    reservoirs: [
      reservoir('front-reservoir', 'Front reservoir', 1120, 150, 60),
      reservoir('rear-reservoir', 'Rear reservoir', 1120, 90, 40),
    ],
    masters: [
      master('master', 'Master', 'brake pedal', 1040, 4.2, [
        chamber(
          'front-chamber',
          'Front chamber',
          23.8,
          { full: 19, bleed: 25 },
          'front-reservoir',
          'front-port',
          { airDrawnMl: 22, belowMaxMm: 46 },
        ),
        chamber(
          'rear-chamber',
          'Rear chamber',
          23.8,
          { full: 16, bleed: 25 },
          'rear-reservoir',
          'rear-port',
          { airDrawnMl: 15, belowMaxMm: 42 },
        ),
      ]),
    ],
    nodes: [
      port('front-port', 'Front port', 1020),
      port('rear-port', 'Rear port', 1020),
      tee('front-tee', 'Front tee', 720),
      joint('frame-front', 'Frame rail', 520),
      modulator('rear-modulator', 'Rear modulator', 560, 12, 3),
      joint('frame-rear', 'Frame over the axle', 640),
      ...front.nodes,
      ...rear.nodes,
    ],
    stretches: [
      line('front-feed', 'Line master to front tee', 'front-port', 'front-tee', 560),
      line('rear-feed', 'Line master to frame rail', 'rear-port', 'frame-front', 780),
      line(
        'rear-modulator-feed',
        'Line frame rail to modulator',
        'frame-front',
        'rear-modulator',
        450,
      ),
      line('rear-frame', 'Line along the frame', 'rear-modulator', 'frame-rear', 2200),
      ...front.stretches,
      ...rear.stretches,
    ],
    bleeders: [
      ...front.bleeders,
      ...rear.bleeders,
      bleeder('modulator', 'rear-modulator', 'modulator', 8),
    ],
  });
}

/** Van with a front/rear split, discs all round and a four-channel modulator under the floor on the driver's side. All sizes [M]. */
export function vanFourChannel(driverSide: DriverSide): Layout {
  const { near, far } = sides(driverSide);
  const front = fronts({
    near,
    far,
    from: 'modulator-front',
    nearMm: 680,
    farMm: 1720,
    bracketMm: 640,
    caliperMm: 400,
    cavityMl: 44,
    pistonMm: 60,
  });
  const rearPart = (s: Side, underMm: number): { nodes: LayoutNode[]; stretches: Stretch[] } => ({
    nodes: [
      joint(`${s}-rear-frame`, `Frame ${s} rear line`, s === near ? 400 : 430),
      joint(`${s}-rear-bracket`, `Bracket ${s} rear`, 520),
      caliper(`${s}-rear-caliper`, `Caliper ${s} rear`, 380, 24, 40),
    ],
    stretches: [
      line(
        `${s}-rear-line`,
        `Line ${s} rear, along the frame`,
        'modulator-rear',
        `${s}-rear-frame`,
        underMm,
      ),
      line(
        `${s}-rear-up`,
        `Line ${s} rear, up to the bracket`,
        `${s}-rear-frame`,
        `${s}-rear-bracket`,
        420,
      ),
      hose(`${s}-rear-hose`, `Hose ${s} rear`, `${s}-rear-bracket`, `${s}-rear-caliper`, 340),
    ],
  });
  const rear = [rearPart(near, 3100), rearPart(far, 4150)];
  const outlet = { airDrawnMl: 24, belowMaxMm: 52 };
  return car('Van, four-channel ABS', near, 'four-channel', {
    reservoirs: [reservoir('reservoir', 'Reservoir', 1150, 250, 85)],
    masters: [
      master('master', 'Master', 'brake pedal', 1060, 4.4, [
        chamber(
          'front-chamber',
          'Front chamber',
          25.4,
          { full: 18, bleed: 25 },
          'reservoir',
          'front-port',
          outlet,
        ),
        chamber(
          'rear-chamber',
          'Rear chamber',
          25.4,
          { full: 17, bleed: 25 },
          'reservoir',
          'rear-port',
          outlet,
        ),
      ]),
    ],
    nodes: [
      port('front-port', 'Front port', 1040),
      port('rear-port', 'Rear port', 1040),
      modulator('modulator-front', 'Modulator, front circuit', 560, 9, 5),
      modulator('modulator-rear', 'Modulator, rear circuit', 560, 9, 5),
      ...front.nodes,
      ...rear.flatMap((r) => r.nodes),
    ],
    stretches: [
      line('front-feed', 'Line master to modulator, front', 'front-port', 'modulator-front', 820),
      line('rear-feed', 'Line master to modulator, rear', 'rear-port', 'modulator-rear', 790),
      ...front.stretches,
      ...rear.flatMap((r) => r.stretches),
    ],
    bleeders: [
      ...front.bleeders,
      bleeder('left-rear', 'left-rear-caliper', 'left rear', 10),
      bleeder('right-rear', 'right-rear-caliper', 'right rear', 10),
    ],
  });
}
