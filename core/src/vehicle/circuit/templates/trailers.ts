import type { Layout } from '../layout';
import {
  bleeder,
  reservoir,
  chamber,
  cylinder,
  hose,
  joint,
  line,
  master,
  port,
  tee,
  trailer,
} from '../usualParts';

/**
 * Trailer with drums on one axle, braked by its own push: the master lies in the
 * coupling, is worked by the rod that runs into it, and has no pedal, no servo
 * and nobody's foot. All sizes [M].
 */
export function trailerOverrun(): Layout {
  const sides = ['left', 'right'] as const;
  return trailer('Trailer, overrun coupling, drums', {
    reservoirs: [reservoir('reservoir', 'Reservoir', 560, 140, 55)],
    masters: [
      master('coupling', 'Master in the coupling', 'overrun coupling', 500, 1, [
        chamber('single', 'Single chamber', 19.05, { full: 30, bleed: 24 }, 'reservoir', 'outlet', {
          airDrawnMl: 22,
          belowMaxMm: 40,
        }),
      ]),
    ],
    nodes: [
      port('outlet', 'Outlet of the coupling', 500),
      joint('drawbar', 'Drawbar, rear end', 460),
      joint('frame', 'Frame, before the axle', 480),
      tee('axle-tee', 'Axle tee', 330),
      ...sides.map((s) => cylinder(`${s}-cylinder`, `Wheel cylinder ${s}`, 300, 6)),
    ],
    stretches: [
      line('drawbar-line', 'Line along the drawbar', 'outlet', 'drawbar', 1600),
      line('frame-line', 'Line along the frame', 'drawbar', 'frame', 1500),
      hose('axle-hose', 'Axle hose', 'frame', 'axle-tee', 400),
      line('left-line', 'Axle line left', 'axle-tee', 'left-cylinder', 420),
      line('right-line', 'Axle line right', 'axle-tee', 'right-cylinder', 1080),
    ],
    bleeders: sides.map((s) => bleeder(s, `${s}-cylinder`, `${s} wheel`, 9)),
  });
}
