/** How one brake stores and sheds heat: disc, and caliper with its fluid, each of one temperature [M]. */
export interface TwoMasses {
  readonly discJK: number;
  readonly caliperJK: number;
  /** From disc to caliper through pads and air, W/K. */
  readonly betweenWK: number;
  /** Disc to air, W/K, standing and for each m/s. */
  readonly discAirWK: number;
  readonly discAirWKPerMs: number;
  /** Caliper to air, W/K. */
  readonly caliperAirWK: number;
}

/** Specific heats, J/(kg·K): grey cast iron and a mean of iron caliper, pads and fluid [M]. */
const DISC_J_KGK = 500;
const CALIPER_J_KGK = 600;

/** Weights of the small car's brake that the conductances are given for, kg [M]. */
const CAR_DISC_KG = 6;
const CAR_CALIPER_KG = 5;

/** The two masses of a brake by their weights; conductances are a small car's starting values [M] and follow the surface, weight to the power of two thirds. */
export function twoMasses(discKg: number, caliperKg: number): TwoMasses {
  const disc = (discKg / CAR_DISC_KG) ** (2 / 3);
  const caliper = (caliperKg / CAR_CALIPER_KG) ** (2 / 3);
  return {
    discJK: discKg * DISC_J_KGK,
    caliperJK: caliperKg * CALIPER_J_KGK,
    betweenWK: 3 * caliper,
    discAirWK: 4 * disc,
    discAirWKPerMs: 1.2 * disc,
    caliperAirWK: 1.5 * caliper,
  };
}

/** A stretch of time with one heat and one speed of the air. */
export interface HeatPhase {
  readonly seconds: number;
  readonly heatW: number;
  readonly speedMs: number;
}

export interface HeatPoint {
  readonly seconds: number;
  readonly discC: number;
  readonly fluidC: number;
}

export interface HeatRun {
  readonly points: readonly HeatPoint[];
  readonly peak: HeatPoint;
  /** Energy over the whole run, J: what came in is stored or shed. */
  readonly inJ: number;
  readonly storedJ: number;
  readonly shedJ: number;
}

const STEP_S = 1;

/**
 * Temperatures of disc and fluid through phases of heating and cooling, by
 * classical Runge–Kutta of fourth order. What is shed is integrated along, so
 * that the balance can be checked.
 *
 * @param startC of both, and of the air
 * @throws RangeError when the phases last longer than 6 h
 */
export function simulateHeat(
  masses: TwoMasses,
  phases: readonly HeatPhase[],
  startC: number,
): HeatRun {
  const total = phases.reduce((sum, p) => sum + p.seconds, 0);
  if (!(total > 0 && total <= 21_600))
    throw new RangeError(`the phases last ${total} s; give above 0 to 21,600 s`);
  let state: State = { disc: 0, caliper: 0, shedJ: 0 };
  let seconds = 0;
  let inJ = 0;
  const points: HeatPoint[] = [{ seconds: 0, discC: startC, fluidC: startC }];
  for (const phase of phases) {
    const steps = Math.max(1, Math.ceil(phase.seconds / STEP_S));
    const stepS = phase.seconds / steps;
    const discAirWK = masses.discAirWK + masses.discAirWKPerMs * phase.speedMs;
    for (let i = 0; i < steps; i++) {
      state = rungeKutta(state, stepS, (s) => slope(s, masses, phase.heatW, discAirWK));
      seconds += stepS;
      points.push({ seconds, discC: startC + state.disc, fluidC: startC + state.caliper });
    }
    inJ += phase.heatW * phase.seconds;
  }
  return {
    points,
    peak: points.reduce((hottest, p) => (p.fluidC > hottest.fluidC ? p : hottest)),
    inJ,
    storedJ: masses.discJK * state.disc + masses.caliperJK * state.caliper,
    shedJ: state.shedJ,
  };
}

/** Temperatures above the air, K, and what was shed so far. */
interface State {
  readonly disc: number;
  readonly caliper: number;
  readonly shedJ: number;
}

function slope({ disc, caliper }: State, m: TwoMasses, heatW: number, discAirWK: number): State {
  const across = m.betweenWK * (disc - caliper);
  const offDisc = discAirWK * disc;
  const offCaliper = m.caliperAirWK * caliper;
  return {
    disc: (heatW - across - offDisc) / m.discJK,
    caliper: (across - offCaliper) / m.caliperJK,
    shedJ: offDisc + offCaliper,
  };
}

function rungeKutta(s: State, h: number, f: (s: State) => State): State {
  const along = (d: State, by: number): State => ({
    disc: s.disc + d.disc * by,
    caliper: s.caliper + d.caliper * by,
    shedJ: s.shedJ + d.shedJ * by,
  });
  const k1 = f(s);
  const k2 = f(along(k1, h / 2));
  const k3 = f(along(k2, h / 2));
  const k4 = f(along(k3, h));
  const mean = (key: keyof State) =>
    s[key] + (h / 6) * (k1[key] + 2 * k2[key] + 2 * k3[key] + k4[key]);
  return { disc: mean('disc'), caliper: mean('caliper'), shedJ: mean('shedJ') };
}
