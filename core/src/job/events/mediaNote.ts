import { lowerFirst } from '../../base/text';
import type { CheckItem, ControlCheck } from '../items';
import { elementIfAny, masterFault, itemFault } from './faults';
import {
  BRINGS_NOTHING,
  SETTLES_NOTHING,
  PROVES_NOTHING,
  nothing,
  jobEvent,
  TAKES_BACK,
} from './kind';

/** How a note was taken that is no text. */
export const MEDIA = ['photo', 'voice'] as const;
export type Medium = (typeof MEDIA)[number];

export const MEDIUM_WORDS: Readonly<Record<Medium, string>> = {
  photo: 'Photo',
  voice: 'Voice note',
};

/** How many photos and voice notes a job keeps. */
export const MOST_MEDIA_NOTES = 200;

/** A photo or a voice note. What it shows or says is kept under the event's own id, beside the log, and may arrive after it. */
export interface MediaNoteHappening {
  readonly kind: 'media note';
  readonly medium: Medium;
  /** The element of the layout at which it was taken; null where it is of the whole vehicle. */
  readonly elementId: string | null;
  /** The item of the proof that it shows; left out where it is of none. */
  readonly proof?:
    | {
        /** Null for what is looked at on the whole vehicle. */
        readonly masterId: string | null;
        readonly item: 'result' | CheckItem | ControlCheck;
      }
    | undefined;
}

export const mediaNote = jobEvent<MediaNoteHappening>({
  kind: 'media note',
  voids: nothing('it only shows'),
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fault: ({ elementId, proof }, { plans, mediaNotes }) => {
    if (mediaNotes >= MOST_MEDIA_NOTES)
      return `A job keeps ${MOST_MEDIA_NOTES} photos and voice notes; this one has as many.`;
    const place = elementIfAny(plans, elementId);
    if (place !== null || !proof) return place;
    const { masterId, item } = proof;
    if (item !== 'result') return itemFault(plans, item, masterId);
    return masterId === null
      ? 'A result is of a control; give its master.'
      : masterFault(plans, masterId);
  },
  words: ({ medium }) => lowerFirst(MEDIUM_WORDS[medium]),
});
