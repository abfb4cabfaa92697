import {
  bleederName,
  chambersOf,
  heldOf,
  partName,
  type Layout,
  type Master,
} from '../../vehicle/circuit';
import type { AirCause, BleederFinding, Unmet } from './finding';
import type { PartnerAdvice } from './partners';
import { capital, lowerFirst } from '../../base/text';
import { asksOf, purposeOf } from './asks';
import type { Purpose, WorkDone } from './work';

export const PURPOSE_WORDS: Readonly<
  Record<Purpose, { readonly title: string; readonly about: string }>
> = {
  'routine flush': { title: 'Renew the fluid', about: 'Nothing was opened, no air expected' },
  'soft pedal': { title: 'Pedal or lever is soft', about: 'Air somewhere: every bleeder' },
  'after work': {
    title: 'A part was changed',
    about: 'Or is to be: only what may hold air is opened',
  },
  'new or dry': { title: 'New or dry system', about: 'Everything, master first' },
  'look and prove': { title: 'Look and prove', about: 'A mark or a mended leak: no bleeding' },
};

/** The same in the words of what is worked on this vehicle: a trailer has neither pedal nor lever. */
export function purposeWords(
  purpose: Purpose,
  of: { readonly masters: readonly Pick<Master, 'control'>[] },
): (typeof PURPOSE_WORDS)[Purpose] {
  const words = PURPOSE_WORDS[purpose];
  if (purpose !== 'soft pedal') return words;
  const { word } = heldOf(of);
  return {
    ...words,
    title: word === 'coupling' ? 'Brakes are weak' : `${capital(word)} is soft`,
  };
}

/** What a vehicle is here for, in one line. @example "A part was changed, renew the fluid" */
export function workTitle(work: WorkDone): string {
  return asksOf(work)
    .map((a) => PURPOSE_WORDS[purposeOf(a)].title)
    .sort(
      (a, b) =>
        Number(b === PURPOSE_WORDS[work.purpose].title) -
        Number(a === PURPOSE_WORDS[work.purpose].title),
    )
    .map((title, i) => (i === 0 ? title : lowerFirst(title)))
    .join(', ');
}

const CAUSE: Readonly<Record<AirCause, string>> = {
  opened: 'was opened',
  'behind what was opened': 'lies behind what was opened and ran empty',
  'climbed from the open joint': 'lies where air could climb from the joint, which was not capped',
  'drew air at its outlet': 'drew air: the level fell to its outlet, or nobody saw it',
  'master changed': 'hangs on a master that was changed',
  'modulator opened': 'hangs on a modulator that was opened or lost fluid',
  'air in the modulator': 'hangs on a modulator that may hold air in its pockets',
  'new or dry': 'is new or dry',
  'soft pedal': 'may hold the air that makes it soft',
  'left from before': 'was not bled clear by the job before',
};

/** What was asked for and does not hold, as a sentence about what follows. */
export const UNMET_WORDS: Readonly<Record<Unmet, string>> = {
  cappedAtOnce: 'The joint was not capped at once: air can climb in the lines above it.',
  keptFull:
    'The reservoir was not kept full, and nobody saw the lowest level: the outlet may have drawn air.',
  linesStayedFull: 'The lines did not stay full.',
  linesAboveWheels: 'The lines do not all lie above the wheels.',
  nothingElseOpened: 'Something else was opened too.',
  modulatorLostNothing: 'The modulator lost fluid.',
  heldDown: 'The pedal or lever was not held down while the lines were joined.',
  bench: 'The bench run did not end clean.',
};

/** Why a bleeder must be opened or may stay shut, in one sentence that names the element. */
export function bleederWords(layout: Layout, { why, open, bleederId }: BleederFinding): string {
  const name = bleederName(layout.bleeders.find((b) => b.id === bleederId)!);
  if (why.code === 'air') return `${nameOf(layout, why.elementId)} ${CAUSE[why.cause]}.`;
  if (why.code === 'old fluid from before') return 'Old fluid: it is renewed along with the rest.';
  if (open) return 'Old fluid: it is renewed at every bleeder.';
  switch (why.code) {
    case 'not in hand':
      return `The ${name} belongs to a system that is not in hand.`;
    case 'only looked at':
      return 'Stays shut: nothing was opened, it is only looked at and proved.';
    case 'master changed with care':
      return 'May stay shut: the master was bled on the bench and joined with care. Any softness afterwards brings the whole bleed.';
    default:
      return 'May stay shut: nothing on its way was opened, the joint was capped and the reservoir kept full.';
  }
}

const ADVICE: Readonly<Record<PartnerAdvice['why'], string>> = {
  'axle pair': 'brakes are renewed in axle pairs',
  'old and outside': 'it is as old and quick to reach, and one bleed serves both',
  'lately renewed': 'it was renewed lately',
  'age not known':
    'nobody said how old it is; old and outside it goes with this job, lately renewed it stays',
  'inside the gearbox': 'it sits inside the gearbox; put it down for the next clutch job',
};

/** Advice on a partner: what, and why. */
export function adviceWords(advice: PartnerAdvice): string {
  const does = {
    'same job': 'Renew it in this job',
    'leave it': 'Leave it',
    'next clutch job': 'Leave it for now',
    'ask its age': 'Ask its age or mileage',
  }[advice.advise];
  return `${advice.partnerName}: ${does.toLowerCase()}, because ${ADVICE[advice.why]}.`;
}

/** Name of any element; a stretch goes by the part that it belongs to. */
export function nameOf(layout: Layout, id: string): string {
  const chamber = chambersOf(layout).find((c) => c.chamber.id === id || c.master.id === id);
  if (chamber) return chamber.master.id === id ? chamber.master.name : chamber.chamber.name;
  const named =
    partName(layout, id) ?? [...layout.nodes, ...layout.reservoirs].find((e) => e.id === id)?.name;
  if (named) return named;
  const bleeder = layout.bleeders.find((b) => b.id === id);
  return bleeder ? bleederName(bleeder) : id;
}
