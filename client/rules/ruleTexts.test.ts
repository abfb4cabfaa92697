import { DEFAULT_RULES } from '@brook/core/rules';
import { houseRules } from '@brook/contract';
import { RULE_KEYS, ruleLabel, ruleTexts, ruleWords } from './ruleTexts';

test('every rule that the server keeps is on the page, with its question and its words', () => {
  // Against the wire's own schema, so that a rule that the form does not know is noticed.
  expect([...RULE_KEYS].sort()).toEqual(Object.keys(houseRules.shape).sort());
  const texts = ruleTexts(DEFAULT_RULES);
  for (const key of RULE_KEYS) {
    expect(ruleLabel(key)).toMatch(/\w{4}/);
    expect(ruleWords(key, texts[key])).not.toMatch(/undefined/);
  }
});

test('a school says its choice, an amount its unit', () => {
  expect(ruleWords('drumMl', '20000')).toBe('20000 mL');
  expect(ruleLabel('drumMl')).toBe('The waste drum holds');
});
