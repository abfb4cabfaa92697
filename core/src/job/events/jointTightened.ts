import { jointAgain, jointHolds, jointWords } from '../../vehicle/torque';
import { elementIfAny } from './faults';
import { PROVES_NOTHING, nothing, jobEvent, TAKES_BACK } from './kind';

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
  opens: (joint) => {
    const again = jointAgain(joint);
    if (again === null || again === 'by feel') return [];
    return [
      {
        what: 'tightness',
        where: joint.elementId,
        ...(jointHolds(joint) ? {} : { owed: true as const }),
      },
    ];
  },
  settles: ['tightness', 'by feel'],
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fault: ({ elementId }, { plans }) => elementIfAny(plans, elementId),
  words: (event) => jointWords(event),
});
