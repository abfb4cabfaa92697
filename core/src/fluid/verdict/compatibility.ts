import { figure, PRACTICE, type Figure, type Source } from '../../base/figure';
import { CHEMISTRY, type Chemistry, type Grade } from './grades';
import { CLASS_LIMITS, GRADE_LIMITS, type FluidLimits, type IsoClass } from './limits';

/** Who may name a grade, in the order of their word: the vehicle's maker, the cap, the maker of a part that was changed for another. */
export const DEMAND_SOURCES = ['maker', 'cap', 'part'] as const;
export type DemandSource = (typeof DEMAND_SOURCES)[number];

/** What one of them asks for. */
export interface Demand {
  readonly source: DemandSource;
  /** Every grade that it names, at least one. */
  readonly grades: readonly Grade[];
  /** Whether it asks for class 6 or 7, as stability control may. */
  readonly lowViscosity: boolean;
}

export interface CompatibilityRequest {
  readonly demands: readonly Demand[];
  /** Which demand a person decided to follow where they cannot all be obeyed. */
  readonly follow: DemandSource | null;
  readonly control: 'none' | 'ABS' | 'stability control';
  readonly seals: 'ordinary' | 'natural rubber';
  /** What is in the system now. */
  readonly inSystem: Grade | 'unknown' | 'empty';
  readonly candidates: readonly Candidate[];
}

/** A grade, or a container on the shelf. */
export interface Candidate {
  readonly id: string;
  readonly grade: Grade;
  readonly isoClass: IsoClass | null;
}

export type CompatibilityCode =
  | 'read the cap'
  | 'demands conflict'
  | 'named'
  | 'goes up'
  | 'goes up, natural rubber'
  | 'below what is asked'
  | 'too thick'
  | 'ask for thickness'
  | 'silicone in glycol'
  | 'glycol in silicone'
  | 'mineral in brake fluid'
  | 'brake fluid in mineral'
  | 'silicone with ABS'
  | 'name trap'
  | 'system holds another chemistry'
  | 'system holds a lower grade';

export interface CompatibilityReason {
  readonly code: CompatibilityCode;
  readonly weight: 'stop' | 'caution' | 'note';
  readonly source: Source;
}

export interface CandidateVerdict {
  readonly id: string;
  readonly grade: Grade;
  readonly verdict: 'may fill' | 'with caution' | 'must not';
  readonly reasons: readonly CompatibilityReason[];
  /** Whether a person must read the label once more, aloud, before it can be chosen. */
  readonly secondLook: boolean;
}

export interface CompatibilityAnswer {
  /** The least that may go in, or null when nobody has named a grade or they conflict. */
  readonly minimum: {
    readonly grade: Grade;
    readonly lowViscosity: boolean;
    readonly figures: readonly Figure[];
  } | null;
  /** Sources that cannot all be obeyed; empty when they can. */
  readonly conflict: readonly DemandSource[];
  readonly candidates: readonly CandidateVerdict[];
}

/** Highest viscosity at −40 °C that counts as low: classes 6 and 7 of ISO 4925:2020, mm²/s. */
export const LOW_VISCOSITY_MM2S = 750;

const GLYCOL_ORDER: readonly Grade[] = ['DOT 3', 'DOT 4', 'DOT 5.1'];

/**
 * For each candidate whether it may go in, with the governing minimum and
 * every reason. Chemistries never mix; among glycol grades going up is
 * accepted and going below is not; a low viscosity that is asked for is
 * checked by viscosity, never by boiling point. Common practice of the trade.
 */
export function compatibility(request: CompatibilityRequest): CompatibilityAnswer {
  const conflict = conflictOf(request.demands);
  const followed =
    request.follow === null ? undefined : request.demands.find((d) => d.source === request.follow);
  const governing = conflict.length === 0 ? request.demands : followed ? [followed] : [];
  const minimum = minimumOf(governing);
  return {
    minimum: minimum && { ...minimum, figures: minimumFigures(minimum) },
    conflict,
    candidates: request.candidates.map((c) => judge(c, request, minimum, conflict.length > 0)),
  };
}

interface Minimum {
  readonly grade: Grade;
  readonly lowViscosity: boolean;
}

/** Demands conflict when no chemistry satisfies them all. */
function conflictOf(demands: readonly Demand[]): DemandSource[] {
  const chemistries: readonly Chemistry[] = ['glycol', 'silicone', 'mineral'];
  const agreed = chemistries.some((c) =>
    demands.every((d) => d.grades.some((g) => CHEMISTRY[g] === c)),
  );
  return agreed ? [] : demands.map((d) => d.source);
}

/** The highest of what each asks at least, in the chemistry that all allow. */
function minimumOf(demands: readonly Demand[]): Minimum | null {
  if (demands.length === 0) return null;
  const chemistry = (['glycol', 'silicone', 'mineral'] as const).find((c) =>
    demands.every((d) => d.grades.some((g) => CHEMISTRY[g] === c)),
  )!;
  const least = demands.map(
    (d) => [...d.grades].filter((g) => CHEMISTRY[g] === chemistry).sort(byRank)[0]!,
  );
  return { grade: least.sort(byRank).at(-1)!, lowViscosity: demands.some((d) => d.lowViscosity) };
}

const byRank = (a: Grade, b: Grade): number => GLYCOL_ORDER.indexOf(a) - GLYCOL_ORDER.indexOf(b);

