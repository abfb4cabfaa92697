import { AMOUNTS, SCHOOLS, type AmountKey, type HouseRules } from '@brook/core/bleed/rules';
import { typedNumber } from '../../ui/typedNumber';

/** The house rules as a form holds them: what is chosen or typed, rule by rule. */
export type RuleTexts = Record<keyof HouseRules, string>;

export const AMOUNT_KEYS = Object.keys(AMOUNTS) as AmountKey[];

export const RULE_KEYS = [...SCHOOLS.map((s) => s.key), ...AMOUNT_KEYS] as (keyof HouseRules)[];

export function ruleTexts(rules: HouseRules): RuleTexts {
  return Object.fromEntries(RULE_KEYS.map((k) => [k, String(rules[k])])) as RuleTexts;
}

const schoolOf = (key: keyof HouseRules) => SCHOOLS.find((s) => s.key === key);

/** The question that a rule answers. */
export function ruleLabel(key: keyof HouseRules): string {
  return schoolOf(key)?.question ?? AMOUNTS[key as AmountKey].what;
}

/** What a rule says, in words. */
export function ruleWords(key: keyof HouseRules, text: string): string {
  return (
    schoolOf(key)?.options.find((o) => o.value === text)?.label ??
    `${text} ${AMOUNTS[key as AmountKey].unit}`
  );
}

/** The rules as they are sent, amounts as numbers; one that is no number is sent as none, and refused at its field. */
export function rulesOf(texts: RuleTexts): HouseRules {
  const amounts = AMOUNT_KEYS.map((k) => [k, typedNumber(texts[k])] as const);
  return { ...texts, ...Object.fromEntries(amounts) } as unknown as HouseRules;
}
