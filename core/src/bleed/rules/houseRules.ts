import { VEHICLE_TRAITS, type VehicleKind } from '../../vehicle/circuit';
import { CLIMATES, type Climate } from '../../fluid/ageing';
import { METHODS, type Method } from '../../hydraulics/flow';
import { METHOD_WORDS } from '../method';
import { ORDER_SCHOOLS, type OrderSchool } from '../../hydraulics/order';
import { ORDER_WORDS } from '../order';
import { OPEN_RULES, type OpenRule } from '../../fluid/shelf';
import type { Range } from '../../base/units';

/** Months between changes on which workshops differ. */
export const INTERVAL_MONTHS = ['12', '18', '24'] as const;
export type IntervalMonths = (typeof INTERVAL_MONTHS)[number];

/** New share wanted at the outlet of every bleeder, per cent: what a technician can see there. */
export const NEW_AT_OUTLET = ['90', '95', '98'] as const;
export type NewAtOutlet = (typeof NEW_AT_OUTLET)[number];

/** What a workshop may fix about the old rest in the reservoir; else the plan finds the cheapest. */
export const RESERVOIR_RULES = [
  'cheapest',
  'nothing',
  'two rinses',
  'second fill',
  'wipe',
] as const;

/** Of which items of the proof a workshop may ask for a photo. */
export const PROOF_PHOTO_RULES = ['none', 'level and joints', 'every look'] as const;

/** What a workshop decides for itself. Kept with every verdict, plan and record that it entered into. */
export interface HouseRules {
  readonly openContainers: OpenRule;
  readonly intervalCarMonths: IntervalMonths;
  readonly intervalMotorcycleMonths: IntervalMonths;
  readonly climate: Climate;
  readonly order: OrderSchool;
  /** Of two bleeders side by side on one part. */
  readonly pairs: 'inner first' | 'outer first';
  readonly preferredMethod: Method | 'none';
  readonly strokeShape: 'by the line' | 'steady';
  readonly newAtOutlet: NewAtOutlet;
  /** Quick pumps before the pedal or lever is held. */
  readonly pumpsBeforeHolding: '0' | '3' | '10';
  readonly hoseEnd: 'submerged' | 'free';
  readonly benchFill: 'back into the reservoir' | 'into a can';
  readonly joinWay: 'held down' | 'reservoir full';
  readonly jointTightness: 'by feel' | 'by the manual';
  /** Of which items of the proof a photo is asked for. */
  readonly proofPhotos: (typeof PROOF_PHOTO_RULES)[number];
  /** What is done about the old rest in the reservoir. */
  readonly reservoirWay: (typeof RESERVOIR_RULES)[number];
  /** What is taken along beyond what the plan pours. */
  readonly pickMargin: 'one more pass' | 'none';
  /** Below this much of a grade that may be used, the shelf says that it runs low. */
  readonly lowStockMl: number;
  /** What the waste drum holds. */
  readonly drumMl: number;
  /** Where the workshop lies, metres above the sea: thinner air is squeezed by less. */
  readonly altitudeM: number;
  /** Reach, hose and cap at each bleeder, minutes [M]. */
  readonly minutesPerBleeder: number;
  /** One top-up, minutes [M]. */
  readonly minutesPerTopUp: number;
  /** One closed stroke with two people, seconds [M]. */
  readonly secondsPerStrokeTwoPeople: number;
  /** One closed stroke alone at a lever, seconds [M]. */
  readonly secondsPerStrokeLever: number;
  /** One stroke alone with bottle and hose, seconds [M]. */
  readonly secondsPerStrokeBottle: number;
}

