import { elementIfAny } from './faults';
import { SETTLES_NOTHING, PROVES_NOTHING, nothing, jobEvent, TAKES_BACK } from './kind';

/** Why a part is used again that is looked at once more. */
export const LOOK_LATER = [
  'worn, used again',
  'used, past not known',
  'rebuilt, past not known',
] as const;
export type LookLater = (typeof LOOK_LATER)[number];

export interface LookLaterHappening {
  readonly kind: 'look later';
  /** Where; null where it is of the whole vehicle. */
  readonly elementId: string | null;
  readonly why: LookLater;
  /** Which part, where it comes from, and what was seen. */
  readonly what: string;
  /** Day by which somebody looks, YYYY-MM-DD, or what the odometer reads then; null where nobody said. */
  readonly byDate: string | null;
  readonly byKm: number | null;
}

export const lookLater = jobEvent<LookLaterHappening>({
  kind: 'look later',
  voids: nothing('it is only written'),
  opens: ({ elementId }) => [{ what: 'look again', where: elementId, owed: true }],
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fault: ({ elementId }, { plans }) => elementIfAny(plans, elementId),
  words: ({ what }) => `looked at again later, ${what}`,
});
