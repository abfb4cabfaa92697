import type { CheckItem } from './proof';
import type { GateReason } from './releaseGate';
import { lowerFirst } from '../text';

/** What is asked, and why it counts. */
export const CHECK_WORDS: Readonly<
  Record<CheckItem, { readonly ask: string; readonly why: string }>
> = {
  'joints dry': {
    ask: 'Joints and bleeders dry under a firm push',
    why: 'Hold the pressure and look at every joint that was touched.',
  },
  'bleeder caps': {
    ask: 'Caps on every bleeder',
    why: 'Dirt in the bore seizes the bleeder next time.',
  },
  level: {
    ask: 'Level between MIN and MAX, standing level',
    why: 'Never above MAX: brakes drag when the fluid has no room.',
  },
  'reservoir cap': {
    ask: 'Diaphragm folded in, cap tight',
    why: 'A perished or trapped diaphragm lets water and dirt in.',
  },
  'wiped dry': {
    ask: 'Discs, tyres, pedals and soles wiped dry',
    why: 'A wetted pad or lining is renewed, not wiped.',
  },
  'lamps out': {
    ask: 'Brake warning lamps out, engine running',
    why: 'Level switch, pressure difference and ABS speak here.',
  },
  wheels: {
    ask: 'Wheels on, nuts to the manual’s torque',
    why: 'Look the value up; the app does not know it.',
  },
};

/** One sentence for each thing that keeps the gate shut. */
export function gateWords(reason: GateReason): string {
  switch (reason.code) {
    case 'run not finished':
      return 'The bleed is not through: finish every bleeder and the last fill.';
    case 'run ended':
      return 'The run was ended by a decision. Only a later job can release this vehicle.';
    case 'strokes asked':
      return 'Another phone tapped strokes that nobody has judged: say whether they count.';
    case 'bleeder left':
      return `The ${reason.place} was left unbled. A later job must bleed it before this vehicle is released.`;
    case 'pedal not judged':
      return 'Pedal or lever: not judged yet.';
    case 'pedal does not pass':
      return `Pedal or lever: ${reason.result}. Only firm and high passes.`;
    case 'not checked':
      return `Not looked at yet: ${lowerFirst(CHECK_WORDS[reason.item].ask)}.`;
    case 'check failed':
      return `Failed: ${lowerFirst(CHECK_WORDS[reason.item].ask)}. Put it right, then look again.`;
    case 'fluid not put down':
      return 'Not put down yet: which container was poured from, and how much.';
    case 'no test drive':
      return 'The test drive is still to come.';
    case 'drive failed':
      return 'The test drive failed. Do not drive: find out why, then prove it again.';
  }
}
