export {
  BUBBLE_READINGS,
  DECISIONS,
  HALT_REASONS,
  HALTS_AT_BLEEDER,
  TOOL_WITNESSES,
  type BubbleReading,
  type Decision,
  type EventBase,
  type HaltReason,
  type Onward,
  type RunEvent,
  type RunEventKind,
  type ToolWitness,
} from './event';
export {
  emptyRun,
  firstPlanOf,
  type BleederState,
  type Halt,
  type RunLeg,
  type RunState,
  type ToolRecord,
} from './state';
export { foldEvent, foldRun } from './fold';
export { currentStop, missingAt, nextStep, type Missing, type NextStep } from './nextStep';
export { DECISIONS_ON, eventFault } from './checkEvent';
export { DECISION_WORDS, HALT_WORDS, MISSING_WORDS } from './words';
export { partLines, slaveLines, toolLines } from './recordLines';
export { maySkip, skippedStages, toolNext, toolStepsOf, type OwnStage } from './stages';
export { planOnward, whatFollows } from './onward';
export { planAgainstActual, type ActualLeg, type ActualRow } from './planAgainstActual';
export { followCalls, type FollowOptions } from './followCalls';
export { levelFigure, pourFigure } from './levelFigure';
export { RunFluid } from './runFluid';
