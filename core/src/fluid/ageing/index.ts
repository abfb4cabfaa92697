export {
  CLIMATES,
  monthsUntilPercent,
  SATURATION_PERCENT,
  TIME_CONSTANT_MONTHS,
  waterAfterPercent,
  type Climate,
} from './uptake';
export { fitUptake, type UptakeFit, type WaterMeasurement } from './fitUptake';
export { forecastMonths, type Forecast } from './forecast';
export {
  fluidHistory,
  historyReading,
  MONTH_MS,
  uptakeCurve,
  worstReading,
  type FluidHistory,
  type HistoryChange,
  type HistoryPoint,
  type HistorySample,
  type NextChange,
} from './history';
