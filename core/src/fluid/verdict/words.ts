import type { CompatibilityCode, Remedy } from './compatibility';
import type { ConditionCode, ConditionVerdict } from './condition';
import type { FluidHold } from './fluidVerdict';

/** What the job waits for or what stops it, in one sentence. */
export const HOLD_WORDS: Readonly<
  Record<FluidHold, { readonly title: string; readonly say: string }>
> = {
  'read the cap': {
    title: 'Read the cap',
    say: 'Nobody has named a grade. No legend left? Ask the handbook; nothing is filled on a guess.',
  },
  'demands conflict': {
    title: 'Decide whom to follow',
    say: 'Cap, maker and part cannot all be obeyed. Nothing is filled until a person has decided and written why.',
  },
  'water test': {
    title: 'Put a few drops in water',
    say: 'Nobody can explain this colour. Glycol dissolves, silicone and mineral oil part; until that is seen, nothing is filled.',
  },
  'choose a fluid': {
    title: 'Choose what goes in',
    say: 'Take the container in hand and read its label.',
  },
  'must not fill': {
    title: 'Not this one',
    say: 'What was chosen must not go in. Choose another.',
  },
  'wrong chemistry inside': {
    title: 'Stop: the wrong fluid is inside',
    say: 'What is in the system does not mix with what is asked for. Flushing does not cure it.',
  },
  'condition stops': {
    title: 'Stop: nothing is filled',
    say: 'What was seen in the fluid must be cleared first.',
  },
};

/** Each verdict on a condition, as a heading. */
export const VERDICT_WORDS: Readonly<Record<ConditionVerdict, string>> = {
  good: 'Good',
  'not measured': 'Not measured: no verdict',
  'replace at this visit': 'Replace at this visit',
  'replace now': 'Replace now',
  'test first': 'Drops in water first',
  stop: 'Stop',
};

/** One sentence for every reason of the grade adviser. */
export const COMPATIBILITY_WORDS: Readonly<Record<CompatibilityCode, string>> = {
  'read the cap':
    'Nobody has named a grade. Read the cap, or ask the handbook; nothing is filled on a guess.',
  'demands conflict':
    'Cap, maker and part cannot all be obeyed. Nothing is filled until a person has decided and written why.',
  named: 'A grade that is asked for by name.',
  'goes up': 'A better grade of the same chemistry. Going up is generally accepted.',
  'goes up, natural rubber':
    'A better grade, but the seals may be natural rubber. Ask for the maker’s advice before going up.',
  'below what is asked':
    'Below what is asked for. It boils sooner, and the mixture is no better than its weakest part.',
  'too thick':
    'Low viscosity is asked for, and this one may be thicker than 750 mm²/s at −40 °C. A higher boiling point does not make up for it.',
  'ask for thickness':
    'Stability control often asks for class 6 or 7. Look it up before this one goes in.',
  'silicone in glycol':
    'Silicone and glycol never mix: slugs of water, swollen seals, a soft pedal.',
  'glycol in silicone':
    'Glycol and silicone never mix: slugs of water, swollen seals, a soft pedal.',
  'mineral in brake fluid':
    'Mineral oil swells every seal of a brake-fluid system. The system would be lost.',
  'brake fluid in mineral':
    'Brake fluid swells every seal of a mineral-oil system. The system would be lost.',
  'silicone with ABS': 'Silicone holds air and does not belong in a system with ABS.',
  'name trap':
    'DOT 5 and DOT 5.1 differ by a point and are opposites: DOT 5 (five) is silicone, DOT 5.1 (five point one) is glycol.',
  'system holds another chemistry':
    'What is in the system now does not mix with it. That comes out first: strip, new seals, dry system.',
  'system holds a lower grade':
    'What is in the system now is a lower grade. Until all of it is out, the mixture is no better.',
};

/** What to do when a fluid is in already. */
export const REMEDY_WORDS: Readonly<Record<Remedy, string>> = {
  nothing: 'It may stay.',
  'flush with the grade asked for':
    'Flush every bleeder with the grade that is asked for. Until then: do not drive.',
  'strip, new seals, dry system':
    'Do not move the pedal. Strip the system, renew the seals, dry every line, then fill what is asked for. Until then: do not drive.',
  'strip, all rubber renewed':
    'Do not move the pedal. Every rubber part has been exposed: strip, renew all rubber and hoses, clean and dry the rest. Until then: do not drive.',
};

/** One sentence for every finding of the condition verdict. */
export const CONDITION_WORDS: Readonly<Record<ConditionCode, string>> = {
  'other product':
    'Thick or greasy: a hub or axle seal may have let lubricant into the brake. Bleeding does not cure it.',
  layers: 'The fluid lies in layers: two products that do not mix. Strip, new seals, dry system.',
  'silicone in glycol':
    'Silicone where glycol belongs. The two never mix; strip, new seals, dry system.',
  'mineral oil':
    'Mineral oil in the fluid. Every rubber part has been exposed; strip and renew all rubber.',
  'drops part':
    'A few drops in water part instead of dissolving: this is not glycol. Find out what it is before anything is filled.',
  'drops dissolve':
    'A few drops dissolve in water: brake fluid where it does not belong. Strip, new seals, dry system.',
  'water test first':
    'Nobody can explain this colour. Put a few drops in water first: glycol dissolves, silicone and mineral oil part.',
  particles:
    'Particles: rubber or rust is breaking up. Replace now, and look for the part that it comes from.',
  dark: 'Dark fluid is old fluid. It proves age, not a failed part: flush, look under the boots, look again next time.',
  'boils below wet limit': 'It boils below the wet limit of its grade. Replace now.',
  'boils below visit limit':
    'It boils sooner than a fluid with 1.5 % water. Replace at this visit.',
  'boils well': 'The boiling point, as measured, is above the limits.',
  'wet now': '3 % water or more. Replace now.',
  'wet this visit': '1.5 % water or more. Replace at this visit.',
  'dry enough': 'Under 1.5 % water.',
  copper: '200 ppm of copper or more: the corrosion inhibitors are spent. Replace at this visit.',
  acid: 'pH below 7: below what a new fluid may have. Replace at this visit.',
  'practice reading':
    'A practice instrument proves nothing: this reading can fail a fluid, never pass it.',
  'meter says nothing':
    'The conductivity meter counts only for the glycol grade that is set on it; this reading does not count.',
  'boiling replaces water':
    'The boiling reading of this point replaces its water reading; both are shown.',
  'reservoir understates':
    'Near a limit, and the reservoir is drier than the calipers. A bleeder sample or the boiling tester decides.',
  'colour does not pass':
    'Nothing was measured that can pass a fluid. Colour can fail it but never pass it: clear fluid can be wet.',
};
