import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, nothing, deskEvent } from './kind';

/** Reasons of the gate that are paper, not brakes. */
export type Overridable = 'torque not written' | 'photo asked for';

/** A lead let paper go that the gate asked for, by their own sign-in; it stays on the record. */
export interface OverriddenHappening {
  readonly kind: 'overridden';
  readonly code: Overridable;
  /** What of it: the element or the item of the proof. */
  readonly of: string;
  readonly why: string;
}

export const overridden = deskEvent<OverriddenHappening>({
  kind: 'overridden',
  voids: nothing('paper is let go, not brakes'),
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  keeps: nothing('the gate reads it from the log, as long as nothing it was given for has changed'),
});
