export { atBleeder, flowRead, isOfPast, opened, openingIn, wayIn } from './at';
export { countsItself } from './countsItself';
export { reservoirsRunDry } from './dry';
export { fillTo, levelled, pouredFrom } from './fill';
export { decidedOn, halt, undecided } from './halt';
export { HALT_REASONS, type HaltReason } from './haltReason';
export {
  JAR_READ_TO_ML,
  TINY_ML,
  jarSet,
  jarShares,
  levelKnown,
  recounted,
  type JarShare,
} from './jar';
export {
  firstPlanOf,
  freshBleeder,
  isBledMeasured,
  isWaiting,
  levelsAtFirst,
  plansOf,
  type BleederState,
  type Counting,
  type Halt,
  type Jar,
  type RunLeg,
  type RunStanding,
  type Tried,
  type UncountedStroke,
} from './state';
export { moved, pastItsBand, strokes } from './strokes';
export {
  BUBBLE_READINGS,
  COUNT_WAYS,
  DECISIONS,
  TRIES,
  type BubbleReading,
  type CountWay,
  type Decision,
  type Tightened,
  type Try,
} from './terms';
