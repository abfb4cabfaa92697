import { tubeVolumeMl } from '../../vehicle/circuit';
import { FREE_PLAY_MM, pushrodTurns } from '../../control/clutch';
import {
  ARITHMETIC,
  ENTRY,
  figure,
  MODEL,
  PRACTICE,
  type Figure,
  type Source,
} from '../../base/figure';
import { stokesRiseMmS } from '../../hydraulics/flow';
import { boilingPointC, GRADE_LIMITS, viscosityMm2s, WET_WATER_PERCENT } from '../../fluid/verdict';
import {
  ambientMPaAt,
  heldLoss,
  lostShare,
  pressureMPa,
  TWO_READINGS_MM,
} from '../../control/pedal';
import { AMOUNTS, DEFAULT_RULES, type AmountKey } from '../../bleed/rules';
import { ANGLE_DEG, crowFootSettingNm, EXTENSION_MM, WRENCH_MM } from '../../vehicle/torque';
import { inRange, rangeWords, type Range } from '../../base/units';

/** One number that a calculator asks for. */
export interface CalculatorField extends Range {
  readonly key: string;
  readonly why?: string;
  /** What stands there at first; left out where nothing is usual. */
  readonly usual?: number;
  /** The house rule that says it instead, where the workshop's are known. */
  readonly house?: AmountKey;
}

/** Something that is worked out beside any job. */
export interface Calculator {
  readonly id: string;
  readonly title: string;
  readonly about: string;
  readonly fields: readonly CalculatorField[];
  /**
   * Work it out.
   *
   * @param of a value for each field, each within its range
   * @throws RangeError where the values do not fit each other, with what would be right
   */
  readonly reckon: (of: Readonly<Record<string, number>>) => readonly Figure[];
}

const range = (
  key: string,
  what: string,
  unit: string,
  least: number,
  most: number,
  more: Partial<CalculatorField> = {},
): CalculatorField => ({ key, what, unit, least, most, ...more });

const BORE = (key: string, what: string): CalculatorField => range(key, what, 'mm', 5, 60);
const RATIO = range('ratio', 'Pedal ratio', '', 1, 12, { usual: 5 });

const ISO_ATMOSPHERE: Source = { kind: 'standard', name: 'ISO 2533:1975' };

const areaMm2 = (boreMm: number): number => (Math.PI * boreMm * boreMm) / 4;

const entry = (label: string, value: number, unit: Figure['unit']): Figure =>
  figure({ label, value, unit, rule: 'typed in', source: ENTRY });

