import type { ControlCheck } from './controls';
import type { CheckItem } from './proof';

/** How one thing of the proof is asked, why it counts, and what a wrong answer looks like. */
export interface CheckWords {
  readonly ask: string;
  readonly why: string;
  readonly wrong: string;
}

/** What is asked, and why it counts. */
export const CHECK_WORDS: Readonly<Record<CheckItem, CheckWords>> = {
  'joints dry': {
    ask: 'Joints and bleeders dry under a firm push',
    why: 'Hold the pressure and look at every joint that was touched.',
    wrong: 'A wet edge, a drop under a nut or at the nipple, a boot that shines.',
  },
  'bleeder caps': {
    ask: 'Caps on every bleeder',
    why: 'Dirt in the bore seizes the bleeder next time.',
    wrong: 'A bare nipple, a cap that hangs on its strap.',
  },
  level: {
    ask: 'Level between MIN and MAX, standing level',
    why: 'Never above MAX: brakes drag when the fluid has no room.',
    wrong: 'Above MAX, below MIN, or read on a slope.',
  },
  'reservoir cap': {
    ask: 'Diaphragm folded in, cap tight',
    why: 'A perished or trapped diaphragm lets water and dirt in.',
    wrong: 'A pleat of the diaphragm under the rim, a cap that still turns.',
  },
  'wiped dry': {
    ask: 'Discs or drums, tyres and soles wiped dry',
    why: 'A wetted pad or lining is renewed, not wiped.',
    wrong: 'A shine on a disc, a dark edge of a lining, a shoe that slips.',
  },
  'lamps out': {
    ask: 'Brake warning lamps out, engine running',
    why: 'Level switch, pressure difference and ABS speak here.',
    wrong: 'One that stays lit, or one that never lit with the ignition on.',
  },
  wheels: {
    ask: 'Wheels on, nuts to the manual’s torque',
    why: 'Look the value up; the app does not know it.',
    wrong: 'A nut that still turns at the value, a wheel that nobody marked.',
  },
};

/** What is tried at a control, and how. All of it common practice, no source. */
export const CONTROL_CHECK_WORDS: Readonly<Record<ControlCheck, CheckWords>> = {
  'wheels held and free': {
    ask: 'Each wheel that it works: held with it on, free with it off',
    why: 'Finds swapped lines, a capped hose, drag. Turn every wheel by hand.',
    wrong: 'One that turns with it on, drags with it off, or the wrong one held.',
  },
  'servo gives': {
    ask: 'Foot on it, engine started: it gives a little',
    why: 'That is the servo. A hard pedal that does not move has none.',
    wrong: 'Hard as before, or it sinks on to the floor.',
  },
  'held pushed in': {
    ask: 'Coupling pushed in: the wheels hold',
    why: 'Chocked, nobody behind it.',
    wrong: 'A wheel that rolls on.',
  },
  'comes out and frees': {
    ask: 'Comes out by itself, the wheels turn free',
    why: 'One that stays in drags and burns the linings.',
    wrong: 'It stays in, or a wheel drags.',
  },
  'reversing and breakaway': {
    ask: 'Reversing, parking lever and breakaway cable tried',
    why: 'Each of them works the brakes by a way of its own.',
    wrong: 'One that does not hold, a cable that slips off.',
  },
  'engages and releases': {
    ask: 'Engine running: it engages and releases',
    why: 'In the open, foot brake proved and covered, nobody in front or behind.',
    wrong: 'It pulls with the pedal down, or does not pull with it up.',
  },
  'reverse silent': {
    ask: 'After 5 s with the pedal down reverse goes in without grating',
    why: 'Grating means that it does not release fully. Where reverse has a synchroniser, go by the creep.',
    wrong: 'A grating, or it does not go in.',
  },
  'first and back': {
    ask: 'First and back to neutral, several times, easily',
    why: 'Cold and warm. Air shows after a few pushes.',
    wrong: 'It hooks, or goes in only after a few pumps.',
  },
  'no creep': {
    ask: 'In first, pedal down for a full minute: no creep',
    why: 'Foot brake covered, nobody in front or behind. Creep means that it loses pressure.',
    wrong: 'It crawls after half a minute.',
  },
  'no slip': {
    ask: 'Pulls away without slip',
    why: 'No play at the top holds it open, and it slips and burns.',
    wrong: 'The engine races and the vehicle does not.',
  },
  'free play': {
    ask: 'Free play at the top',
    why: 'Without it the piston does not come home and the port stays shut.',
    wrong: 'None at the top, or more every time.',
  },
  'rolls in gear': {
    ask: 'Engine off, in gear, lever in: it rolls once rocked free',
    why: 'Some drag when cold is normal.',
    wrong: 'It stays stuck after being rocked.',
  },
  'first without lurch': {
    ask: 'Engine warm, brake held, first in: no lurch, pull or stall for 30 s',
    why: 'Wheels down, rider astride. Never with a driven wheel in the air.',
    wrong: 'It jumps, pulls or stalls.',
  },
  'neutral found': {
    ask: 'Neutral is found at a standstill',
    why: 'A clutch that drags hides it.',
    wrong: 'The lamp does not come, or only with the engine off.',
  },
  'comes back': {
    ask: 'The lever comes back by itself',
    why: 'One that stays leaves the port shut.',
    wrong: 'It stays, or creeps back.',
  },
  'slave and master dry': {
    ask: 'Slave and master dry',
    why: 'Look under the boots. A leak on a shared reservoir takes the brakes with it.',
    wrong: 'Wet under a boot, a drop at the rod.',
  },
};

/** What was looked at or tried, in its own words. */
export const askOf = (item: CheckItem | ControlCheck): string =>
  item in CHECK_WORDS
    ? CHECK_WORDS[item as CheckItem].ask
    : CONTROL_CHECK_WORDS[item as ControlCheck].ask;
