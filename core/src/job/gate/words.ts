import { CONTROL_TRAITS, type Control } from '../../vehicle/circuit';
import type { TakeUp } from '../../control/clutch';
import type { MissingMeasure } from '../../control/pedal';
import { capital, lowerFirst } from '../../base/text';
import { CHECK_WORDS, CONTROL_CHECK_WORDS } from '../items';
import type { GateReason } from './releaseGate';

/** Where a clutch takes up, in words for pedal and lever. */
export function takeUpWords(takeUp: TakeUp, control: Control): string {
  if (takeUp !== 'near the end') return takeUp;
  return CONTROL_TRAITS[control].held === 'lever' ? 'near the bar' : 'near the floor';
}

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
    case 'bleeder not clear':
      return `${capital(reason.place)}: shut before it was clear of bubbles. Bleed it until three strokes are.`;
    case 'stage owed':
      return `Not done: ${lowerFirst(reason.title)}. Danger may be left behind; nobody releases it like this.`;
    case 'control not judged':
      return reason.missing
        ? `${capital(reason.control)}, still to measure: ${reason.missing.map((m) => MISSING_MEASURE_WORDS[m]).join(', ')}. Or say it by feel.`
        : `${capital(reason.control)}: not judged yet.`;
    case 'control does not pass':
      return `${capital(reason.control)}: ${reason.result}. ${PASSES[CONTROL_TRAITS[reason.control as Control].system]}`;
    case 'control not tried':
      return `${capital(reason.control)}, not tried yet: ${lowerFirst(CONTROL_CHECK_WORDS[reason.item].ask)}.`;
    case 'control failed':
      return `${capital(reason.control)} failed: ${lowerFirst(CONTROL_CHECK_WORDS[reason.item].ask)}. Put it right, then try again.`;
    case 'not checked':
      return `Not looked at yet: ${lowerFirst(CHECK_WORDS[reason.item].ask)}.`;
    case 'check failed':
      return `Failed: ${lowerFirst(CHECK_WORDS[reason.item].ask)}. Put it right, then look again.`;
    case 'fluid not put down':
      return 'Not recorded yet: which container was poured from, and how much.';
    case 'torque not written':
      return `The torque of the ${reason.place} is not written down; this workshop tightens by the manual.`;
    case 'photo asked for':
      return `This workshop asks for a photo: ${lowerFirst(CHECK_WORDS[reason.item].ask)}.`;
    case 'open item':
      return `Still open: ${lowerFirst(reason.what)}. ${reason.clearsWhen}`;
    case 'no test drive':
      return 'The test drive is still to come.';
    case 'drive failed':
      return 'The test drive failed. Do not drive: find out why, then prove it again.';
  }
}

/** What of a measure is still to be read, in words. */
export const MISSING_MEASURE_WORDS: Readonly<Record<MissingMeasure, string>> = {
  rest: 'at rest',
  'first resistance': 'where it bites',
  'light push': 'light push',
  'firm push': 'firm push',
  'firm push, pumped': 'firm push, pumped',
  sink: 'whether it sinks',
};

const PASSES = {
  brakes: 'Only firm and high passes.',
  clutch: 'So close to its end it has air or lost stroke.',
} as const;
