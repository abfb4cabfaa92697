import {
  compatibility,
  remedyFor,
  type Candidate,
  type CandidateVerdict,
  type CompatibilityAnswer,
  type CompatibilityRequest,
  type Remedy,
} from './compatibility';
import { condition, type ConditionAnswer, type Sample } from './condition';
import { CHEMISTRY, gradeNamed, type Grade } from './grades';
import type { IsoClass } from './limits';
import type { Dye } from './looks';

/** Everything that is asked about fluid before a job goes on. */
export interface FluidRequest extends Omit<CompatibilityRequest, 'candidates'> {
  readonly lastDye: Dye | null;
  readonly samples: readonly Sample[];
  /** What is to be filled, once it is chosen. */
  readonly fill: { readonly grade: Grade; readonly isoClass: IsoClass | null } | null;
}

/** What the job waits for, or what stops it. */
export type FluidHold =
  | 'read the cap'
  | 'demands conflict'
  | 'water test'
  | 'choose a fluid'
  | 'must not fill'
  | 'wrong chemistry inside'
  | 'condition stops';

export interface FluidVerdict {
  readonly verdict: 'fill' | 'wait' | 'stop';
  /** Null only where the verdict is to fill. */
  readonly hold: FluidHold | null;
  readonly advice: Omit<CompatibilityAnswer, 'candidates'>;
  /** The fluid that was chosen, judged; null before. */
  readonly fill: CandidateVerdict | null;
  /** What is in the system, judged by the demand for what is in it or, where nobody knows, by the demand for what belongs there. Null before a grade is named. */
  readonly condition: ConditionAnswer | null;
  /** What it costs to put right what is in the system now; null where nobody knows what that is. */
  readonly remedy: Remedy | null;
}

/**
 * The whole verdict on fluid at the vehicle, in the order in which a technician
 * meets it: what is asked for, what is inside and how old, what goes in. Stops
 * come before what waits; nothing is filled while a question is open.
 */
export function fluidVerdict(request: FluidRequest): FluidVerdict {
  const { inSystem, samples, fill, lastDye } = request;
  const candidates: Candidate[] = fill ? [{ id: 'fill', ...fill }] : [];
  const { minimum, conflict, candidates: judged } = compatibility({ ...request, candidates });
  const known = gradeNamed(inSystem);
  const grade = known ?? minimum?.grade ?? null;
  const state =
    grade && inSystem !== 'empty' ? condition({ grade, isoClass: null, lastDye, samples }) : null;
  const chosen = judged[0] ?? null;
  const remedy = known ? remedyFor({ id: 'inside', grade: known, isoClass: null }, request) : null;
  const hold = holdOf();
  return {
    verdict: hold === null ? 'fill' : STOPS.includes(hold) ? 'stop' : 'wait',
    hold,
    advice: { minimum, conflict },
    fill: chosen,
    condition: state,
    remedy,
  };

  function holdOf(): FluidHold | null {
    if (state?.verdict === 'stop') return 'condition stops';
    if (known && minimum && CHEMISTRY[known] !== CHEMISTRY[minimum.grade])
      return 'wrong chemistry inside';
    if (!minimum) return conflict.length > 0 ? 'demands conflict' : 'read the cap';
    if (state?.verdict === 'test first') return 'water test';
    if (!chosen) return 'choose a fluid';
    return chosen.verdict === 'must not' ? 'must not fill' : null;
  }
}

/** Whether the fluid was judged as due: to be replaced now, or at this visit. */
export function isDue({ condition: state }: Pick<FluidVerdict, 'condition'>): boolean {
  return state?.verdict === 'replace now' || state?.verdict === 'replace at this visit';
}

/** Whether fluid was seen that is dark, hazy or carries particles: it is not pushed upwards into master or ABS [C]. */
export function foundDirty(samples: readonly Pick<Sample, 'colour' | 'clarity'>[]): boolean {
  return samples.some(
    ({ colour, clarity }) =>
      colour === 'brown' || colour === 'black' || clarity === 'hazy' || clarity === 'particles',
  );
}

const STOPS: readonly FluidHold[] = ['condition stops', 'wrong chemistry inside'];
