export type { Timed, StageHalt, StageInput, StagePlan, StagePreferences } from './base';
export { bleedMinutes, bleedWaiting, type BleedStage } from './bleed';
export type { BleedPurpose } from './bleedDrafts';
export { linesOf } from './joining';
export type { StageWhen, StageWords } from './kind';
export {
  afterSaying,
  draftOf,
  draftStages,
  isStageThrough,
  leftOut,
  leavesDanger,
  maySkip,
  OWN_STAGE_KINDS,
  ownStage,
  sayingTouches,
  stageFault,
  stageMaterials,
  stageOpens,
  stageRecordLines,
  stageTitle,
  stageWaiting,
  stageWhen,
  stageWords,
  usualSaying,
} from './kinds';
export type { Material } from './material';
export { sizesBrought, type PartCompared } from './rightPart';
export type { SlaveTested } from './slaveTest';
export { RENEWED, rubberLeft, type Renewed, type RubberRenewed } from './strip';
export { isCleanInWater, WATER_SEEN, type WaterSeen, type WaterTested } from './waterTest';
export {
  BENCH_GRADES,
  BENCH_SIGNS,
  benchGrade,
  signsOf,
  type BenchGrade,
  type BenchEvent,
  type BenchSign,
} from './bench';
export { DROP_MM, dropsOf, injectionBy, type Injection, type InjectionEvent } from './injection';
export { BITE_MM, biteDrop, biteLossWords, type BiteDrop, type BiteMeasured } from './tieBack';
export {
  UNTOUCHED,
  type OwnDraft,
  type OwnStage,
  type PlanStage,
  type StageDraft,
  type StageEvent,
  type StageSaying,
  type StageState,
  type StageTap,
} from './stage';
export {
  leastCounts,
  longestOpening,
  mostCounts,
  type PlanOpening,
  type PlannedTopUp,
  type StrokeShape,
} from './opening';
export {
  needsTool,
  TOOL_WITNESSES,
  toolNext,
  toolStepsOf,
  type ToolChecked,
  type ToolStepped,
  type ToolWitness,
} from './toolCycle';
