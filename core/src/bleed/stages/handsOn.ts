import { figure, MODEL, type Figure } from '../../base/figure';

/** Hands-on minutes of a stage that opens no bleeder: a starting value [M]. */
export function handsOn(value: number, rule: string, plusMinus?: number): Figure {
  return figure({
    label: 'Hands on',
    value,
    unit: 'min',
    source: MODEL,
    rule,
    ...(plusMinus === undefined ? {} : { plusMinus }),
  });
}
