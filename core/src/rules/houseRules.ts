import { CLIMATES, type Climate } from '../ageing';
import { OPEN_RULES, type OpenRule } from '../shelf';

/** Months between changes on which workshops differ. */
export const INTERVAL_MONTHS = ['12', '18', '24'] as const;
export type IntervalMonths = (typeof INTERVAL_MONTHS)[number];

/** What a workshop decides for itself. Kept with every verdict, plan and record that it entered into. */
export interface HouseRules {
  readonly openContainers: OpenRule;
  readonly intervalCarMonths: IntervalMonths;
  readonly intervalMotorcycleMonths: IntervalMonths;
  readonly climate: Climate;
  /** Below this much of a grade that may be used, the shelf says that it runs low. */
  readonly lowStockMl: number;
  /** What the waste drum holds. */
  readonly drumMl: number;
}

/** Rules until a workshop has chosen its own. */
export const DEFAULT_RULES: HouseRules = { openContainers: '30 days capped', intervalCarMonths: '24', intervalMotorcycleMonths: '12', climate: 'temperate', lowStockMl: 1000, drumMl: 20_000 };

/** Keys that are a choice between schools. */
export type SchoolKey = 'openContainers' | 'intervalCarMonths' | 'intervalMotorcycleMonths' | 'climate';

/** One thing on which workshops differ: the question, and what speaks for each side. All of it common practice, no source. */
export interface School<K extends SchoolKey = SchoolKey> {
  readonly key: K;
  readonly question: string;
  readonly options: readonly { readonly value: HouseRules[K]; readonly label: string; readonly speaksFor: string }[];
}

const interval = (key: 'intervalCarMonths' | 'intervalMotorcycleMonths', question: string): School => ({
  key, question,
  options: [
    { value: '12', label: 'Every 12 months', speaksFor: 'Hard use, damp air and small reservoirs: what boils on a hill is never old. Costs a flush more every other year.' },
    { value: '18', label: 'Every 18 months', speaksFor: 'Between the two: each change falls in another season, so that a wet one is met in time.' },
    { value: '24', label: 'Every 24 months', speaksFor: 'What most fluid bears in temperate air, and the fewest bleeders opened. Relies on a measurement in between.' },
  ],
});

/** Every school of this workshop's page, in its order. */
export const SCHOOLS: readonly School[] = [
  {
    key: 'openContainers', question: 'An opened container?',
    options: [
      { value: 'today only', label: 'Today or not at all', speaksFor: 'Nobody knows how long the cap was off. The rest of a small container costs less than a soft pedal.' },
      { value: '30 days capped', label: 'Up to 30 days, kept capped', speaksFor: 'A capped container takes up little in a month, and less is thrown away. It needs the date on it, and a second look.' },
    ],
  },
  interval('intervalCarMonths', 'Cars: how often at least?'),
  interval('intervalMotorcycleMonths', 'Motorcycles: how often at least?'),
  {
    key: 'climate', question: 'How damp is the air here?',
    options: CLIMATES.map((value) => ({ value, label: value, speaksFor: climateWords(value) })),
  },
];

function climateWords(climate: Climate): string {
  return { dry: 'Inland and heated sheds: fluid ends at less water.', temperate: 'What the two years of the trade are meant for.', humid: 'Coast, fog, washed every day: fluid ends at more water, and sooner past a limit.' }[climate];
}

/** Months between changes for a vehicle: the maker's interval where it was entered, else the house rule. */
export function intervalFor(kind: 'car' | 'motorcycle', rules: HouseRules, makerMonths: number | null): { readonly months: number; readonly by: 'maker' | 'house rule' } {
  if (makerMonths !== null) return { months: makerMonths, by: 'maker' };
  return { months: Number(kind === 'car' ? rules.intervalCarMonths : rules.intervalMotorcycleMonths), by: 'house rule' };
}

/** Every rule a person may choose from, for checking what comes in. */
export const RULE_OPTIONS = { openContainers: OPEN_RULES, intervalCarMonths: INTERVAL_MONTHS, intervalMotorcycleMonths: INTERVAL_MONTHS, climate: CLIMATES } as const;