/** What is worked out without a job, in the order in which it is met at a vehicle. */
export const CALCULATORS: readonly Calculator[] = [
  {
    id: 'air',
    title: 'Air from travel',
    about: 'How much air makes a pedal so much lower under a light push',
    fields: [
      range('lowerMm', 'Lower than when bled', 'mm', 0, 150),
      range('forceN', 'Under', 'N', 10, 600, { usual: 70 }),
      BORE('boreMm', 'Bore of the master'),
      RATIO,
      range('springsN', 'Return springs, at the rod', 'N', 0, 200, {
        usual: 100,
        why: 'From memory: 50 to 150 N.',
      }),
      range(
        'altitudeM',
        AMOUNTS.altitudeM.what,
        'm',
        AMOUNTS.altitudeM.least,
        AMOUNTS.altitudeM.most,
        {
          usual: DEFAULT_RULES.altitudeM,
          house: 'altitudeM',
          why: 'Above the sea: thinner air is squeezed by less.',
        },
      ),
    ],
    reckon: ({ lowerMm, forceN, boreMm, ratio, springsN, altitudeM }) => {
      const area = areaMm2(boreMm!);
      const p = pressureMPa({ ratio: ratio!, areaMm2: area, preloadN: springsN! }, forceN!);
      if (p === 0)
        throw new RangeError(
          `The springs hold ${forceN} N back; read it under more than ${Math.ceil(springsN! / ratio!)} N.`,
        );
      const ambientMPa = ambientMPaAt(altitudeM!);
      const perMm = area / ratio! / 1000 / lostShare(p, ambientMPa);
      const pressure = figure({
        label: 'Pressure behind the master',
        value: p,
        unit: 'MPa',
        rule: '(ratio × force − springs) / area of the bore',
        source: ARITHMETIC,
        from: [entry('Force', forceN!, 'N'), entry('Bore', boreMm!, 'mm')],
      });
      const air = figure({
        label: 'The air round it, p₀',
        value: ambientMPa,
        unit: 'MPa',
        rule: 'the standard atmosphere at that altitude, ISO 2533:1975',
        source: ISO_ATMOSPHERE,
        from: [entry('Altitude', altitudeM!, 'm')],
      });
      return [
        figure({
          label: 'Air, at the pressure of the workshop',
          value: lowerMm! * perMm,
          plusMinus: TWO_READINGS_MM * perMm,
          unit: 'mL',
          rule: 'travel / ratio × area, by what Boyle’s law lets it lose under that pressure, p/(p₀ + p); pads and hoses as they were',
          source: MODEL,
          from: [entry('Lower by', lowerMm!, 'mm'), pressure, air],
        }),
        pressure,
      ];
    },
  },
  {
    id: 'leak',
    title: 'Leak from a lever tied back',
    about: 'What was lost while it was held: from the bite before and after',
    fields: [
      range('lostMm', 'Nearer to the bar, or lower', 'mm', 0, 150),
      range('hours', 'Held for', 'h', 0.05, 72),
      BORE('boreMm', 'Bore of the master'),
      { ...RATIO, usual: 6, what: 'Ratio of lever or pedal' },
    ],
    reckon: ({ lostMm, hours, boreMm, ratio }) => {
      const { perHour, inAll } = heldLoss({
        lostMm: lostMm!,
        hours: hours!,
        boreMm: boreMm!,
        ratio: ratio!,
      });
      return [perHour, inAll];
    },
  },
  {
    id: 'pushrod',
    title: 'Turns of a clutch rod',
    about: 'From where it takes up to the middle of the window, as far as the free play allows',
    fields: [
      range('takeUpMm', 'Takes up at', 'mm', 0, 250, { why: 'Above the floor.' }),
      range('leastMm', 'Wanted from', 'mm', 0, 250, {
        why: 'Where reverse still goes in silently.',
      }),
      range('mostMm', 'Wanted to', 'mm', 1, 250),
      range('pitchMm', 'Thread of the rod', 'mm', 0.5, 3, {
        usual: 1.25,
        why: 'One turn moves it by this.',
      }),
      { ...RATIO, usual: 6 },
      range('playMm', 'Free play at the rod', 'mm', 0, 20),
    ],
    reckon: ({ takeUpMm, leastMm, mostMm, pitchMm, ratio, playMm }) => {
      const found = pushrodTurns({
        takeUpMm: takeUpMm!,
        window: { leastMm: leastMm!, mostMm: mostMm! },
        pitchMm: pitchMm!,
        ratio: ratio!,
        freePlayMm: playMm!,
        playAt: 'rod',
      });
      const from = [entry('Takes up at', takeUpMm!, 'mm'), entry('Free play', playMm!, 'mm')];
      return [
        figure({
          label: found.turns >= 0 ? 'Turns, rod longer' : 'Turns, rod shorter',
          value: Math.abs(found.turns),
          unit: 'turns',
          rule: found.heldBack
            ? `the free play holds it back: ${FREE_PLAY_MM.least} mm stay, so that the piston comes home; then measure again`
            : 'middle of the window less where it takes up, by pitch × ratio a turn; turn, measure again, try reverse again',
          source: ARITHMETIC,
          from,
        }),
        figure({
          label: 'Takes up then at',
          value: found.takeUpMm,
          unit: 'mm',
          rule: 'as it was, and pitch × ratio for each turn',
          source: ARITHMETIC,
          from,
        }),
        figure({
          label: 'Free play left at the rod',
          value: found.freePlayMm,
          unit: 'mm',
          rule: `${FREE_PLAY_MM.least} to ${FREE_PLAY_MM.most} mm are usual; ask the manual where it is measured`,
          source: PRACTICE,
          from,
        }),
      ];
    },
  },
  {
    id: 'bore',
    title: 'Another bore',
    about: 'What a master of another size does to pressure and travel',
    fields: [BORE('oldMm', 'Bore of the old one'), BORE('newMm', 'Bore of the new one')],
    reckon: ({ oldMm, newMm }) => {
      const ratio = areaMm2(newMm!) / areaMm2(oldMm!);
      const from = [entry('Old', oldMm!, 'mm'), entry('New', newMm!, 'mm')];
      return [
        figure({
          label: 'Pressure for the same push, times',
          value: 1 / ratio,
          unit: 'ratio',
          rule: 'old area / new area: a smaller bore gives more',
          source: ARITHMETIC,
          from,
        }),
        figure({
          label: 'Travel for the same fluid, times',
          value: 1 / ratio,
          unit: 'ratio',
          rule: 'old area / new area: and the pedal goes as much farther',
          source: ARITHMETIC,
          from,
        }),
      ];
    },
  },
  {
    id: 'crow-foot',
    title: 'Crow-foot on a torque wrench',
    about: 'What to set where an adapter stands off the square',
    fields: [
      range('torqueNm', 'Torque of the manual', 'N·m', 0.5, 400),
      { ...WRENCH_MM, key: 'wrenchMm', why: 'From the middle of the grip to the square.' },
      { ...EXTENSION_MM, key: 'extensionMm', why: 'From the square to the nut.' },
      { ...ANGLE_DEG, key: 'angleDeg', usual: 90, why: '0 straight on, 90 square to the wrench.' },
    ],
    reckon: ({ torqueNm, wrenchMm, extensionMm, angleDeg }) => [
      figure({
        label: 'Set the wrench to',
        value: crowFootSettingNm(torqueNm!, wrenchMm!, extensionMm!, angleDeg!),
        unit: 'N·m',
        rule: 'T × L / (L + E × cos α), lever arithmetic',
        source: ARITHMETIC,
        from: [
          entry('Torque', torqueNm!, 'N·m'),
          entry('Wrench', wrenchMm!, 'mm'),
          entry('Adapter', extensionMm!, 'mm'),
        ],
      }),
    ],
  },
  {
    id: 'line',
    title: 'Volume of a line',
    about: 'What stands in a pipe or hose',
    fields: [
      range('insideMm', 'Inside diameter', 'mm', 1, 20, { usual: 3.35 }),
      range('lengthM', 'Length', 'm', 0.01, 20),
    ],
    reckon: ({ insideMm, lengthM }) => [
      figure({
        label: 'In it',
        value: tubeVolumeMl(insideMm!, lengthM! * 1000),
        unit: 'mL',
        rule: 'π d² / 4 × length',
        source: ARITHMETIC,
        from: [entry('Inside', insideMm!, 'mm'), entry('Length', lengthM!, 'm')],
      }),
    ],
  },
  {
    id: 'stroke',
    title: 'Volume of a stroke',
    about: 'What one full stroke of a master moves',
    fields: [BORE('boreMm', 'Bore'), range('strokeMm', 'Stroke of its piston', 'mm', 1, 60)],
    reckon: ({ boreMm, strokeMm }) => [
      figure({
        label: 'One stroke moves',
        value: tubeVolumeMl(boreMm!, strokeMm!),
        unit: 'mL',
        rule: 'area of the bore × stroke',
        source: ARITHMETIC,
        from: [entry('Bore', boreMm!, 'mm'), entry('Stroke', strokeMm!, 'mm')],
      }),
    ],
  },
  {
    id: 'rinse',
    title: 'Rinsing a reservoir',
    about: 'How much old fluid is left after so many rinses',
    fields: [
      range('restMl', 'What cannot be drawn off', 'mL', 1, 500),
      range('rinseMl', 'Each rinse', 'mL', 1, 2000),
      range('rinses', 'Rinses', '', 1, 20, { usual: 1, whole: true }),
    ],
    reckon: ({ restMl, rinseMl, rinses }) => [
      figure({
        label: 'Old fluid left in what stays',
        value: 100 * (restMl! / (restMl! + rinseMl!)) ** rinses!,
        unit: '%',
        rule: '(rest / (rest + rinse)) to the power of the rinses, each stirred through and drawn off again',
        source: ARITHMETIC,
        from: [entry('Rest', restMl!, 'mL'), entry('Rinse', rinseMl!, 'mL')],
      }),
    ],
  },
  {
    id: 'boiling',
    title: 'Boiling point from water',
    about: 'What water does to DOT 4, by the limits of its standard',
    fields: [range('waterPercent', 'Water', '%', 0, 10)],
    reckon: ({ waterPercent }) => [
      figure({
        label: 'DOT 4 boils at about',
        value: boilingPointC(GRADE_LIMITS['DOT 4'], waterPercent!),
        unit: '°C',
        rule: `through the dry and the wet limit (${WET_WATER_PERCENT} % water) of the standard, exponential between them; a good fluid lies above`,
        source: MODEL,
        from: [entry('Water', waterPercent!, '%')],
      }),
    ],
  },
  {
    id: 'rest',
    title: 'How long bubbles take to rise',
    about: 'Fluid that was shaken or poured: how long it rests',
    fields: [
      range('bubbleMm', 'Bubble', 'mm', 0.02, 2, { usual: 0.1, why: '0.1 mm looks like a haze.' }),
      range('heightMm', 'Fluid above it', 'mm', 1, 500, { usual: 100 }),
      range('temperatureC', 'Fluid at', '°C', -20, 60, { usual: 15 }),
    ],
    reckon: ({ bubbleMm, heightMm, temperatureC }) => {
      const viscosity = figure({
        label: 'Viscosity of DOT 4 by its limits',
        value: viscosityMm2s(GRADE_LIMITS['DOT 4'], temperatureC!),
        unit: 'mm²/s',
        rule: 'Walther’s equation through the limits at −40 and 100 °C: one of the thickest that may be sold',
        source: MODEL,
        from: [entry('At', temperatureC!, '°C')],
      });
      return [
        figure({
          label: 'Until it is up',
          value: heightMm! / stokesRiseMmS(bubbleMm!, viscosity.value) / 60,
          unit: 'min',
          rule: 'height over the rise of a small sphere by Stokes, g d² / (18 ν)',
          source: MODEL,
          from: [entry('Bubble', bubbleMm!, 'mm'), viscosity],
        }),
        viscosity,
      ];
    },
  },
];

/** What cannot be about one field; null where it can, and where nothing stands there yet. */
export function calculatorFault(field: CalculatorField, value: number): string | null {
  return inRange(field, value) ? null : `${field.what} should be ${rangeWords(field)}.`;
}
