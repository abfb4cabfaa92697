export {
  planBleed,
  controlOf,
  RULES_VERSION,
  wrenchMm,
  type Plan,
  type PlanBowl,
  type PlanMethod,
  type PlannedTopUp,
  type PlanRefusal,
  type PlanResult,
  type PlanScope,
  type PlanStage,
  type PlanStop,
  type PlanTotals,
  type StrokeShape,
} from './plan';
export { planChanges, shapeChanges } from './changes';
export {
  notEmptiedFirst,
  orderFigures,
  planOrders,
  planSearch,
  previewPlan,
  type PlanOrder,
  type PlanPreview,
} from './preview';
export {
  handsOnMinutes,
  stageTitle,
  type Material,
  type Materials,
  type TimelinePiece,
} from './materials';
export { linesOf } from './joining';
export { needsTool } from './stages';
export { partnerWays, type PartnerWays } from './partnerWays';
export { planPreferences, rulesForPlan, type PlanPreferences } from './preferences';
export { OPENING_STEPS, PREPARATION_STEPS, type PreparationStep } from './preparation';
export type { PlanReached, PlanRequest, PlanWishes } from './request';
export type { BleedPurpose, StageDraft } from './draft';
export { stageWords, type StageWords } from './stageWords';
export { PREPARATION_WORDS, refusalWords } from './words';
