import { halt, HALT_REASONS, type HaltReason } from '../standing';
import { lowerFirst } from '../../base/text';
import { openingFault, masterFault, hasMaster } from './faults';
import { SETTLES_NOTHING, PROVES_NOTHING, runEvent, TAKES_BACK } from './kind';
import { broughtByHalt } from './places';

/** Those that can be met at a bleeder; the pedal is judged when all of them are shut, a tool's stop, a wrong part and another size follow from what is recorded. */
export const HALTS_AT_BLEEDER = HALT_REASONS.filter(
  (r) =>
    r !== 'pedal not right' &&
    r !== 'tool stopped' &&
    r !== 'wrong part' &&
    r !== 'not as planned' &&
    r !== 'other size',
);

/** What a halt means and what is safe. */
export const HALT_WORDS: Readonly<
  Record<HaltReason, { readonly title: string; readonly say: string }>
> = {
  'ran dry': {
    title: 'The reservoir ran dry',
    say: 'Air is in the master and perhaps beyond. Shut the bleeder, fill up, do not pump.',
  },
  seized: {
    title: 'The bleeder is seized',
    say: 'No force, no heat, no flame: it is hollow and snaps. Penetrant and time, a six-point socket, a little tighter before looser.',
  },
  snapped: {
    title: 'The bleeder snapped',
    say: 'Renew it or its part off the vehicle. The circuit cannot be proved like this.',
  },
  'nothing comes': {
    title: 'Nothing comes, or only a trickle',
    say: 'No more strokes and no more pressure: a pot is let off first. Shut the bleeder. Then find out which of these it is; each has a test that tells it.',
  },
  'air never ends': {
    title: 'Air that never ends',
    say: 'Shut it. Open less, look for a wet joint or loose threads: air comes in past them. If all is dry and tight, the modulator may give it off.',
  },
  'tool stopped': {
    title: 'The scan tool stopped',
    say: 'A precondition is not met, a step was aborted or a fault code stands. Put that right first; then the check is read again.',
  },
  'wrong part': {
    title: 'This part does not fit',
    say: 'Do not fill it and do not make it fit. Get the right one, or set its pieces right; then it is compared again.',
  },
  'not as planned': {
    title: 'It did not go as planned',
    say: 'A joint stood open, or the level fell unseen: air may have come in. What must be opened is found anew.',
  },
  'other size': {
    title: 'Another size than was planned with',
    say: 'What one stroke moves, or what a part holds, is not what was guessed. Strokes made so far count by it. The rest is worked out anew.',
  },
  grease: {
    title: 'Something like grease came',
    say: 'A hub or axle seal has let lubricant into the brake. Bleeding cannot cure it; the others may still be finished.',
  },
  'other product': {
    title: 'Another product came',
    say: 'Two products that do not mix harm every seal. Stop; nothing more is filled.',
  },
  leak: {
    title: 'A joint or hose leaks',
    say: 'Find and mend the leak first. The circuit cannot be bled or proved while it loses fluid.',
  },
  'pedal not right': {
    title: 'The pedal or lever is not right',
    say: 'Air may still be inside, or a part is worn. Look for the cause first; then the rest is planned anew, or the job ends.',
  },
};

export interface HaltedHappening {
  readonly kind: 'halted';
  readonly reason: HaltReason;
  readonly openingId: string | null;
  /** The control at which it was found, where it was one: only that one is bled again. */
  readonly masterId?: string | null;
}

export const halted = runEvent<HaltedHappening>({
  kind: 'halted',
  voids: 'all',
  opens: ({ reason, openingId, masterId = null }, plans) =>
    broughtByHalt(reason, openingId, masterId, plans),
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fold: (run, { id: eventId, reason, openingId, masterId = null }) =>
    halt(run, { eventId, reason, openingId, masterId }),
  fault: ({ openingId, masterId = null }, { plans }) => {
    if (masterId !== null && !hasMaster(plans, masterId)) return masterFault(plans, masterId);
    return openingId === null ? null : openingFault(plans, openingId);
  },
  words: ({ reason }) => `a halt: ${lowerFirst(HALT_WORDS[reason].title)}`,
});
