import { determinant, inverse, Matrix } from 'ml-matrix';
import {
  airOf,
  lostShare,
  pressureMPa,
  type AirLeft,
  type Curve,
  type PedalSetup,
  type Reading,
} from '../pedal';
import { normals } from './normals';

/** What two readings of a ruler at one place differ by, standard deviation, mm [M]. */
export const RULER_MM = 1.5;

/** Pads may stand so much nearer or farther than at the baseline, mm at the pedal, standard deviation [M]. */
const PADS_MOVE_MM = 2;
/** A baseline was bled: what may still have been in it, mL, standard deviation [M]. */
const BLED_ML = 0.05;
/**
 * What this vehicle's pedal has that bends like air and is none, the same at
 * every visit, mL, standard deviation [M]. A baseline tells it; without one it
 * is no more than a layout and a model usually miss.
 */
const OWN_SHAPE_ML = { withBaseline: 1, without: 0.3 } as const;
/** Before anybody measured, any air is as good as any other, mL. */
const ANY_ML = 20;
/** Nobody knows at which height a pedal rests, mm. */
const ANY_MM = 500;

/** Numbers of the unknowns in the fit. */
const AIR = 0;
const COMPLIANCE = 1;
const OWN_SHAPE = 2;
/** Of each session: height at rest, rod play, clearance. */
const REST = 3;
const PLAY = 4;
const PADS = 5;
const OF_A_SESSION = 3;

/**
 * Air left by the whole curve, with its uncertainty: a linear least-squares fit
 * of all readings at once, each with the ruler's error, and of what the layout
 * says with how far that may be off (Bayesian linear regression with normal
 * priors, as in Bishop 2006, section 3.3). With a bled baseline of the same
 * vehicle widening, play and whatever else bends like air are common to both,
 * and only the air and the pads may differ. The springs, which enter the
 * pressure, are given: `airLeft` goes over them.
 *
 * @param now readings to be judged, at least one of them under a force that the springs do not hold back
 * @param baseline readings of this vehicle bled and proved; null without
 * @param rulerMm standard deviation of one reading, above 0
 */
export function airFor(
  setup: PedalSetup,
  now: readonly Reading[],
  baseline: readonly Reading[] | null,
  {
    preloadN = setup.preloadN.value,
    rulerMm = RULER_MM,
  }: { readonly preloadN?: number; readonly rulerMm?: number } = {},
): { readonly ml: number; readonly sdMl: number; readonly logEvidence: number } {
  const { ratio, areaMm2, ambientMPa, playMm, clearanceMl, complianceMlPerMPa } = setup;
  const curve: Pick<Curve, 'ratio' | 'areaMm2' | 'preloadN'> = { ratio, areaMm2, preloadN };
  const mmPerMl = (ratio * 1000) / areaMm2;
  const sessions = baseline ? [now, baseline] : [now];
  const unknowns = REST + OF_A_SESSION * sessions.length;
  const rows: number[][] = [];
  const seen: number[] = [];
  // Each row in units of how far it may be off: then all of them weigh alike.
  const put = (row: number[], value: number, sd: number) => {
    rows.push(row.map((x) => x / sd));
    seen.push(value / sd);
  };
  const only = (entries: Readonly<Record<number, number>>) =>
    Array.from({ length: unknowns }, (_, i) => entries[i] ?? 0);

  // What is known before anybody measures.
  put(only({ [AIR]: 1 }), 0, ANY_ML);
  put(only({ [OWN_SHAPE]: 1 }), 0, baseline ? OWN_SHAPE_ML.withBaseline : OWN_SHAPE_ML.without);
  put(only({ [COMPLIANCE]: 1 }), complianceMlPerMPa.value, complianceMlPerMPa.plusMinus!);
  sessions.forEach((readings, s) => {
    const at = OF_A_SESSION * s;
    const [rest, play, pads] = [REST + at, PLAY + at, PADS + at];
    put(only({ [rest]: 1 }), 0, ANY_MM);
    if (s === 0) {
      put(only({ [play]: 1 }), ratio * playMm.value, ratio * playMm.plusMinus!);
      put(only({ [pads]: 1 }), mmPerMl * clearanceMl.value, mmPerMl * clearanceMl.plusMinus!);
    } else {
      // The same rod and the same pads, a little nearer or farther.
      put(only({ [play]: 1, [PLAY]: -1 }), 0, RULER_MM / 2);
      put(only({ [pads]: 1, [PADS]: -1 }), 0, PADS_MOVE_MM);
    }
    for (const { at: where, pumped, heightMm } of readings) {
      if (where === 'rest') {
        put(only({ [rest]: 1 }), heightMm, rulerMm);
        continue;
      }
      const p = where === 'first resistance' ? 0 : pressureMPa(curve, where.forceN);
      // Below the springs nothing is under pressure, and how far it has gone nobody can say.
      if (where !== 'first resistance' && p === 0) continue;
      put(
        only({
          [rest]: 1,
          [play]: -1,
          [pads]: pumped ? 0 : -1,
          [COMPLIANCE]: -mmPerMl * p,
          [AIR]: s === 0 ? -mmPerMl * lostShare(p, ambientMPa) : 0,
          [OWN_SHAPE]: -mmPerMl * lostShare(p, ambientMPa),
        }),
        heightMm,
        rulerMm,
      );
    }
  });

  const X = new Matrix(rows);
  const y = Matrix.columnVector(seen);
  const covariance = inverse(X.transpose().mmul(X));
  const theta = covariance.mmul(X.transpose().mmul(y));
  const misfit = Matrix.sub(y, X.mmul(theta));
  const chi2 = misfit.dot(misfit);
  return {
    ml: theta.get(AIR, 0),
    sdMl: Math.sqrt(covariance.get(AIR, AIR)),
    // How well these springs explain the readings; what is the same for all of them is left out.
    logEvidence: -chi2 / 2 + Math.log(determinant(covariance)) / 2,
  };
}

