import { convertLength } from './length';
import { convertPressure } from './pressure';
import { convertTemperature } from './temperature';
import { convertTorque } from './torque';
import { convertVolume } from './volume';

/** In which unit each quantity may be read and typed; the first of each is how it is stored. */
export const UNIT_CHOICES = {
  length: ['mm', 'in'],
  volume: ['mL', 'fl oz'],
  torque: ['N·m', 'lbf·ft', 'lbf·in'],
  temperature: ['°C', '°F'],
  pressure: ['kPa', 'bar', 'psi'],
} as const;
export type Quantity = keyof typeof UNIT_CHOICES;

/** The units that a person chose, one for each quantity. A fluid ounce is the US one. */
export type UnitChoice = { readonly [Q in Quantity]: (typeof UNIT_CHOICES)[Q][number] };

export const METRIC: UnitChoice = {
  length: 'mm',
  volume: 'mL',
  torque: 'N·m',
  temperature: '°C',
  pressure: 'kPa',
};

/** A unit that core says, in a person's own: how it is called there, how it is converted, and how many decimals more or fewer say as much. */
interface Chosen {
  readonly unit: string;
  readonly to: (value: number) => number;
  readonly from: (value: number) => number;
  readonly decimals: number;
}

const both = (
  unit: string,
  decimals: number,
  to: (value: number) => number,
  from: (value: number) => number,
): Chosen => ({ unit, decimals, to, from });

function chosenFor(unit: string, choice: UnitChoice): Chosen | null {
  switch (unit) {
    case 'mm':
      if (choice.length === 'mm') return null;
      return both(
        'in',
        2,
        (v) => convertLength(v, 'mm', 'in'),
        (v) => convertLength(v, 'in', 'mm'),
      );
    case 'm':
      if (choice.length === 'mm') return null;
      return both(
        'ft',
        0,
        (v) => convertLength(v, 'm', 'ft'),
        (v) => convertLength(v, 'ft', 'm'),
      );
    case 'mL':
      if (choice.volume === 'mL') return null;
      return both(
        'fl oz',
        2,
        (v) => convertVolume(v, 'mL', 'flOzUs'),
        (v) => convertVolume(v, 'flOzUs', 'mL'),
      );
    case 'L':
      if (choice.volume === 'mL') return null;
      return both(
        'fl oz',
        -1,
        (v) => convertVolume(v, 'L', 'flOzUs'),
        (v) => convertVolume(v, 'flOzUs', 'L'),
      );
    case '°C':
      if (choice.temperature === '°C') return null;
      return both(
        '°F',
        0,
        (v) => convertTemperature(v, '°C', '°F'),
        (v) => convertTemperature(v, '°F', '°C'),
      );
    case 'N·m': {
      const { torque } = choice;
      if (torque === 'N·m') return null;
      return both(
        torque,
        torque === 'lbf·in' ? -1 : 0,
        (v) => convertTorque(v, 'N·m', torque),
        (v) => convertTorque(v, torque, 'N·m'),
      );
    }
    case 'kPa':
    case 'MPa':
    case 'bar': {
      const { pressure } = choice;
      // What is stored is also what core says where nobody chose; a bar in its words stays one then.
      if (pressure === unit || pressure === 'kPa') return null;
      return both(
        pressure,
        PRESSURE_DECIMALS[unit][pressure],
        (v) => convertPressure(v, unit, pressure),
        (v) => convertPressure(v, pressure, unit),
      );
    }
    default:
      return null;
  }
}

const PRESSURE_DECIMALS = {
  kPa: { bar: 2, psi: 1 },
  MPa: { bar: -1, psi: -2 },
  bar: { bar: 0, psi: -1 },
} as const;

/** The name of a unit as this person reads it: of "mL" is "fl oz" where ounces were chosen. */
export const unitIn = (unit: string, choice: UnitChoice): string =>
  chosenFor(unit, choice)?.unit ?? unit;

/** Whether a value in this unit is read otherwise by this person. */
export const isConverted = (unit: string, choice: UnitChoice): boolean =>
  chosenFor(unit, choice) !== null;

