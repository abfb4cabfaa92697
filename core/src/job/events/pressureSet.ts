import { SETTLES_NOTHING, PROVES_NOTHING, nothing, runEvent, TAKES_BACK } from './kind';

/** A pot at the reservoir: put under pressure, or let off, by its gauge. */
export interface PressureSetHappening {
  readonly kind: 'pressure set';
  readonly on: boolean;
}

export const pressureSet = runEvent<PressureSetHappening>({
  kind: 'pressure set',
  voids: nothing('a pot at the reservoir moves nothing behind a shut bleeder'),
  opens: ({ on }) => (on ? [{ what: 'done after close', where: null }] : []),
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fold: (run, { on }) => ({ ...run, pressureOn: on }),
  fault: () => null,
  words: ({ on }) => (on ? 'the pot under pressure' : 'the pressure let off'),
});
