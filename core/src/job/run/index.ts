export {
  BROKEN_ROUNDS,
  BUBBLE_READINGS,
  COUNT_WAYS,
  DECISIONS,
  HALT_REASONS,
  HALTS_AT_BLEEDER,
  MENDABLE,
  MOST_MADE,
  TRIES,
  type BrokenRound,
  type BubbleReading,
  type CountWay,
  type Decision,
  type EventBase,
  type HaltReason,
  type JarShare,
  type Logged,
  type Onward,
  type RunEvent,
  type RunHappening,
  type Tightened,
  type Try,
  type Undone,
} from './event';
export {
  emptyRun,
  firstPlanOf,
  isBledMeasured,
  plansOf,
  type UncountedStroke,
  type BleederState,
  type Counting,
  type Halt,
  type Jar,
  type RunLeg,
  type RunState,
  type Tried,
} from './state';
export { airClueWords, airSits, type AirClue, type AirPlace } from './airSits';
export { foldEvent, foldRun } from './fold';
export { JAR_READ_TO_ML, jarFault, jarSays, type JarSays } from './jar';
export {
  currentOpening,
  dangerAt,
  flowLookAfterS,
  missingAt,
  MORE_STROKES,
  nextStep,
  type Missing,
  type NextStep,
} from './nextStep';
export {
  decisionFault,
  DECISIONS_ON,
  elementFault,
  runEventFault,
  type KnownInRun,
} from './checkEvent';
export { DECISION_WORDS, HALT_WORDS, MISSING_WORDS, TRY_WORDS } from './words';
export { doneAt, type DoneAt } from './doneAt';
export { mayShutHere, restBuys } from './shutHere';
export { skippedStages, stageLines, type LeftOutStage } from './leftOut';
export { planOnward, whatFollows } from './onward';
export { planAgainstActual, type ActualLeg, type ActualRow } from './planAgainstActual';
export { followCalls, usualAnswer, type FollowOptions } from './followCalls';
export { flowFigure, levelFigure, pourFigure } from './levelFigure';
export { RunFluid } from './runFluid';
export { insideAfter, insideNow } from './insideAfter';
export { tryNext } from './tries';
export { burstOf } from './burst';
export {
  calledAt,
  helpedOpening,
  helperView,
  phaseAt,
  type HelperPhone,
  type HelperView,
} from './helperView';
export { pacesOf, paceRule, PROPOSE_FROM, type Pace } from './pace';
