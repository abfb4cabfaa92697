import { jointWords } from '../../vehicle/torque';
import { elementIfAny } from './faults';
import { nothing, jobEvent } from './kind';

export interface JointTightenedHappening {
  readonly kind: 'joint tightened';
  readonly elementId: string;
  /** The manual's value; null where nobody looked it up. */
  readonly manualNm: number | null;
  /** What was applied; null is by feel. */
  readonly appliedNm: number | null;
}

export const jointTightened = jobEvent<JointTightenedHappening>({
  kind: 'joint tightened',
  voids: nothing(
    'a joint is tightened before it is looked at; what is said of it later moves nothing',
  ),
  fault: ({ elementId }, { plans }) => elementIfAny(plans, elementId),
  words: (event) => jointWords(event),
});
