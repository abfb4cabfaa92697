import { foundDirty, gradeNamed, isDue, type Colour } from '../../fluid/verdict';
import type { Circumstances } from '../../hydraulics/flow';
import type { FluidRead } from '../../job/events';
import type { PlanRequest } from '../../bleed/plan';
import type { WorkDone } from '../../bleed/scope';
import type { OpenItem } from './openItem';
import { workTakenOver } from './takenOver';

/** What was said and chosen for the plan of a job. */
export interface JobChoices
  extends Pick<
    PlanRequest,
    'means' | 'method' | 'order' | 'leastFluid' | 'holdPoint' | 'primeInPlace' | 'partnerAges'
  > {
  readonly work: WorkDone;
  readonly circumstances: Omit<Circumstances, 'preferred'>;
  /** Fluid that is due stays where the work does not open it. */
  readonly leaveOldFluid: boolean;
}

/** What is known of a job besides. */
export interface JobKnown
  extends Pick<PlanRequest, 'layout' | 'isoClass' | 'fillGrade' | 'inside' | 'preferences'> {
  readonly newColour: Colour;
  /** The bleeders as the maker gives them; null where nobody entered it. */
  readonly makerOrder: readonly string[] | null;
  /** What the vehicle owes: the job takes it over. */
  readonly before: readonly OpenItem[];
  /** The fluid as it was read; null before that. */
  readonly fluid: Pick<FluidRead, 'verdict' | 'samples' | 'inSystem'> | null;
}

/** What the plan of a job is made of, for whoever makes it: the server that keeps it, a phone that shows what another choice would give. */
export function planRequestOf(
  { leaveOldFluid, work, circumstances, ...choices }: JobChoices,
  { before, fluid, ...known }: JobKnown,
): PlanRequest {
  const due = fluid !== null && isDue(fluid.verdict);
  return {
    ...choices,
    ...known,
    work: workTakenOver(known.layout, work, { before, due, leaveOldFluid }),
    circumstances: {
      ...circumstances,
      dirty: circumstances.dirty || foundDirty(fluid?.samples ?? []),
    },
    inSystem: gradeNamed(fluid?.inSystem ?? 'unknown'),
  };
}