/** Keys that are an amount, each with its question, its unit and what may be entered [M]. */
export const AMOUNTS = {
  lowStockMl: { what: 'Shelf runs low below', unit: 'mL', least: 0, most: 50_000, whole: true },
  drumMl: { what: 'The waste drum holds', unit: 'mL', least: 1000, most: 1_000_000, whole: true },
  altitudeM: { what: 'The workshop lies at', unit: 'm', least: -400, most: 5000, whole: true },
  minutesPerBleeder: {
    what: 'At each bleeder: reach, hose, cap',
    unit: 'min',
    least: 0,
    most: 60,
  },
  minutesPerTopUp: { what: 'One top-up', unit: 'min', least: 0, most: 60 },
  secondsPerStrokeTwoPeople: { what: 'A stroke with two people', unit: 's', least: 1, most: 60 },
  secondsPerStrokeLever: { what: 'A stroke alone at a lever', unit: 's', least: 1, most: 60 },
  secondsPerStrokeBottle: {
    what: 'A stroke alone with bottle and hose',
    unit: 's',
    least: 1,
    most: 60,
  },
} as const satisfies Partial<Record<keyof HouseRules, Range>>;
export type AmountKey = keyof typeof AMOUNTS;

/** Rules until a workshop has chosen its own. */
export const DEFAULT_RULES: HouseRules = {
  openContainers: '30 days capped',
  intervalCarMonths: '24',
  intervalMotorcycleMonths: '12',
  climate: 'temperate',
  order: 'farthest first',
  pairs: 'inner first',
  preferredMethod: 'none',
  strokeShape: 'by the line',
  pumpsBeforeHolding: '3',
  hoseEnd: 'submerged',
  benchFill: 'back into the reservoir',
  joinWay: 'held down',
  jointTightness: 'by feel',
  reservoirWay: 'cheapest',
  proofPhotos: 'none',
  pickMargin: 'one more pass',
  newAtOutlet: '95',
  lowStockMl: 1000,
  drumMl: 20_000,
  altitudeM: 0,
  minutesPerBleeder: 4,
  minutesPerTopUp: 1.5,
  secondsPerStrokeTwoPeople: 6,
  secondsPerStrokeLever: 4,
  secondsPerStrokeBottle: 8,
};

/** Keys that are a choice between schools. */
export type SchoolKey = Exclude<keyof HouseRules, AmountKey>;

/** One thing on which workshops differ: the question, and what speaks for each side. All of it common practice, no source. */
export interface School<K extends SchoolKey = SchoolKey> {
  readonly key: K;
  readonly question: string;
  readonly options: readonly {
    readonly value: HouseRules[K];
    readonly label: string;
    readonly speaksFor: string;
  }[];
}

const interval = (
  key: 'intervalCarMonths' | 'intervalMotorcycleMonths',
  question: string,
): School => ({
  key,
  question,
  options: [
    {
      value: '12',
      label: 'Every 12 months',
      speaksFor:
        'Hard use, damp air and small reservoirs: what boils on a hill is never old. Costs a flush more every other year.',
    },
    {
      value: '18',
      label: 'Every 18 months',
      speaksFor:
        'Between the two: each change falls in another season, so that a wet one is met in time.',
    },
    {
      value: '24',
      label: 'Every 24 months',
      speaksFor:
        'What most fluid bears in temperate air, and the fewest bleeders opened. Relies on a measurement in between.',
    },
  ],
});

/** Every rule a person may choose from, for checking what comes in. */
export const RULE_OPTIONS = {
  openContainers: OPEN_RULES,
  intervalCarMonths: INTERVAL_MONTHS,
  intervalMotorcycleMonths: INTERVAL_MONTHS,
  climate: CLIMATES,
  order: ORDER_SCHOOLS,
  pairs: ['inner first', 'outer first'],
  preferredMethod: ['none', ...METHODS.filter((m) => m !== 'injection')],
  strokeShape: ['by the line', 'steady'],
  pumpsBeforeHolding: ['0', '3', '10'],
  hoseEnd: ['submerged', 'free'],
  benchFill: ['back into the reservoir', 'into a can'],
  joinWay: ['held down', 'reservoir full'],
  jointTightness: ['by feel', 'by the manual'],
  newAtOutlet: NEW_AT_OUTLET,
  reservoirWay: RESERVOIR_RULES,
  proofPhotos: PROOF_PHOTO_RULES,
  pickMargin: ['one more pass', 'none'],
} as const satisfies { [K in SchoolKey]: readonly HouseRules[K][] };

