import { SCHOOLS, type HouseRules } from '@brook/core/rules';

/** The house rules as a form holds them: what is chosen or typed, rule by rule. */
export type RuleTexts = Record<keyof HouseRules, string>;

const AMOUNTS = {
  lowStockMl: 'Shelf runs low below',
  drumMl: 'The waste drum holds',
} as const;

export const RULE_KEYS = [
  ...SCHOOLS.map((s) => s.key),
  ...Object.keys(AMOUNTS),
] as (keyof HouseRules)[];

export function ruleTexts(rules: HouseRules): RuleTexts {
  return Object.fromEntries(RULE_KEYS.map((k) => [k, String(rules[k])])) as RuleTexts;
}

const schoolOf = (key: keyof HouseRules) => SCHOOLS.find((s) => s.key === key);

/** The question that a rule answers. */
export function ruleLabel(key: keyof HouseRules): string {
  return schoolOf(key)?.question ?? AMOUNTS[key as keyof typeof AMOUNTS];
}

/** What a rule says, in words. */
export function ruleWords(key: keyof HouseRules, text: string): string {
  return schoolOf(key)?.options.find((o) => o.value === text)?.label ?? `${text} mL`;
}
