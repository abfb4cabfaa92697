/** Standard gravity, m/s². */
export const GRAVITY_MS2 = 9.81;
/** Density of brake fluid, kg/m³ [M]. */
export const DENSITY_KGM3 = 1050;
/** Surface tension of brake fluid, N/m, and the band in which it is believed to lie [M]. */
export const SURFACE_TENSION_NM = { low: 0.03, likely: 0.033, high: 0.036 } as const;

/** Bond number on the radius below which a long bubble does not rise by itself in a vertical tube (Bretherton 1961, J. Fluid Mech. 10, 166). */
export const BRETHERTON_LIMIT = 0.842;

/**
 * Bond number on the radius, ρ g r²/σ.
 *
 * @param insideMm inside diameter, mm
 * @param surfaceTensionNm N/m, above 0
 * @example bondNumber(3.35) is 0.876
 */
export function bondNumber(
  insideMm: number,
  surfaceTensionNm: number = SURFACE_TENSION_NM.likely,
): number {
  const radiusM = insideMm / 2000;
  return (DENSITY_KGM3 * GRAVITY_MS2 * radiusM * radiusM) / surfaceTensionNm;
}

/** Inside diameter at which the Bond number reaches Bretherton's limit, mm. @example 3.28 with 0.033 N/m */
export function limitInsideMm(surfaceTensionNm: number = SURFACE_TENSION_NM.likely): number {
  return 2000 * Math.sqrt((BRETHERTON_LIMIT * surfaceTensionNm) / (DENSITY_KGM3 * GRAVITY_MS2));
}

/**
 * Rise velocity of a bubble that fills the bore, in a vertical tube, mm/s:
 * nothing up to Bretherton's limit; above it the correlation of Viana et al.
 * (2003, J. Fluid Mech. 494, 379) for the Froude number on Eötvös and buoyancy
 * Reynolds number, constants from memory [M], less its value at the limit, so
 * that the velocity starts from nothing there.
 *
 * @param insideMm 1 to 10 mm
 * @param viscosityMm2s above 0
 */
export function boreFillingRiseMmS(
  insideMm: number,
  viscosityMm2s: number,
  surfaceTensionNm: number = SURFACE_TENSION_NM.likely,
): number {
  if (bondNumber(insideMm, surfaceTensionNm) <= BRETHERTON_LIMIT) return 0;
  const atLimit = limitInsideMm(surfaceTensionNm);
  const froude =
    vianaFroude(insideMm, viscosityMm2s, surfaceTensionNm) -
    vianaFroude(atLimit, viscosityMm2s, surfaceTensionNm);
  return Math.max(0, froude) * Math.sqrt((GRAVITY_MS2 * insideMm) / 1000) * 1000;
}

/** Froude number U/√(gD) of Viana et al. 2003, one formula over all buoyancy Reynolds numbers. */
export function vianaFroude(
  insideMm: number,
  viscosityMm2s: number,
  surfaceTensionNm: number = SURFACE_TENSION_NM.likely,
): number {
  const diameterM = insideMm / 1000;
  const eotvos = (DENSITY_KGM3 * GRAVITY_MS2 * diameterM * diameterM) / surfaceTensionNm;
  const reynolds = Math.sqrt(diameterM ** 3 * GRAVITY_MS2) / (viscosityMm2s * 1e-6);
  const joined = (x: number, a: number, b: number, c: number, d: number): number =>
    a / (1 + (x / b) ** c) ** d;
  const large = joined(eotvos, 0.34, 14.793, -3.06, 0.58);
  const bend = joined(eotvos, 31.08, 29.868, -1.96, -0.49);
  const slope = joined(eotvos, -1.45, 24.867, -9.93, -0.094);
  return joined(reynolds, large, bend, slope, -1.0295 / slope);
}

/**
 * Velocity of a long bubble along a level tube, mm/s: the drift of Weber 1981
 * (Int. J. Multiphase Flow 7, 303), Fr = 0.54 − 1.76 · Eo^−0.56, constants from
 * memory [M]. Nothing where the surface tension holds it, below about 8 mm² · g ρ/σ.
 */
export function levelDriftMmS(
  insideMm: number,
  surfaceTensionNm: number = SURFACE_TENSION_NM.likely,
): number {
  const eotvos = 4 * bondNumber(insideMm, surfaceTensionNm);
  const froude = 0.54 - 1.76 * eotvos ** -0.56;
  return Math.max(0, froude) * Math.sqrt((GRAVITY_MS2 * insideMm) / 1000) * 1000;
}

/**
 * Rise velocity of a bubble much smaller than the bore, mm/s: Stokes,
 * g d²/(18 ν), for a clean gas bubble treated as a rigid sphere.
 *
 * @example 0.1 mm at 15 mm²/s rises at 0.36 mm/s
 */
export function stokesRiseMmS(bubbleMm: number, viscosityMm2s: number): number {
  return (GRAVITY_MS2 * 1000 * bubbleMm * bubbleMm) / (18 * viscosityMm2s);
}