/** Springs that are tried, by chance but always the same ones: so many that another seed gives the same answer to a hundredth [M]. */
const TRIES = 200;

/**
 * Air left, whatever the springs hold back: by chance (Monte Carlo, seeded)
 * many preloads from what is usual, each with the fit of `airFor`, weighted by
 * how well it explains the readings.
 *
 * @param seed the same seed gives the same answer
 * @throws RangeError where no reading was taken under a force: then nothing can be told
 */
export function airLeft(
  setup: PedalSetup,
  now: readonly Reading[],
  baseline: readonly Reading[] | null,
  {
    seed = 1,
    ...given
  }: {
    readonly seed?: number;
    readonly rulerMm?: number;
  } = {},
): AirLeft {
  const forces = now.flatMap((r) => (typeof r.at === 'object' ? [r.at.forceN] : []));
  const most = setup.ratio * Math.max(0, ...forces);
  if (most <= setup.preloadN.value)
    throw new RangeError(
      `${Math.round(most / setup.ratio)} N is held back by the springs; read it under more than ${Math.ceil(setup.preloadN.value / setup.ratio)} N`,
    );
  const normal = normals(seed);
  const fits = Array.from({ length: TRIES }, () => {
    const by = setup.preloadN.value + setup.preloadN.plusMinus! * normal();
    // Springs that held back the hardest push would tell nothing; those that push are none.
    return airFor(setup, now, baseline, {
      ...given,
      preloadN: Math.min(0.9 * most, Math.max(0, by)),
    });
  });
  const best = Math.max(...fits.map((f) => f.logEvidence));
  const weights = fits.map((f) => Math.exp(f.logEvidence - best));
  const all = weights.reduce((sum, w) => sum + w, 0);
  const mean = (of: (f: (typeof fits)[number]) => number) =>
    fits.reduce((sum, f, i) => sum + (weights[i]! / all) * of(f), 0);
  const ml = mean((f) => f.ml);
  // What the baseline itself may still have held no reading tells.
  const heldSdMl = baseline ? BLED_ML : 0;
  const sdMl = Math.sqrt(
    mean((f) => f.sdMl * f.sdMl + (f.ml - ml) * (f.ml - ml)) + heldSdMl * heldSdMl,
  );
  return airOf(ml, sdMl);
}
