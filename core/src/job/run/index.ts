export {
  firstPlanOf,
  isBledMeasured,
  JAR_READ_TO_ML,
  plansOf,
  type UncountedStroke,
  type BleederState,
  type Counting,
  type Halt,
  type Jar,
  type RunLeg,
  type Tried,
} from '../standing';
export { emptyRun, type RunState } from './state';
export { airClueWords, airSits, type AirClue, type AirPlace } from './airSits';
export { foldEvent, foldingRun, foldRun, SLICE_EVENTS } from './fold';
export { jarFault, jarSays, type JarSays } from './jar';
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
export { decisionFault } from './decision';
export { MISSING_WORDS } from './words';
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
