import { DEFAULT_RULES } from '@brook/core/bleed/rules';
import { houseRules } from '@brook/contract';
import { RULE_KEYS, ruleLabel, rulesOf, ruleTexts, ruleWords } from './ruleTexts';

test('every rule that the server keeps is on the page, with its question and its words', () => {
  // Against the wire's own schema, so that a rule that the form does not know is noticed.
  expect([...RULE_KEYS].sort()).toEqual(Object.keys(houseRules.shape).sort());
  const texts = ruleTexts(DEFAULT_RULES);
  for (const key of RULE_KEYS) {
    expect(ruleLabel(key)).toMatch(/\w{3}/);
    expect(ruleWords(key, texts[key])).not.toMatch(/undefined/);
  }
});

test('a school says its choice, an amount its unit', () => {
  expect(ruleWords('drumMl', '20000')).toBe('20000 mL');
  expect(ruleLabel('drumMl')).toBe('The waste drum holds');
  expect(ruleWords('newAtOutlet', '95')).toBe('95 % new');
  expect(ruleWords('minutesPerTopUp', '1.5')).toBe('1.5 min');
});

test('amounts are sent as numbers, as they are typed anywhere; what is none is refused at its field', () => {
  const texts = { ...ruleTexts(DEFAULT_RULES), minutesPerTopUp: '1,25', drumMl: '30000' };
  expect(rulesOf(texts)).toEqual({ ...DEFAULT_RULES, minutesPerTopUp: 1.25, drumMl: 30_000 });
  for (const [key, text] of [
    ['secondsPerStrokeBottle', 'quick'],
    ['minutesPerBleeder', '61'],
    ['secondsPerStrokeLever', '0.9'],
    ['lowStockMl', '0.5'],
  ] as const) {
    const { error } = houseRules.safeParse(rulesOf({ ...texts, [key]: text }));
    expect(error!.issues.map((i) => i.path.join())).toEqual([key]);
  }
});
