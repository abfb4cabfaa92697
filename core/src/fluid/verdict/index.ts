export { CHEMISTRY, gradeNamed, GRADES, type Chemistry, type Grade } from './grades';
export {
  CLARITIES,
  COLOURS,
  DROPS,
  DYES,
  FOREIGN_SIGNS,
  SWATCHES,
  type Clarity,
  type Colour,
  type Drops,
  type Dye,
  type ForeignSign,
} from './looks';
export {
  fluidVerdict,
  foundDirty,
  isDue,
  type FluidHold,
  type FluidRequest,
  type FluidVerdict,
} from './fluidVerdict';
export { readingFault, READINGS, type ReadingKind } from './readings';
export {
  CLASS_LIMITS,
  GRADE_LIMITS,
  standardOf,
  WET_WATER_PERCENT,
  type FluidLimits,
  type IsoClass,
} from './limits';
export {
  atLocalPressureC,
  boilingFigure,
  boilingPointC,
  waterFromBoilingPercent,
  measuredBoilingFigure,
  pressureAtAltitudeHpa,
  STANDARD_PRESSURE_HPA,
  toStandardPressureC,
} from './boiling';
export { fluidViscosity, viscosityMm2s, type ViscosityPair } from './viscosity';
export {
  compatibility,
  DEMAND_SOURCES,
  limitsOf,
  LOW_VISCOSITY_MM2S,
  remedyFor,
  type Candidate,
  type CandidateVerdict,
  type CompatibilityAnswer,
  type CompatibilityCode,
  type CompatibilityReason,
  type CompatibilityRequest,
  type Demand,
  type DemandSource,
  type Remedy,
} from './compatibility';
export {
  condition,
  CONDITION_VERDICTS,
  visitBoilingLimit,
  WATER_NOW_PERCENT,
  WATER_THIS_VISIT_PERCENT,
  waterLimits,
  type ConditionAnswer,
  type ConditionCode,
  type ConditionReason,
  type ConditionRequest,
  type ConditionVerdict,
  type Sample,
} from './condition';
export {
  COMPATIBILITY_WORDS,
  CONDITION_WORDS,
  HOLD_WORDS,
  REMEDY_WORDS,
  VERDICT_WORDS,
} from './words';
