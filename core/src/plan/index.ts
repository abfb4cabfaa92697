export {
  planBleed,
  planPaths,
  RULES_VERSION,
  type Plan,
  type PlanBowl,
  type PlannedTopUp,
  type PlanRefusal,
  type PlanRequest,
  type PlanResult,
  type PlanStop,
  type PlanTotals,
} from './plan';
export { farthestFirst, type OrderedPath, type OrderReason } from './bleedOrder';
export { planPreferences, type PlanPreferences } from './preferences';
export { OPENING_STEPS, PREPARATION, type PreparationStep } from './preparation';
export { strokeVolume } from './strokeVolume';
export { strokesUntilTopUp, topUpLevel } from './topUp';
export { orderWords, PREPARATION_WORDS, refusalWords } from './words';