function judge(
  candidate: Candidate,
  request: CompatibilityRequest,
  minimum: Minimum | null,
  conflict: boolean,
): CandidateVerdict {
  const reasons = minimum
    ? judgeAgainst(candidate, request, minimum)
    : [stop(conflict ? 'demands conflict' : 'read the cap')];
  const verdict = reasons.some((r) => r.weight === 'stop')
    ? 'must not'
    : reasons.some((r) => r.weight === 'caution')
      ? 'with caution'
      : 'may fill';
  return {
    id: candidate.id,
    grade: candidate.grade,
    verdict,
    reasons,
    secondLook: candidate.grade === 'DOT 5' || candidate.grade === 'DOT 5.1',
  };
}

function judgeAgainst(
  candidate: Candidate,
  request: CompatibilityRequest,
  minimum: Minimum,
): CompatibilityReason[] {
  const reasons: CompatibilityReason[] = [];
  const asked = CHEMISTRY[minimum.grade];
  const given = CHEMISTRY[candidate.grade];
  if (given !== asked) reasons.push(stop(chemistryCode(given, asked)));
  if (isNameTrap(candidate.grade, minimum.grade)) reasons.push(stop('name trap'));
  if (given === 'silicone' && request.control !== 'none') reasons.push(stop('silicone with ABS'));
  if (request.inSystem !== 'unknown' && request.inSystem !== 'empty') {
    if (CHEMISTRY[request.inSystem] !== given) reasons.push(stop('system holds another chemistry'));
    else if (given === 'glycol' && byRank(request.inSystem, minimum.grade) < 0)
      reasons.push(caution('system holds a lower grade'));
  }
  if (given !== asked) return reasons;
  const named = request.demands.some((d) => d.grades.includes(candidate.grade));
  if (given === 'glycol' && byRank(candidate.grade, minimum.grade) < 0)
    reasons.push(stop('below what is asked'));
  else if (named) reasons.push(note('named'));
  else if (given === 'glycol')
    reasons.push(
      request.seals === 'natural rubber' ? caution('goes up, natural rubber') : note('goes up'),
    );
  if (given === 'glycol') reasons.push(...thickness(candidate, request, minimum));
  return reasons;
}

function thickness(
  candidate: Candidate,
  request: CompatibilityRequest,
  minimum: Minimum,
): CompatibilityReason[] {
  const known = limitsOf(candidate.grade, candidate.isoClass);
  if (known.viscosityAtMinus40Mm2s <= LOW_VISCOSITY_MM2S) return [];
  if (minimum.lowViscosity)
    return [{ code: 'too thick', weight: 'stop', source: CLASS_LIMITS['class 6'].source }];
  return request.control === 'stability control' ? [caution('ask for thickness')] : [];
}

/** Limits that a fluid is known to keep: those of its class where it has one, else of its grade. */
export function limitsOf(grade: Grade, isoClass: IsoClass | null): FluidLimits {
  if (isoClass) return CLASS_LIMITS[isoClass];
  if (grade === 'mineral oil')
    throw new RangeError(
      'mineral oil has no limits in FMVSS 116 or ISO 4925; ask for a brake fluid grade',
    );
  return GRADE_LIMITS[grade];
}

function isNameTrap(given: Grade, asked: Grade): boolean {
  return (given === 'DOT 5' && asked === 'DOT 5.1') || (given === 'DOT 5.1' && asked === 'DOT 5');
}

function chemistryCode(given: Chemistry, asked: Chemistry): CompatibilityCode {
  if (given === 'mineral') return 'mineral in brake fluid';
  if (asked === 'mineral') return 'brake fluid in mineral';
  return given === 'silicone' ? 'silicone in glycol' : 'glycol in silicone';
}

function minimumFigures({ grade, lowViscosity }: Minimum): Figure[] {
  if (grade === 'mineral oil') return [];
  const limits = GRADE_LIMITS[grade];
  const thin = lowViscosity ? CLASS_LIMITS['class 6'] : limits;
  const of = (label: string, value: number, unit: '°C' | 'mm²/s', source: Source) =>
    figure({ label, value, unit, rule: 'limit of the standard for the grade asked for', source });
  return [
    of('Dry boiling point, at least', limits.dryC, '°C', limits.source),
    of('Wet boiling point, at least', limits.wetC, '°C', limits.source),
    of('Viscosity at −40 °C, at most', thin.viscosityAtMinus40Mm2s, 'mm²/s', thin.source),
  ];
}

const stop = (code: CompatibilityCode): CompatibilityReason => ({
  code,
  weight: 'stop',
  source: PRACTICE,
});
const caution = (code: CompatibilityCode): CompatibilityReason => ({
  code,
  weight: 'caution',
  source: PRACTICE,
});
const note = (code: CompatibilityCode): CompatibilityReason => ({
  code,
  weight: 'note',
  source: PRACTICE,
});

/** What it costs to put right a fluid that is in already, from the least to the most. */
export type Remedy =
  | 'nothing'
  | 'flush with the grade asked for'
  | 'strip, new seals, dry system'
  | 'strip, all rubber renewed';

/** What to do when a fluid has been poured in where another was asked for. */
export function remedyFor(
  poured: Candidate,
  request: Omit<CompatibilityRequest, 'candidates' | 'inSystem'>,
): Remedy | null {
  const { minimum, candidates } = compatibility({
    ...request,
    inSystem: 'unknown',
    candidates: [poured],
  });
  if (!minimum) return null;
  const given = CHEMISTRY[poured.grade];
  const asked = CHEMISTRY[minimum.grade];
  if (given !== asked)
    return given === 'mineral' || asked === 'mineral'
      ? 'strip, all rubber renewed'
      : 'strip, new seals, dry system';
  return candidates[0]!.verdict === 'must not' ? 'flush with the grade asked for' : 'nothing';
}
