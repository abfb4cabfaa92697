import { lowerFirst } from '../../base/text';
import { elementIfAny } from './faults';
import { SETTLES_NOTHING, PROVES_NOTHING, jobEvent, TAKES_BACK } from './kind';
import { airBehindPart } from './places';

/** What comes off a vehicle to be worked on, in the words of one tap [C]. */
export const CAME_OFF = [
  'Wheel',
  'Cover, trim or mat',
  'Clip or bracket',
  'Plug or connector',
  'Lever or electric switch',
  'Pads, shoes or disc',
  'Caliper or slave, hose joined',
  'Caliper or slave, hose off',
  'Line or hose',
  'Pressure switch or bleeder',
  'Another thing',
] as const;
export type CameOff = (typeof CAME_OFF)[number];

/**
 * What it opens that something came off [C]: a circuit, behind which there may
 * be air; a control, which is proved again; or no more than that it is off.
 * What nobody named may have been a joint.
 */
const CAME_OFF_OPENS: Readonly<Record<CameOff, 'circuit' | 'control' | 'nothing'>> = {
  Wheel: 'nothing',
  'Cover, trim or mat': 'nothing',
  'Clip or bracket': 'nothing',
  'Plug or connector': 'nothing',
  'Lever or electric switch': 'control',
  'Pads, shoes or disc': 'control',
  'Caliper or slave, hose joined': 'control',
  'Caliper or slave, hose off': 'circuit',
  'Line or hose': 'circuit',
  'Pressure switch or bleeder': 'circuit',
  'Another thing': 'circuit',
};

export const opensCircuit = (what: CameOff): boolean => CAME_OFF_OPENS[what] === 'circuit';
/** Whether the control at which it came off is proved again, in whatever job. */
export const opensControl = (what: CameOff): boolean => CAME_OFF_OPENS[what] !== 'nothing';

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
  opens: ({ id, what, elementId }, plans) => [
    { what: 'not back on', where: id },
    ...(opensCircuit(what) ? airBehindPart(plans.at(-1)?.layout ?? null, elementId) : []),
  ],
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fault: ({ noteId = null, elementId }, { plans, find }) =>
    noteId !== null && find(noteId)?.kind !== 'media note'
      ? `There is no photo or voice note "${noteId}" of what came off.`
      : elementIfAny(plans, elementId),
  words: ({ what }) => `${lowerFirst(what)} came off`,
});
