/**
 * A cavity that mixes what flows through it: caliper, wheel cylinder,
 * modulator, master chamber. Outlet and content are equal at every moment, so
 * with θ volumes of new fluid the new share is 1 − e^−θ (Danckwerts 1953;
 * Levenspiel, Chemical Reaction Engineering). Each step is solved exactly.
 */
export class MixedCavity {
  /** New fluid in the cavity and at its outlet, 0 to 1. */
  newShare = 0;

  /** @param volumeMl what the cavity holds, above 0 */
  constructor(readonly volumeMl: number) {}

  /** Pass one step of flow through. @returns mean new share of what left, 0 to 1 */
  pass(stepMl: number, inShare: number): number {
    const volumes = stepMl / this.volumeMl;
    const stays = Math.exp(-volumes);
    const outMean = inShare + ((this.newShare - inShare) * (1 - stays)) / volumes;
    this.newShare = inShare + (this.newShare - inShare) * stays;
    return outMean;
  }

  /** New fluid inside, mL. */
  newMl(): number {
    return this.newShare * this.volumeMl;
  }
}
