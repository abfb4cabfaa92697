export { cameOff, heldBack } from './beginning';
export { planBleed, controlOf, LAST_FILL_FROM_ML, RULES_VERSION, wrenchMm } from './plan';
export type {
  Plan,
  PlanReservoir,
  PlanMethod,
  PlanRefusal,
  PlanResult,
  PlanScope,
  PlanTotals,
} from './shape';
export { planChanges, shapeChanges } from './changes';
export {
  notEmptiedFirst,
  orderFigures,
  reservoirWayPrices,
  countsOfPlan,
  planEnd,
  planOrders,
  planSureties,
  planSearch,
  previewPlan,
  type PlanOrder,
  type PlanPreview,
} from './preview';
export { handsOnMinutes, type Materials, type TimelinePiece } from './materials';
export { partnerWays, type PartnerWays } from './partnerWays';
export { OUTLET_TARGET, planPreferences, rulesForPlan, type PlanPreferences } from './preferences';
export { OPENING_STEPS, PREPARATION_STEPS, type PreparationStep } from './preparation';
export {
  FIRST_PLAN,
  USUAL_CHOICES,
  type PlanReached,
  type PlanRequest,
  type PlanWishes,
} from './request';
export { PREPARATION_WORDS, preparationWords, refusalWords, reservoirsWords } from './words';

export { RESERVOIR_WAY_WORDS, rinseWords, type ReservoirTreatment } from './reservoirTreatment';
export { planGlance, type PlanGlance } from './glance';
export { toTakeAlong } from './takeAlong';
