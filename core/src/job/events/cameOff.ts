import { lowerFirst } from '../../base/text';
import { elementIfAny } from './faults';
import { SETTLES_NOTHING, PROVES_NOTHING, jobEvent } from './kind';

/** What comes off a vehicle to be worked on, in the words of one tap [C]. */
export const CAME_OFF = [
  'Wheel',
  'Cap or cover',
  'Clip or bracket',
  'Plug or connector',
  'Line or hose',
  'Caliper or slave',
  'Lever or switch',
  'Another thing',
] as const;
export type CameOff = (typeof CAME_OFF)[number];

export interface CameOffHappening {
  readonly kind: 'came off';
  readonly what: CameOff;
  /** Where; null where it is of the whole vehicle. */
  readonly elementId: string | null;
  /** The photo or voice note that shows or says what it is, by its event; left out without one. */
  readonly noteId?: string | null | undefined;
}

export const cameOff = jobEvent<CameOffHappening>({
  kind: 'came off',
  voids: 'all',
  opens: ({ id }) => [{ what: 'not back on', where: id }],
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  fault: ({ noteId = null, elementId }, { plans, find }) =>
    noteId !== null && find(noteId)?.kind !== 'media note'
      ? `There is no photo or voice note "${noteId}" of what came off.`
      : elementIfAny(plans, elementId),
  words: ({ what }) => `${lowerFirst(what)} came off`,
});
