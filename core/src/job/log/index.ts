export { refitOf, type Refit } from './refit';
export { pressIn, slipsIn, takenBackIn, undoneIds } from './undo';
export {
  NO_PROOF,
  passes,
  touches,
  type Answered,
  type ProofAnswer,
  type ProofPhoto,
  type ProofState,
  type Voided,
} from './proof';
export {
  driveInForce,
  NEW_JOB,
  proofOf,
  stageOf,
  type JobState,
  type LoggedOf,
  type TestDrive,
} from './state';
export { addToJob, addUnfolded, foldingJob, foldJob } from './fold';
export { followProof } from './followProof';
export { asksTheFold, isSuperfluous, jobEventFault, type Believable } from './checkEvent';
export { LogIndex } from './known';
export { unseenStrokes } from './unseen';
export { runningClocks, type RunningClock } from './clocks';
export {
  judgedByMeasure,
  measuredAt,
  measuredNow,
  measuringOf,
  type Measuring,
  type TakeUpRead,
} from './measured';
export { controlsOnRecord, type ControlOnRecord } from './onRecord';
export { clutchNeedOf, type ClutchNeed } from './clutchNeed';
export {
  isOpenedSince,
  jointsOf,
  lookAgainOf,
  manualTorqueOf,
  tightnessOf,
  type LookAgain,
  type ManualTorque,
} from './lookAgain';
export { overriddenWords, overridesOf, type Overridden } from './overrides';
