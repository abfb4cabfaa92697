import { AMOUNTS, RULE_OPTIONS, type AmountKey, type HouseRules } from '@brook/core/bleed/rules';
import { z } from 'zod';
import { rangeWords, type Range } from '@brook/core/base/units';
import { oneOf } from './common';

/** One amount, as its question is put: "One top-up: give 0 to 60 min." */
const amount = (key: AmountKey) => {
  const range: Range = AMOUNTS[key];
  const sentence = `${range.what}: give ${rangeWords(range)}.`;
  const given = z.number({ error: sentence }).min(range.least, sentence).max(range.most, sentence);
  return (range.whole ? given.int(sentence) : given).describe(range.unit);
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
  proofPhotos: oneOf('Photos in the proof', RULE_OPTIONS.proofPhotos),
  reservoirWay: oneOf('Rest in the reservoir', RULE_OPTIONS.reservoirWay),
  pickMargin: oneOf('Taken along', RULE_OPTIONS.pickMargin),
  newAtOutlet: oneOf('New at the outlet', RULE_OPTIONS.newAtOutlet).describe('per cent'),
  lowStockMl: amount('lowStockMl'),
  drumMl: amount('drumMl'),
  altitudeM: amount('altitudeM'),
  minutesPerBleeder: amount('minutesPerBleeder'),
  minutesPerTopUp: amount('minutesPerTopUp'),
  secondsPerStrokeTwoPeople: amount('secondsPerStrokeTwoPeople'),
  secondsPerStrokeLever: amount('secondsPerStrokeLever'),
  secondsPerStrokeBottle: amount('secondsPerStrokeBottle'),
});
export const houseRulesRecord = z.object({ rules: houseRules, version: z.number().int() });
export type HouseRulesRecord = z.infer<typeof houseRulesRecord>;
