export { oldWater, waterOfLot, type OldWater } from './oldWater';
export {
  MORE_STROKES,
  NEW_WATER_PERCENT,
  planGain,
  strokesBuy,
  waterPercent,
  type MoreStrokes,
  type PlanGain,
  type WaterAndBoiling,
} from './planGain';
