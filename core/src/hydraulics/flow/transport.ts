import type { Path, Stretch } from '../../vehicle/circuit';
import { figure, MODEL, type Figure } from '../../base/figure';
import {
  boreFillingRiseMmS,
  levelDriftMmS,
  limitInsideMm,
  stokesRiseMmS,
  SURFACE_TENSION_NM,
} from './bubbles';
import { velocityMmS } from './hydraulics';

/** What becomes of a bubble that fills the bore of one stretch. */
export type Carried = 'carried' | 'stuck' | 'rises back';

/** One stretch on the way to a bleeder under one method. */
export interface StretchVerdict {
  readonly stretchId: string;
  readonly name: string;
  /** Height lost in the direction of the flow, mm; below 0 where it rises. */
  readonly fallsMm: number;
  readonly velocityMmS: Figure;
  readonly riseMmS: Figure;
  /** Velocity left over after the rise, at the worst of the band, mm/s: the lower, the sooner a bubble stays. */
  readonly marginMmS: number;
  readonly verdict: Carried;
}

/** How the fluid moves: a steady flow, or strokes with a push and a rest. */
export interface Motion {
  /** Flow while it moves, mL/s. */
  readonly flowMlS: number;
  /** Of closed strokes: the whole stroke and the push in it, s; null for a steady flow. */
  readonly strokeS: { readonly whole: number; readonly push: number } | null;
  readonly reverse: boolean;
}

/** Flow within this of the rise counts as stuck, mm/s [M]. */
const STUCK_WITHIN_MMS = 1;
/** A small bubble, as it is seen as "fine", mm. */
export const FINE_BUBBLE_MM = 0.1;

/**
 * Will this flow move that bubble? For every stretch on the way: carried,
 * stuck, or rising back. Where a stretch does not fall in the direction of the
 * flow, any flow carries. In an inclined tube a long bubble rises as fast as in a
 * vertical one, or faster: see `alongSlope`. The band of that and of the surface
 * tension is carried into the verdict.
 *
 * @param riseIn rise in each bore, as `risesAt` gives it for a viscosity
 */
export function transport(
  path: Pick<Path, 'stretches' | 'points'>,
  motion: Motion,
  riseIn: (insideMm: number) => Rise,
): StretchVerdict[] {
  return path.stretches.map((stretch, i) => {
    const downMm = path.points[i]!.node.heightMm - path.points[i + 1]!.node.heightMm;
    return onStretch(stretch, motion.reverse ? -downMm : downMm, motion, riseIn(stretch.insideMm));
  });
}

/** Rise of a bubble that fills the bore, in a vertical one, mm/s, over the band of the surface tension. */
export interface Rise {
  readonly likely: number;
  readonly least: number;
  readonly most: number;
  /** Drift of such a bubble in a level bore, mm/s. */
  readonly level: number;
  /** Rise of a fine bubble, mm/s. */
  readonly fine: number;
}

/**
 * Rise of a bubble by bore, worked out once for each.
 *
 * @param viscosityMm2s kinematic viscosity, mm²/s
 */
export function risesAt(viscosityMm2s: number): (insideMm: number) => Rise {
  const fine = stokesRiseMmS(FINE_BUBBLE_MM, viscosityMm2s);
  const known = new Map<number, Rise>();
  return (insideMm) => {
    const before = known.get(insideMm);
    if (before) return before;
    const at = (surfaceTensionNm: number) =>
      boreFillingRiseMmS(insideMm, viscosityMm2s, surfaceTensionNm);
    const rise = {
      likely: at(SURFACE_TENSION_NM.likely),
      least: at(SURFACE_TENSION_NM.high),
      most: at(SURFACE_TENSION_NM.low),
      level: levelDriftMmS(insideMm),
      fine,
    };
    known.set(insideMm, rise);
    return rise;
  };
}