/** Every school of this workshop's page, in its order. */
export const SCHOOLS: readonly School[] = [
  {
    key: 'openContainers',
    question: 'An opened container?',
    options: [
      {
        value: 'today only',
        label: 'Today or not at all',
        speaksFor:
          'Nobody knows how long the cap was off. The rest of a small container costs less than a soft pedal.',
      },
      {
        value: '30 days capped',
        label: 'Up to 30 days, kept capped',
        speaksFor:
          'A capped container takes up little in a month, and less is thrown away. It needs the date on it, and a second look.',
      },
    ],
  },
  interval('intervalCarMonths', 'Cars: how often at least?'),
  interval('intervalMotorcycleMonths', 'Motorcycles: how often at least?'),
  {
    key: 'climate',
    question: 'How damp is the air here?',
    options: CLIMATES.map((value) => ({ value, label: value, speaksFor: climateWords(value) })),
  },
  {
    key: 'order',
    question: 'In which order, without the maker’s word?',
    options: ORDER_SCHOOLS.map((value) => ({
      value,
      label: ORDER_WORDS[value].title,
      speaksFor: ORDER_WORDS[value].speaksFor,
    })),
  },
  {
    key: 'pairs',
    question: 'Two bleeders side by side on one part?',
    options: [
      {
        value: 'inner first',
        label: 'Inner first',
        speaksFor: 'The fluid meets it first; the outer carries out what is left.',
      },
      {
        value: 'outer first',
        label: 'Outer first',
        speaksFor: 'The far half is filled before the near one takes the flow.',
      },
    ],
  },
  {
    key: 'preferredMethod',
    question: 'Which method, where several work?',
    options: RULE_OPTIONS.preferredMethod.map((value) => ({
      value,
      label: value === 'none' ? 'As the plan ranks them' : METHOD_WORDS[value].title,
      speaksFor:
        value === 'none'
          ? 'Each job has its own.'
          : `${METHOD_WORDS[value].needs}: what is done every day goes wrong least.`,
    })),
  },
  {
    key: 'newAtOutlet',
    question: 'How new must it come out?',
    options: [
      {
        value: '90',
        label: '90 % new',
        speaksFor:
          '1.6 volumes of a long line (Danckwerts 1953). The eye sees no difference any more; a tenth of what comes is old.',
      },
      {
        value: '95',
        label: '95 % new',
        speaksFor: '2.2 volumes of a long line: where more strokes begin to buy little.',
      },
      {
        value: '98',
        label: '98 % new',
        speaksFor: '3.5 volumes of a long line: for fluid that was dark or wet, and for hills.',
      },
    ],
  },
  {
    key: 'reservoirWay',
    question: 'The old rest in the reservoir?',
    options: [
      {
        value: 'cheapest',
        label: 'As the plan finds',
        speaksFor: 'The fewest minutes at no more fluid; small rinses as a rule.',
      },
      {
        value: 'nothing',
        label: 'Draw off and fill',
        speaksFor:
          'One thing less to do at the reservoir; the first wheel takes the strokes for it.',
      },
      {
        value: 'two rinses',
        label: 'Two small rinses',
        speaksFor: 'The same every time: a quarter of the old rest stays.',
      },
      {
        value: 'second fill',
        label: 'Fill and draw off again',
        speaksFor: 'No measuring; takes a whole reservoir of new fluid.',
      },
      {
        value: 'wipe',
        label: 'Wipe it out',
        speaksFor:
          'Takes the dirt that no syringe takes, above the outlets only. Not past a screen or baffles.',
      },
    ],
  },
  {
    key: 'pickMargin',
    question: 'How much fluid is taken along?',
    options: [
      {
        value: 'one more pass',
        label: 'One more pass at the longest bleeder',
        speaksFor: 'Air that comes late, or a line longer than was guessed, does not end the job.',
      },
      {
        value: 'none',
        label: 'What the plan pours',
        speaksFor: 'Less is opened and left over; the shelf is near.',
      },
    ],
  },
  {
    key: 'strokeShape',
    question: 'The shape of the stroke?',
    options: [
      {
        value: 'by the line',
        label: 'Fast push where the line falls',
        speaksFor:
          'A fast push carries a bubble down a falling stretch, a slow return leaves it there.',
      },
      {
        value: 'steady',
        label: 'Steady everywhere',
        speaksFor: 'One rhythm that a new helper keeps; no fountain at the reservoir.',
      },
    ],
  },
  {
    key: 'pumpsBeforeHolding',
    question: 'Quick pumps before holding?',
    options: [
      { value: '0', label: 'None', speaksFor: 'Pumping breaks big bubbles into fine ones.' },
      {
        value: '3',
        label: 'Three',
        speaksFor: 'Enough to take up the pads where the pedal is still soft.',
      },
      {
        value: '10',
        label: 'Ten or twelve',
        speaksFor: 'Builds pressure in a system that was empty.',
      },
    ],
  },
  {
    key: 'hoseEnd',
    question: 'The end of the hose?',
    options: [
      {
        value: 'submerged',
        label: 'Under the fluid',
        speaksFor: 'Bubbles are seen, and nothing is drawn back.',
      },
      {
        value: 'free',
        label: 'Free, with closed strokes',
        speaksFor: 'Nothing to keep under; the bleeder is shut before the return all the same.',
      },
    ],
  },
  {
    key: 'benchFill',
    question: 'Bench bleeding a master?',
    options: [
      {
        value: 'back into the reservoir',
        label: 'Hoses back into the reservoir',
        speaksFor: 'No fluid is lost, and the tube ends are under it.',
      },
      {
        value: 'into a can',
        label: 'Into a can',
        speaksFor: 'What was in the new master is not bled twice; it needs more fluid.',
      },
    ],
  },
  {
    key: 'joinWay',
    question: 'Joining lines to a new master?',
    options: [
      {
        value: 'held down',
        label: 'Pedal held down',
        speaksFor: 'The ports are shut and nothing flows; the last air goes up when it is let go.',
      },
      {
        value: 'reservoir full',
        label: 'Reservoir full, pedal up',
        speaksFor:
          'Fluid runs down to each joint and carries the air out before the nut is nipped.',
      },
    ],
  },
  {
    key: 'jointTightness',
    question: 'How tight is a bleeder?',
    options: [
      {
        value: 'by feel',
        label: 'By feel',
        speaksFor:
          'They are hollow and small; a hand knows. It is printed as such, never as a torque.',
      },
      {
        value: 'by the manual',
        label: 'By the manual’s torque',
        speaksFor:
          'The same every time, where the manual was looked up. A lead lets go what was not written down.',
      },
    ],
  },
  {
    key: 'proofPhotos',
    question: 'Photos in the proof?',
    options: [
      {
        value: 'none',
        label: 'Whoever wants to',
        speaksFor: 'A named person looked; that is the proof. One press takes one all the same.',
      },
      {
        value: 'level and joints',
        label: 'Level and joints',
        speaksFor:
          'The two that a customer asks about. Two presses more; a lead lets one go where no phone could get in.',
      },
      {
        value: 'every look',
        label: 'Everything that is looked at',
        speaksFor: 'For fleets and insurers. It costs a minute, and nobody answers from memory.',
      },
    ],
  },
];

function climateWords(climate: Climate): string {
  return {
    dry: 'Inland and heated sheds: fluid ends at less water.',
    temperate: 'What the two years of the trade are meant for.',
    humid: 'Coast, fog, washed every day: fluid ends at more water, and sooner past a limit.',
  }[climate];
}

/** Months between changes for a vehicle: the maker's interval where it was entered, else the house rule. */
export function intervalFor(
  kind: VehicleKind,
  rules: HouseRules,
  makerMonths: number | null,
): { readonly months: number; readonly by: 'maker' | 'house rule' } {
  if (makerMonths !== null) return { months: makerMonths, by: 'maker' };
  return {
    months: Number(
      VEHICLE_TRAITS[kind].interval === 'car'
        ? rules.intervalCarMonths
        : rules.intervalMotorcycleMonths,
    ),
    by: 'house rule',
  };
}
