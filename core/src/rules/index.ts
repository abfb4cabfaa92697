export {
  DEFAULT_RULES,
  intervalFor,
  RULE_OPTIONS,
  SCHOOLS,
  type HouseRules,
  type School,
  type SchoolKey,
} from './houseRules';
