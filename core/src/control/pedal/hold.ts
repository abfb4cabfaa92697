import { ARITHMETIC, ENTRY, figure, MODEL, type Figure } from '../../base/figure';

/**
 * Two readings of a ruler differ by up to so much by themselves, 19 times of
 * 20, mm: each good to about 1 mm [M], 1.96 · √2 · 1 mm rounded up.
 */
export const TWO_READINGS_MM = 3;
/** A drop of fluid, mL [M]. */
const DROP_ML = 0.05;

/** What a lever or pedal gave way while it was held. */
export interface HoldWatch {
  /** Nearer to the bar or the floor than before, mm; 0 or less is none. */
  readonly lostMm: number;
  /** Above 0. */
  readonly hours: number;
  readonly boreMm: number;
  readonly ratio: number;
}

/** What was lost while a control was held, in all and by the hour, with what the ruler may err by. */
export interface HoldLoss {
  readonly perHour: Figure;
  readonly inAll: Figure;
  /** Whether that is more than the ruler can err by. */
  readonly found: boolean;
}

/**
 * What left the pressure side while a control was held, from how far it came
 * nearer: travel / ratio × area of the bore (lever arithmetic), by the hours.
 *
 * @throws RangeError where it was held for no time
 */
export function heldLoss({ lostMm, hours, boreMm, ratio }: HoldWatch): HoldLoss {
  if (!(hours > 0)) throw new RangeError(`It was held for ${hours} h; give more than 0.`);
  const mlPerMm = (Math.PI * boreMm * boreMm) / 4 / ratio / 1000;
  const lost = Math.max(0, lostMm);
  const entry = (label: string, value: number) =>
    figure({ label, value, unit: 'mm', rule: 'entered', source: ENTRY });
  const from = [entry('Lost', lost), entry('Bore', boreMm)];
  return {
    perHour: figure({
      label: 'Lost an hour',
      value: (lost * mlPerMm) / hours,
      plusMinus: (TWO_READINGS_MM * mlPerMm) / hours,
      unit: 'mL/h',
      rule: 'travel / ratio × area, by the hours. Less than the ruler can tell is no leak found; more is a wet joint, a seal that lets past, or air that moved up: look which',
      source: MODEL,
      from,
    }),
    inAll: figure({
      label: 'Lost in all',
      value: lost * mlPerMm,
      plusMinus: TWO_READINGS_MM * mlPerMm,
      unit: 'mL',
      rule: 'travel / ratio × area',
      source: ARITHMETIC,
      from,
    }),
    found: lost > TWO_READINGS_MM,
  };
}

/**
 * What a loss means, as to a colleague.
 *
 * @example "0.12 mL/h lost, give or take 0.05: 2 drops an hour. Wet outside is a leak; dry, a seal of the master lets past, or air moved up."
 */
export function heldWords({ perHour, found }: HoldLoss): string {
  const said = (ml: number) => (ml < 1 ? ml.toFixed(2) : ml.toFixed(1));
  if (!found) return `No loss that a ruler can tell: less than ${said(perHour.plusMinus!)} mL/h.`;
  const drops = Math.max(1, Math.round(perHour.value / DROP_ML));
  // Nobody counts more than a drop a minute.
  const counted = drops > 60 ? '' : drops === 1 ? ': a drop an hour' : `: ${drops} drops an hour`;
  return `${said(perHour.value)} mL/h lost, give or take ${said(perHour.plusMinus!)}${counted}. Wet outside is a leak; dry, a seal of the master lets past, or air moved up.`;
}
