import { RULE_OPTIONS, type HouseRules } from '@brook/core/rules';
import { z } from 'zod';
import { oneOf } from './common';

const millilitres = (what: string, least: number, most: number) => {
  const sentence = `${what} should be whole millilitres from ${least} to ${most}.`;
  return z
    .number({ error: sentence })
    .int(sentence)
    .min(least, sentence)
    .max(most, sentence)
    .describe('mL');
};

/** What a workshop decides for itself; the whole page each time. */
export const houseRules = z.strictObject({
  openContainers: oneOf('Opened containers', RULE_OPTIONS.openContainers),
  intervalCarMonths: oneOf('Interval of cars', RULE_OPTIONS.intervalCarMonths).describe('months'),
  intervalMotorcycleMonths: oneOf(
    'Interval of motorcycles',
    RULE_OPTIONS.intervalMotorcycleMonths,
  ).describe('months'),
  climate: oneOf('Climate', RULE_OPTIONS.climate),
  order: oneOf('Order', RULE_OPTIONS.order),
  pairs: oneOf('Two bleeders on one part', RULE_OPTIONS.pairs),
  preferredMethod: oneOf(
    'Method',
    RULE_OPTIONS.preferredMethod as unknown as readonly [
      HouseRules['preferredMethod'],
      ...HouseRules['preferredMethod'][],
    ],
  ),
  strokeShape: oneOf('Stroke', RULE_OPTIONS.strokeShape),
  pumpsBeforeHolding: oneOf('Pumps before holding', RULE_OPTIONS.pumpsBeforeHolding),
  hoseEnd: oneOf('End of the hose', RULE_OPTIONS.hoseEnd),
  benchFill: oneOf('Bench bleeding', RULE_OPTIONS.benchFill),
  joinWay: oneOf('Joining', RULE_OPTIONS.joinWay),
  jointTightness: oneOf('Tightness', RULE_OPTIONS.jointTightness),
  lowStockMl: millilitres('Low-stock line', 0, 50_000),
  drumMl: millilitres('Waste drum', 1000, 1_000_000),
});
export const houseRulesRecord = z.object({ rules: houseRules, version: z.number().int() });
export type HouseRulesRecord = z.infer<typeof houseRulesRecord>;
