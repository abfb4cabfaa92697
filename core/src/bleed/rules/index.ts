export {
  AMOUNTS,
  DEFAULT_RULES,
  intervalFor,
  RULE_OPTIONS,
  SCHOOLS,
  type AmountKey,
  type HouseRules,
  type School,
  type SchoolKey,
} from './houseRules';
