export { CHEMISTRY, GRADES, type Chemistry, type Grade } from './grades';
export { CLARITIES, COLOURS, FOREIGN_SIGNS, type Clarity, type Colour, type FluidSeen, type ForeignSign } from './looks';
export { fillVerdict, WATER_NOW_PERCENT, WATER_THIS_VISIT_PERCENT, type FillVerdict, type FluidReason, type FluidReasonCode } from './fillVerdict';
export { CLASS_LIMITS, GRADE_LIMITS, WET_WATER_PERCENT, type FluidLimits, type IsoClass } from './limits';
export { atLocalPressureC, boilingFigure, boilingPointC, measuredBoilingFigure, pressureAtAltitudeHpa, STANDARD_PRESSURE_HPA, toStandardPressureC } from './boiling';
export { viscosityMm2s } from './viscosity';
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
  type ConditionAnswer,
  type ConditionCode,
  type ConditionReason,
  type ConditionRequest,
  type ConditionVerdict,
  type Sample,
} from './condition';
export { COMPATIBILITY_WORDS, CONDITION_WORDS, FLUID_WORDS, REMEDY_WORDS } from './words';
export { waterFault } from './checkWater';
