/**
 * A cavity that mixes what flows through it: caliper, wheel cylinder,
 * modulator, master chamber. Outlet and content are equal at every moment, so
 * with θ volumes of new fluid the new share is 1 − e^−θ (Danckwerts 1953;
 * Levenspiel, Chemical Reaction Engineering). Each step is solved exactly.
 */
export class MixedCavity {
  /** New fluid in the cavity and at its outlet, 0 to 1. */
  newShare = 0;
  /** What of it is empty, mL: it is filled before anything leaves. */
  emptyMl = 0;

  /** @param volumeMl what the cavity holds, above 0 */
  constructor(readonly volumeMl: number) {}

  /** Take up some flow into what is empty, at most that. */
  fill(ml: number, inShare: number): void {
    const newMl = this.newMl() + ml * inShare;
    this.emptyMl = ml >= this.emptyMl ? 0 : this.emptyMl - ml;
    this.newShare = newMl / (this.volumeMl - this.emptyMl);
  }

  /** It came off and went back, or was renewed: some of it is empty now. */
  drain(ml: number): void {
    this.emptyMl = Math.min(this.volumeMl, this.emptyMl + ml);
    if (this.emptyMl === this.volumeMl) this.newShare = 0;
  }

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
    return this.newShare * (this.volumeMl - this.emptyMl);
  }
}
