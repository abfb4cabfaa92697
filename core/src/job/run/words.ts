import type { Decision, HaltReason, Try } from './event';
import type { Missing } from './nextStep';

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

/** What a person decides, and what follows. */
export const DECISION_WORDS: Readonly<
  Record<Decision, { readonly title: string; readonly follows: string }>
> = {
  'plan anew': {
    title: 'Plan the rest anew',
    follows: 'What must be opened is worked out again, with the fluid as it stands now.',
  },
  'another method': {
    title: 'Go on by another method',
    follows: 'The rest goes by the best of the others that can work here.',
  },
  'go on': { title: 'Fixed, go on', follows: 'The count goes on where it stood.' },
  'do it last': {
    title: 'Penetrant on it, do the others first',
    follows: 'It comes again at the end; a quarter of an hour helps more than force.',
  },
  'leave shut': {
    title: 'Leave this one, do the others',
    follows: 'The vehicle stays “do not drive”: this job cannot release it.',
  },
  'end job': {
    title: 'End the job unreleased',
    follows: 'The vehicle stays “do not drive” until a later job releases it.',
  },
};

/** What to do about what is missing at a bleeder. */
export const MISSING_WORDS: Readonly<Record<Missing, string>> = {
  strokes: 'The planned wash-out is not reached.',
  'bubbles not read': 'Bubbles in the last three strokes? Tap what you saw.',
  'opened again': 'Opened again: three strokes, then a look, before it is shut.',
  'round broken':
    'Air may have gone in: go on, three strokes must follow that are free of bubbles.',
  'bubbles in the last three':
    'Bubbles within the last three strokes: go on, three must be free of them.',
  'colour not read': 'Colour in the hose now? Tap what you saw.',
  'colour not new': 'Darker than the new fluid: go on, then look again.',
};

/** What to try where bubbles stay the same, and why that helps [C]. */
export const TRY_WORDS: Readonly<Record<Try, { readonly title: string; readonly why: string }>> = {
  'open less': {
    title: 'Open it less',
    why: 'Only as far as it flows: opened further it lets air in past its threads.',
  },
  'tap it': {
    title: 'Tap it',
    why: 'Caliper, backing plate or line, lightly, while fluid moves: bubbles that cling let go.',
  },
  'flick it': {
    title: 'Flick the pedal or lever',
    why: 'Shut; then a dozen times through its first few millimetres: bubbles below the port rise into the reservoir.',
  },
  'another stroke': {
    title: 'Another stroke',
    why: 'Fast down and slowly back where it was steady, steady where it was fast.',
  },
  'turn it up': {
    title: 'Turn or raise it',
    why: 'So that its bleeder is the highest point. Unhooked: its pistons blocked first, and hung by wire, never by its hose.',
  },
  wait: {
    title: 'Wait half an hour',
    why: 'Shut. Fine bubbles rise and gather; then go on.',
  },
  'another method': {
    title: 'Another method',
    why: 'Under “Something is wrong”, air that never ends: the rest is planned anew.',
  },
};