/** Steeper than this a line counts as vertical, by the sine of its slope [M]. */
const VERTICAL_SLOPE = 0.97;
/** How much faster than in a vertical tube a long bubble was seen to rise in a sloping one, where surface tension matters (Zukoski 1966, J. Fluid Mech. 25, 821; from memory) [M]. */
const FASTER_IN_SLOPE = 1.5;

/**
 * Rise along a sloping bore, mm/s. A long bubble there lies against the upper
 * wall and rises no slower than in a vertical bore, while the sine would have it
 * nearly still: Bendiksen 1984 (Int. J. Multiphase Flow 10, 467) adds the level
 * drift times the cosine to the vertical rise times the sine, and Zukoski 1966
 * saw it faster than both. The sine is the least that is believed, half as fast
 * again as in a vertical one the most: the unsafe side decides [M]. A fine bubble
 * climbs by the sine.
 *
 * @param slope sine of the slope, 0 to 1; at 0 nothing rises
 */
export function alongSlope(
  rise: Rise,
  slope: number,
): { readonly likely: number; readonly least: number; readonly most: number } {
  if (slope === 0) return { likely: 0, least: 0, most: 0 };
  const fine = rise.fine * slope;
  const level = rise.level * Math.sqrt(1 - slope * slope);
  const likely = Math.max(rise.likely, rise.likely * slope + level);
  const faster = slope < VERTICAL_SLOPE ? FASTER_IN_SLOPE : 1;
  return {
    likely: Math.max(likely, fine),
    least: Math.max(rise.least * slope, fine),
    most: Math.max(rise.most * faster, rise.most * slope + level, fine),
  };
}

function onStretch(stretch: Stretch, fallsMm: number, motion: Motion, rise: Rise): StretchVerdict {
  const velocity = velocityMmS(motion.flowMlS, stretch.insideMm);
  const slope = Math.max(0, Math.min(1, fallsMm / stretch.lengthMm));
  const { likely, least, most } = alongSlope(rise, slope);
  const left = (riseMmS: number): number => {
    const inPush = velocity - riseMmS;
    if (!motion.strokeS) return inPush;
    // Between two pushes the bleeder is shut and the bubble climbs back: what is gained in one whole stroke counts too.
    const { whole, push } = motion.strokeS;
    return Math.min(inPush, (velocity * push) / whole - riseMmS);
  };
  return {
    stretchId: stretch.id,
    name: stretch.name,
    fallsMm,
    // Worded only where they are looked at: a ranking weighs hundreds of stretches and shows a few.
    get velocityMmS() {
      return figure({
        label: motion.strokeS ? 'Velocity in the push' : 'Velocity',
        value: velocity,
        unit: 'mm/s',
        rule: `flow ÷ bore area, with ${motion.flowMlS.toFixed(2)} mL/s in ${stretch.insideMm} mm`,
        source: MODEL,
      });
    },
    get riseMmS() {
      return figure({
        label: 'Rise of a bubble here',
        value: likely,
        unit: 'mm/s',
        plusMinus: Math.max(most - likely, likely - least),
        source: MODEL,
        rule: `of one that fills the bore: nothing below the limit of Bretherton 1961 (${limitInsideMm().toFixed(2)} mm for brake fluid), above it Viana et al. 2003 from memory, in a sloping line as in a vertical one and at the most half as fast again (Bendiksen 1984, Zukoski 1966), at the least by the slope, ${slope.toFixed(2)}. A fine one climbs by Stokes times the slope. The band is that and the surface tension’s, 0.030 to 0.036 N/m`,
      });
    },
    marginMmS: left(most),
    verdict: verdictOf(slope, left(most), left(least)),
  };
}

function verdictOf(slope: number, worstMmS: number, bestMmS: number): Carried {
  if (slope === 0) return bestMmS > 0 ? 'carried' : 'stuck';
  if (worstMmS > STUCK_WITHIN_MMS) return 'carried';
  return bestMmS < -STUCK_WITHIN_MMS ? 'rises back' : 'stuck';
}
