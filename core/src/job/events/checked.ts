import { lowerFirst } from '../../base/text';
import { type CheckItem, type ControlCheck, askOf } from '../items';
import { itemFault } from './faults';
import { SETTLES_NOTHING, type Answer, nothing, proofEvent, TAKES_BACK } from './kind';
import type { Brought } from './brought';

/** One thing that was looked at on the vehicle, or tried at the control of a master. */
export interface CheckedHappening {
  readonly kind: 'checked';
  readonly item: CheckItem | ControlCheck;
  readonly masterId?: string | null;
  readonly passes: boolean;
}

const soft = (where: string | null): Brought => ({ what: 'control soft', where });
const leak = (where: string | null): Brought => ({ what: 'leak', where });
const found = (): Brought => ({ what: 'done after close', where: null });

/** What an answer "no" brings against the vehicle. */
const FAILED: Readonly<Record<CheckItem | ControlCheck, (masterId: string | null) => Brought>> = {
  'joints dry': leak,
  'bleeder caps': found,
  level: found,
  'reservoir cap': found,
  'wiped dry': found,
  'lamps out': found,
  wheels: found,
  'wheels held and free': soft,
  'servo gives': soft,
  'held pushed in': soft,
  'comes out and frees': soft,
  'reversing and breakaway': soft,
  'engages and releases': soft,
  'reverse silent': soft,
  'first and back': soft,
  'no creep': soft,
  'no slip': soft,
  'free play': soft,
  'rolls in gear': soft,
  'first without lurch': soft,
  'neutral found': soft,
  'comes back': soft,
  'slave and master dry': leak,
};

export const checked = proofEvent<CheckedHappening>({
  kind: 'checked',
  voids: nothing('it is an answer'),
  opens: ({ item, masterId = null, passes }) => (passes ? [] : [FAILED[item](masterId)]),
  settles: SETTLES_NOTHING,
  proves: ({ item, masterId = null, passes }) => ({ masterId, item, value: passes }) as Answer,
  undo: TAKES_BACK,
  fault: ({ item, masterId = null }, { plans }) => itemFault(plans, item, masterId),
  words: ({ item, passes }) => `${lowerFirst(askOf(item))}: ${passes ? 'yes' : 'no'}`,
});