/** What a person typed in their own unit, in the unit that is asked for. */
export const fromChosen = (value: number, unit: string, choice: UnitChoice): number =>
  chosenFor(unit, choice)?.from(value) ?? value;

/**
 * A number that is shown in `unit` without its unit, in the person's own. It
 * says no more than the number did that it comes from.
 *
 * @param isDifference a difference of two temperatures has another zero than a reading
 * @example numberIn('111', 'mm', inches) is "4.37"
 */
export function numberIn(
  text: string,
  unit: string,
  choice: UnitChoice,
  isDifference = false,
): string {
  const chosen = chosenFor(unit, choice);
  if (!chosen) return text;
  const value = Number(text.replace('−', '-').replace('+', '').replaceAll(',', ''));
  const converted = isDifference ? chosen.to(value) - chosen.to(0) : chosen.to(value);
  const decimals = Math.max(0, (/\.(\d+)$/.exec(text)?.[1]?.length ?? 0) + chosen.decimals);
  const said = Math.abs(converted).toFixed(decimals);
  const sign = Number(said) === 0 ? '' : converted < 0 ? '−' : text.startsWith('+') ? '+' : '';
  return `${sign}${said}`;
}

const NUMBER = '[−+-]?\\d+(?:,\\d{3})*(?:\\.\\d+)?';
const OTHER_UNIT = 'in|ft|US fl oz|°F|lbf·ft|lbf·in|psi';
/** A number or a few of them and their unit, with the same in another unit behind it where it is said in both. */
const QUANTITY = new RegExp(
  `(?<![\\w.])((?:${NUMBER}(?: to | or | and | of | by |–| × |/))*${NUMBER})[  ](mm|mL|m|L|°C|N·m|kPa|MPa|bar)(?![\\w²³·])` +
    `(?:(, | = )(${NUMBER} (?:${OTHER_UNIT}))(?!\\w))?(?:(, give or take )(${NUMBER})(?![\\d ]))?`,
  'g',
);
/** What stands before or behind a temperature that is a difference of two. */
const DIFFERENCE_BEFORE = /(?:less|by|another|give or take|±) $/;
const DIFFERENCE_AFTER = /^ (?:of margin|more|less|lower|higher|warmer|colder|too|for each)/;
/** Sizes of tools are stamped on them: they stay what they are. */
const STAMPED = /^ (?:spanner|socket|six-point|flare|wrench|Allen)/;
const STAMPED_BEFORE = /wrench $/;

/**
 * A sentence with every quantity in it in the units of a person. It is made of
 * the numbers that the sentence says, so what one reads in inches is what the
 * other reads in millimetres. What is said in both units already is said in
 * the chosen one first; sizes stamped on a tool stay.
 *
 * @example inUnits('about 0.8 mL, give or take 0.3', ounces) is "about 0.027 fl oz, give or take 0.010"
 */
export function inUnits(text: string, choice: UnitChoice): string {
  return text.replace(
    QUANTITY,
    (whole, numbers: string, unit: string, and, other, about, band, at: number) => {
      const chosen = chosenFor(unit, choice);
      const behind = text.slice(at + whole.length);
      const before = text.slice(0, at);
      if (!chosen || STAMPED.test(behind) || STAMPED_BEFORE.test(before)) return whole;
      if (other !== undefined)
        return (other as string).endsWith(chosen.unit) && and === ', '
          ? `${other}, ${numbers} ${unit}`
          : whole;
      const isDifference =
        unit === '°C' &&
        (numbers.startsWith('+') ||
          DIFFERENCE_BEFORE.test(before) ||
          DIFFERENCE_AFTER.test(behind));
      const said = numbers.replace(new RegExp(NUMBER, 'g'), (n) =>
        numberIn(n, unit, choice, isDifference),
      );
      const give =
        band === undefined ? '' : `${about}${numberIn(band as string, unit, choice, true)}`;
      return `${said} ${chosen.unit}${give}`;
    },
  );
}
